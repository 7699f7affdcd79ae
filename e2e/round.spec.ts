import { expect, test } from '@playwright/test'
import { ownBoatyard } from './ownServer'
import { asked, awake, record } from './watch'

test('a round goes place by place across devices, from where one stands, through the log and on', async ({
  page,
  request,
}) => {
  const home = `/jobs/${await ownBoatyard(request)}`
  await page.goto(`${home}/round`)
  await awake(page)
  const goings = page.locator('details')
  await expect(page.locator('h1')).toHaveText(
    /^\d+ steps on \d+ things: \d+ visits, \d+ of them at devices\.$/,
  )
  await expect(goings.first().locator('summary')).toHaveText(/^1 ?On the bench/)
  // what is stopped is not in it, and is named
  const left = page.locator('section', { hasText: 'Not in the round' })
  await expect(left.getByRole('link', { name: /^05 stopped/ })).toBeVisible()
  await expect(goings.filter({ hasText: /At 05 / })).toHaveCount(0)

  await page.getByLabel('You stand').selectOption({ label: 'At the head end' })
  await expect(page).toHaveURL(/here=head%20end/)
  await expect(goings.first().locator('summary')).toHaveText(/^1 ?At the head end/)
  await expect(page.getByText(/after “.+”, on the bench\./).first()).toBeVisible()

  // one thing's steps there, in its log; then on with the round
  const one = goings.first().getByRole('link', { name: /^06 / })
  await expect(one).toContainText(/Make the head end: .+ · Measure the loop resistance/)
  await one.click()
  await expect(page).toHaveURL(/device-06\/log\?step=terminate%2Fhead-end&round=head%20end/)
  await record(page, 'on the round')
  await expect(page.getByText(/Done there for now/)).toBeHidden()
  await asked(page, '[inputmode=decimal]').fill('7')
  await record(page, 'on the round too')
  await expect(page.getByText(/Done there for now\. What follows is done /)).toBeVisible()
  await page.getByRole('link', { name: 'On with the round' }).click()
  await expect(page).toHaveURL(/round\?here=head%20end/)
  await expect(goings.first().locator('summary')).toHaveText(/^1 ?At the head end/)
  await expect(goings.first().getByRole('link', { name: /^06 / })).toHaveCount(0)

  await page.goto(`${home}/round?here=spot:nowhere`)
  await expect(page.getByText('Nothing can be done there yet.', { exact: false })).toBeVisible()
})
