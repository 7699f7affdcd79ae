import { expect, test } from '@playwright/test'
import { accessible, watch } from './watch'

test('a device drawn apart: a part that is pointed at tells what it closes, and its steps lead to the log', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/devices/device-05/device')
  await expect(page.locator('h1').first()).toHaveText(
    /^05 Fuel jetty arm goes together in \d+ steps; the pendant hood waits for the large dome\.$/,
  )
  const hood = page.getByRole('button', { name: 'Pendant hood', exact: true })
  await expect(async () => {
    await hood.click() // the drawing is fitted to the screen first
    await expect(hood).toHaveAttribute('aria-pressed', 'true', { timeout: 1000 })
  }).toPass()
  const told = page.getByRole('status').filter({ hasText: 'Once it is up, this is out of reach' })
  await expect(told).toContainText('only from the open back of the pendant hood')
  const dome = page.getByRole('button', { name: /^Large dome/ })
  await dome.focus()
  await page.keyboard.press('Enter')
  await expect(dome).toHaveAttribute('aria-pressed', 'true')
  await accessible(page)
  await page
    .getByRole('list', { name: 'Steps at the device' })
    .getByRole('link', { name: /Fasten the large dome to the pendant hood/ })
    .click()
  await expect(page.locator('h1').first()).toHaveText('Fasten the large dome to the pendant hood')
  await expect(page.getByText('Before “Fasten the pendant hood to the pendant rod”:')).toBeVisible()
  quiet()
})
