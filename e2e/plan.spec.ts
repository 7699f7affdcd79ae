import { expect, test } from '@playwright/test'
import { asked, drag, number, sheet } from './sheet'
import { accessible, watch } from './watch'

/** The boatyard's plan and what it adds to a device's sheet, on laptop and phone. */

test('the boatyard’s plan says what is met, what is not and why, and what a walk shows', async ({ page, isMobile }) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/plan')
  await expect(page.getByRole('heading', { name: '3 of 4 areas of interest are met. 26 % is blind, in 10 spots.' })).toBeVisible()
  await expect(page.getByText(/^Slipway: not enough to recognise: .* hidden by Boat on its cradle/)).toBeVisible()
  await page.getByRole('button', { name: 'Blind spots', exact: true }).click()
  await expect(page.getByText('Hatched: ground that no camera sees')).toBeVisible()
  await page.getByText(/^Drawn: /).click()
  await page.getByRole('button', { name: /^From the gate to the slip/ }).click()
  await expect(page.getByText(/^Out of everybody’s view for/)).toBeVisible()
  await expect(page.getByRole('img', { name: /^Density at the face against time/ })).toBeAttached()
  await page.getByText(/^Devices: /).click()
  await page.getByRole('button', { name: /04 Office door/ }).click()
  await expect(page.getByLabel('Who agreed')).toHaveValue('Office manager')
  await accessible(page)
  // A phone has no drawing tools; it views and moves.
  await expect(page.getByRole('button', { name: 'Wall', exact: true })).toBeVisible({ visible: !isMobile })
  if (!isMobile) {
    const before = await number(page, 'Right')
    await page.getByRole('button', { name: 'Plain' }).click()
    await page.mouse.wheel(0, 0)
    await drag(page, [0.1, 0.9], [0.15, 0.85])
    expect(await number(page, 'Right')).toBe(before) // an empty spot drags the sheet, not the device
  }
  quiet()
})

test('the device sheet knows its surroundings: picture, lens, sun, lip', async ({ page }) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/devices/device-11/sight')
  await expect(page.getByRole('list', { name: 'Findings' }).getByText('▲ Check Soffit lip in the picture')).toBeVisible()
  await expect(page.getByRole('group', { name: /^Simulated picture: .*Mast racks/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Hours of sun in the picture by month/ })).toBeAttached()
  await page.getByLabel('What it must show').selectOption({ label: 'Slipway' })
  await expect(page.getByText(/^Turret, 5 MP, 2\.8 mm ■/)).toBeVisible()
  await page.getByLabel('Lens height', { exact: true }).fill('3') // tried while typing, never kept
  await expect(page.getByText('Soffit lip in the picture')).toHaveCount(0)
  await page.getByLabel('Lens height', { exact: true }).press('Escape')
  await expect(page.getByRole('list', { name: 'Findings' }).getByText('▲ Check Soffit lip in the picture')).toBeVisible()
  quiet()
})

test('two fingers zoom the plan, one asks it', async ({ page, isMobile }) => {
  test.skip(!isMobile, 'a laptop has no fingers')
  await page.goto('/jobs/kestrel-quay/plan')
  await expect(sheet(page).locator('canvas').first()).toBeVisible()
  const box = (await sheet(page).boundingBox())!
  const at = (x: number, y: number) => ({ x: box.x + box.width * x, y: box.y + box.height * y })
  const tap = async () => {
    await page.touchscreen.tap(at(0.42, 0.6).x, at(0.42, 0.6).y)
    await expect(asked(page)).toHaveText(/^Seen by/)
    return asked(page).textContent()
  }
  const before = await tap()
  const client = await page.context().newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) => client.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [at(0.7 - apart, 0.3), at(0.7 + apart, 0.3)].map((point, id) => ({ ...point, id })) })
  await touch('touchStart', 0.05)
  await touch('touchMove', 0.1)
  await touch('touchMove', 0.15)
  await touch('touchEnd', 0)
  expect(await tap()).not.toBe(before) // the same spot of the glass lies over another spot of the yard
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled() // nothing was moved by it
})
