import { expect, test } from '@playwright/test'
import { SCREENS } from './addresses'
import { accessible, watch, glareproof } from './watch'

for (const [name, path] of SCREENS) {
  test(`${name}: opens quietly, is accessible in all themes, and fits its width`, async ({ page }) => {
    const { quiet } = watch(page)
    await page.goto(path)
    await expect(page.locator('h1').first()).toBeVisible()
    await accessible(page)
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
    ).toBeLessThanOrEqual(0)
    await page.getByRole('button', { name: /^Theme/ }).click()
    await expect(page.locator('html')).toHaveClass(/dark/)
    await accessible(page)
    await page.getByRole('button', { name: /^Theme/ }).click()
    await expect(page.locator('html[data-glare]')).toHaveClass(/light/)
    await glareproof(page)
    quiet()
  })
}

test('an address with nothing behind it says so', async ({ page }) => {
  for (const path of ['/jobs/nowhere', '/jobs/kestrel-quay/devices/device-01/nonsense']) {
    const response = await page.goto(path)
    expect(response?.status()).toBe(404)
    await expect(page.getByText('There is nothing at this address')).toBeVisible()
  }
  await page.goto('/jobs/kestrel-quay/devices/gone/sight')
  await expect(page.getByText('There is no device here with this address')).toBeVisible()
  for (const way of ['gone', 'gone/log']) {
    await page.goto(`/jobs/kestrel-quay/equipment/${way}`)
    await expect(page.getByText('There is no equipment here with this address')).toBeVisible()
  }
})
