import { expect, test, type Page } from '@playwright/test'
import { ownYard } from './ownYard'
import { accessible, awake, watch } from './watch'

/** What lies in a conduit, how it is drawn through, and where the head end could be. */

const select = (page: Page, name: string) => page.getByRole('button', { name, exact: false }).first().click()
const inIt = (page: Page) => page.getByRole('heading', { name: 'What lies in it' }).locator('..')

test('a conduit that is too full takes the size that is named, a long one a pull box', async ({ page }) => {
  const { quiet } = watch(page)
  const yard = await ownYard(page)
  await page.goto(`${yard}/plan`)
  await awake(page)
  await page.getByText(/^Drawn: /).click()
  await select(page, 'Down the office wall')
  await expect(inIt(page)).toContainText('7 cables: 01 02 06 08 10 11 12. 60 % full, at most 40 %.')
  await expect(inIt(page)).toContainText('▲ Check: too full.')
  await page.getByRole('button', { name: 'Take EMT 1 in' }).click()
  await expect(inIt(page)).toContainText('39 % full, at most 40 %.Good.')
  await expect(page.getByLabel('Conduit', { exact: true })).toHaveValue('emt-1')

  await select(page, 'Duct to the gatehouse')
  await expect(inIt(page)).toContainText('49.6 m in one pull, 268.4° of bends.')
  await page.getByRole('button', { name: 'Put a pull box there' }).click()
  await expect(inIt(page)).toContainText('30.0 m in one pull, 180.0° of bends.')
  await expect(inIt(page)).not.toContainText('▲')
  await accessible(page)

  // What the screen said is in the record, and on the device whose cable goes there.
  await page.goto(`${yard}/pull-sheet`)
  await awake(page)
  const row = page
    .getByRole('region', { name: 'Conduits and ducts' })
    .getByRole('row', { name: /^Down the office/ })
  await expect(row).toContainText('EMT 1 in')
  await expect(row).toContainText('Good')
  await expect(page.getByRole('region', { name: 'Pull through conduits' })).not.toContainText('wanted')
  const pdf = await page.request.get(`/api${yard}/pull-sheet.pdf`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  quiet()
})

test('spots for the head end are compared, and one press moves it to the best', async ({ page }) => {
  await page.goto(`${await ownYard(page)}/plan`)
  await awake(page)
  await page.getByText('Where else could the head end be?').click()
  await page.getByRole('button', { name: 'Compare spots' }).click()
  const spots = page.getByRole('list', { name: 'Spots for the head end' }).getByRole('listitem')
  const figures = (words: string) => Number(/([\d.]+) m of cable/.exec(words)![1])
  await expect(spots.filter({ hasText: 'Where it is' })).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('img', { name: /^Spots compared\. 1, / })).toBeVisible()
  const best = figures((await spots.first().textContent())!)
  expect(best).toBeLessThan(figures((await spots.filter({ hasText: 'Where it is' }).textContent())!))
  await spots.first().getByRole('button', { name: 'Move it there' }).click()
  await page.getByText('Ways of all cables').click()
  await expect(
    page.getByText(new RegExp(`^Cables with a way: (\\d+) of \\1; ${Math.floor(best)}`)),
  ).toBeVisible()
})

test('a way is asked for through one pathway, and around another', async ({ page }) => {
  await page.goto(`${await ownYard(page)}/plan`)
  await awake(page)
  await page.getByText(/^Devices: /).click()
  await select(page, '04 Office door')
  await page.getByText('The way of its cable').click()
  await page.getByLabel('Through').selectOption({ label: 'Trunking to the till' })
  const forced = page
    .locator('[data-way]')
    .filter({ has: page.getByRole('button', { name: /was asked for/ }) })
  await expect(forced).toContainText('Trunking to the till')
  await page.getByLabel('Around').selectOption({ label: 'Over the office ceiling' })
  await expect(page.getByText('▲ No way to a head end goes through it.')).toBeVisible()
  await page.getByLabel('Around').selectOption({ label: 'None' })
  await forced.getByRole('button').click()
  await expect(page.getByText('It is planned this way.')).toBeVisible()
})
