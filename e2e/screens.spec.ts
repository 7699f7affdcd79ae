import { expect, test } from '@playwright/test'
import { accessible, watch, glareproof } from './watch'

const SCREENS = [
  ['jobs', '/'],
  ['new job', '/jobs/new'],
  ['board', '/jobs/kestrel-quay'],
  ['add a device', '/jobs/kestrel-quay/add'],
  ['device', '/jobs/kestrel-quay/devices/device-01/device'],
  ['plan', '/jobs/kestrel-quay/plan'],
  ['a camera on the plan', '/jobs/kestrel-quay/plan?device=device-12'],
  ['sight', '/jobs/kestrel-quay/devices/device-04/sight'],
  ['mount', '/jobs/kestrel-quay/devices/device-05/mount'],
  ['route', '/jobs/kestrel-quay/devices/device-05/route'],
  ['terminate', '/jobs/kestrel-quay/devices/device-05/terminate'],
  ['seal', '/jobs/kestrel-quay/devices/device-08/seal'],
  ['power', '/jobs/kestrel-quay/devices/device-13/power'],
  ['log', '/jobs/kestrel-quay/devices/device-04/log'],
  ['a measured step', '/jobs/kestrel-quay/devices/device-04/log?step=mount%2Flevel'],
  ['equipment', '/jobs/kestrel-quay/equipment'],
  ['add equipment', '/jobs/kestrel-quay/equipment/new'],
  ['a piece of equipment', '/jobs/kestrel-quay/equipment/jetty'],
  ['its log', '/jobs/kestrel-quay/equipment/jetty/log'],
  ['add a run', '/jobs/kestrel-quay/runs/new'],
  ['a run', '/jobs/kestrel-quay/runs/jetty-link'],
  ['its steps', '/jobs/kestrel-quay/runs/jetty-link/log'],
  ['own parts', '/jobs/kestrel-quay/parts'],
  ['an own part', '/jobs/kestrel-quay/parts/own-yard-cable'],
  ['round', '/jobs/kestrel-quay/round'],
  ['pull sheet', '/jobs/kestrel-quay/pull-sheet'],
  ['labels', '/jobs/kestrel-quay/labels'],
  ['punch list', '/jobs/tamarisk-surgery/punch-list'],
  ['a fault', '/jobs/tamarisk-surgery/punch-list/fault-2'],
  ['raise a fault', '/jobs/kestrel-quay/punch-list/new'],
  ['hand-over', '/jobs/quarry-lane/handover'],
  ['record', '/jobs/kestrel-quay/record/device-01'],
  ['job', '/jobs/kestrel-quay/settings'],
] as const

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
