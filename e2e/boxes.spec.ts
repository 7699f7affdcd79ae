import { expect, test, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { ownYard } from './ownYard'
import { awake } from './watch'

/** Which run is cut from which box. */

const boxes = (page: Page) => page.getByRole('region', { name: 'Boxes of Cat 6, outdoor, 6.2 mm' })

test('begun boxes are used up before a new one is opened, and what is left of them is kept', async ({
  page,
}) => {
  await page.goto(`${await ownYard(page)}/pull-sheet`)
  await awake(page)
  await expect(boxes(page).getByRole('row', { name: /^B1 158.0 m/ })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByRole('img', { name: /^Boxes. .*B1: \d/ })).toBeVisible()
  await expect(
    page.getByText(/^Cat 6, outdoor.* 9 runs from 1 begun box and 1 new box\. No plan has fewer/),
  ).toBeVisible()

  const added = page.getByRole('group', { name: 'Another begun box' })
  await added.getByLabel('Cable').selectOption({ label: 'Cat 6, outdoor, 6.2 mm' })
  // Words that are no length are never taken for what stood there before.
  await added.getByLabel('Left in a begun box').fill('30 m')
  await added.getByLabel('Left in a begun box').fill('plenty')
  await added.getByRole('button', { name: 'Add the box' }).click()
  await expect(added.getByRole('alert').first()).toBeVisible()
  await expect(added.getByLabel('Left in a begun box')).toHaveValue('plenty')
  await expect(page.getByRole('group', { name: /^Begun box/ })).toHaveCount(2)
  await added.getByLabel('Left in a begun box').fill('900 m')
  await added.getByRole('button', { name: 'Add the box' }).click()
  // A long drum holds all of them: no new box is opened.
  await expect(boxes(page).getByRole('row', { name: /^B3 900.0 m/ })).toBeVisible({ timeout: 20_000 })
  await expect(boxes(page).getByRole('row', { name: /^New/ })).toHaveCount(0)
  await page.reload()
  await expect(boxes(page).getByRole('row', { name: /^B3 900.0 m/ })).toBeVisible({ timeout: 20_000 })

  const csv = page.waitForEvent('download')
  await page.locator('a[href$="box-plan"]').click()
  const file = await csv
  expect(file.suggestedFilename()).toBe('kestrel-quay-boatyard-box-plan.csv')
  expect(readFileSync(await file.path(), 'utf8')).toContain('B3,900.0 m')
  const third = page.getByRole('group', { name: 'Begun box B3' })
  await third.getByRole('button', { name: 'Take B3 out' }).click()
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(boxes(page).getByRole('row', { name: /^New 1/ })).toBeVisible({ timeout: 20_000 })
})

test('without the solver there is a plan all the same, and that is said', async ({ page }) => {
  await page.route('**/*.wasm', (route) => route.abort())
  await page.goto(`${await ownYard(page)}/pull-sheet`)
  await expect(page.getByText(/The solver is not on this device/)).toBeVisible({ timeout: 20_000 })
  await expect(boxes(page).getByRole('row', { name: /^B1 158.0 m/ })).toBeVisible()
})
