import { expect, test, type Page } from '@playwright/test'
import { ownYard } from './ownYard'
import { click, sheet } from './sheet'
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
  await expect(inIt(page)).toContainText(
    'Through it 11: 01 02 05 06 08 10–12 R1 R4 R5. 92 % full, at most 40 %.',
  )
  await expect(inIt(page)).toContainText('▲ Check: too full.')
  await page.getByRole('button', { name: 'Take PVC 1 1/4 in' }).click()
  await expect(inIt(page)).toContainText('35 % full, at most 40 %.Good.')
  await expect(page.getByLabel('Conduit', { exact: true })).toHaveValue('pvc-1-quarter')

  await select(page, 'Duct to the gatehouse')
  await expect(inIt(page)).toContainText('49.6 m in one pull, 268.4° of bends.')
  await page.getByRole('button', { name: 'Put a pull box there' }).click()
  await expect(inIt(page)).toContainText('30.0 m in one pull, 180.0° of bends.')
  await expect(inIt(page)).not.toContainText('▲')

  await select(page, 'Up the slipway pole')
  await expect(inIt(page)).toContainText('▲ Check: wants an expansion fitting.')
  await page.getByRole('button', { name: 'It has a fitting' }).click()
  await expect(inIt(page)).not.toContainText('▲')
  await expect(page.getByRole('checkbox', { name: 'It has expansion fittings' })).toBeChecked()
  await accessible(page)

  // What the screen said is in the record, and on the device whose cable goes there.
  await page.goto(`${yard}/pull-sheet`)
  await awake(page)
  const row = page
    .getByRole('region', { name: 'Conduits, ducts, trunking' })
    .getByRole('row', { name: /^Down the office/ })
  await expect(row).toContainText('PVC 1 1/4 in')
  await expect(row).toContainText('Good')
  await expect(page.getByRole('region', { name: 'Pull through conduits' })).not.toContainText('wanted')
  const holes = page.getByRole('region', { name: 'Through walls' })
  await expect(holes.getByRole('row', { name: /^Office front Over the office ceiling 1: 04/ })).toBeVisible()
  const pdf = await page.request.get(`/api${yard}/pull-sheet.pdf`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
  quiet()
})

test('equipment that is put on the plan has its cables led to it, and a run takes that way', async ({
  page,
}) => {
  const { quiet } = watch(page)
  const yard = await ownYard(page)
  await page.goto(`${yard}/plan`)
  await awake(page)
  const endHere = page.getByRole('heading', { name: 'Cables that end at it' }).locator('..')
  await page.getByText(/^Drawn: /).click()
  await select(page, 'E11 Workshop bench jacks')
  await expect(endHere).toContainText('R4 Bench jack 1: 35.00 m')
  await page.getByRole('button', { name: 'Delete' }).click()
  await page.getByText('Ways of all cables').click()
  await expect(page.getByText(/^Cables with a way: 13 of 13; /)).toBeVisible()

  // Put back elsewhere by hand, it is offered again; what stands on the plan already is not.
  await sheet(page).focus()
  await page.keyboard.press('j')
  await click(page, 0.44, 0.36)
  await expect(page.getByRole('heading', { name: 'Equipment', exact: true })).toBeVisible()
  const which = page.getByLabel('Which it is')
  await expect(which.getByRole('option', { name: 'E2 Jetty switch' })).toHaveCount(0)
  await which.selectOption({ label: 'E11 Workshop bench jacks' })
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('E11 Workshop bench jacks')
  await expect(endHere).toContainText(/R4 Bench jack 1: \d+\.\d\d m/)
  const lengthM = /R4 Bench jack 1: (\d+\.\d\d m)/.exec((await endHere.textContent())!)![1]!
  await accessible(page)

  await page.goto(`${yard}/runs/bench-run-1`)
  await awake(page)
  await expect(page.getByText(`On the plan ${lengthM}: `)).toBeVisible()
  await page.getByRole('button', { name: 'Take its way on the plan' }).click()
  await expect(page.getByText('It is planned this way.')).toBeVisible()
  await page.reload()
  await awake(page)
  await expect(page.getByText('It is planned this way.')).toBeVisible()

  // What is found along it is said there; no way leads around the wall, and through the duct it is kept.
  const ways = page.locator('[data-way]')
  await page.getByText('Other ways over the plan').click()
  await expect(ways.first()).toContainText('Check Tight in the conduit: ')
  await expect(ways.first()).toContainText('It is planned this way.')
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'Up the workshop wall' })
  await expect(page.getByText(/^▲ No pathway that its cable may take comes near it/)).toBeVisible()
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'None' })
  await page.getByLabel('Through', { exact: true }).selectOption({ label: 'Duct across the yard' })
  await page.getByRole('button', { name: 'Take the way that was asked for' }).click()
  await expect(ways.last()).toContainText('It is planned this way.')
  await expect(ways.first()).toContainText('Take this way')
  await page.reload()
  await awake(page)
  await page.getByText('Other ways over the plan').click()
  await expect(page.getByLabel('Through', { exact: true }).locator('option:checked')).toHaveText(
    'Duct across the yard',
  )
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
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'Over the office ceiling' })
  await expect(page.getByText(/^▲ No way to where it ends goes through Trunking to the till/)).toBeVisible()
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'None' })
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'Up the gatehouse' })
  await page.getByLabel('And around (2)').selectOption({ label: 'Duct to the jetty' })
  await forced.getByRole('button').click()
  await expect(page.getByText('It is planned this way.')).toBeVisible()

  // Both are kept; without the first, the second takes its place.
  await page.reload()
  await awake(page)
  await page.getByText(/^Devices: /).click()
  await select(page, '04 Office door')
  await page.getByText('The way of its cable').click()
  const chosen = (label: string) =>
    page.getByLabel(label, { exact: true }).locator('option:checked').textContent()
  expect(await chosen('And around (2)')).toBe('Duct to the jetty')
  await page.getByLabel('Around', { exact: true }).selectOption({ label: 'None' })
  expect(await chosen('Around')).toBe('Duct to the jetty')
  expect(await chosen('And around (2)')).toBe('None')
})
