import { expect, test } from '@playwright/test'
import { drag, number, openPanel, see, sheet } from './sheet'
import { accessible, watch } from './watch'

/** The boatyard's plan and what it adds to a device's sheet, on laptop and phone. */

test('the boatyard’s plan says what is met, what is not and why, and what a walk shows', async ({
  page,
  isMobile,
}) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/plan')
  await expect(
    page.getByRole('heading', { name: '3 of 4 areas of interest are met. 26 % is blind, in 10 spots.' }),
  ).toBeVisible()
  await expect(
    page.getByText(/^Slipway: not enough to recognise: .* hidden by Boat on its cradle/),
  ).toBeVisible()
  await see(page, 'Blind spots')
  await expect(page.getByText('Hatched: ground that no camera sees')).toBeVisible()
  await openPanel(page)
  if (isMobile) {
    const [drawn, panel] = [sheet(page), page.getByRole('complementary', { name: 'On this plan' })]
    const bottom = async () => (({ y, height }) => y + height)((await drawn.boundingBox())!)
    await expect.poll(async () => (await bottom()) <= (await panel.boundingBox())!.y + 1).toBe(true)
  }
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
    await see(page, 'Nothing')
    await page.mouse.wheel(0, 0)
    await drag(page, [0.1, 0.9], [0.15, 0.85])
    expect(await number(page, 'Right')).toBe(before) // an empty spot drags the sheet, not the device
  }
  quiet()
})

test('the record says what is seen of the yard: promised against reached', async ({ page }) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/handover')
  const seen = page.locator('[data-survey=ground]')
  // Worked out once the whole record is there.
  await expect(seen.getByText('3 of 4 areas of interest are met. 26 % is blind, in 10 spots.')).toBeVisible({
    timeout: 60_000,
  })
  await expect(seen.getByText(/^promised recognise on 242\.0 m²; reached on 84 %/)).toBeVisible()
  await expect(seen.getByText(/^01: \d+ h, 02: \d+ h/)).toBeVisible()
  quiet()
})

test('the device sheet knows its surroundings: picture, lens, sun, lip', async ({ page }) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/devices/device-11/sight')
  await expect(
    page.getByRole('list', { name: 'Findings' }).getByText('▲ Check Soffit lip in the picture'),
  ).toBeVisible()
  const picture = page.getByRole('group', { name: /^Simulated picture: .*Mast racks/ })
  await expect(picture).toBeVisible()
  await expect(page.getByRole('button', { name: /next: Mount/i })).toBeInViewport()
  if (page.viewportSize()!.width > 1000) await expect(picture).toBeInViewport() // beside the elevation
  await expect(page.getByRole('img', { name: /^Hours of sun in the picture by month/ })).toBeAttached()
  await page.getByLabel('What it must show').selectOption({ label: 'Slipway' })
  await expect(page.getByText(/^Turret, 5 MP, 2\.8 mm ■/)).toBeVisible()
  await page.getByLabel('Lens height', { exact: true }).fill('3') // tried while typing, never kept
  await expect(page.getByText('Soffit lip in the picture')).toHaveCount(0)
  await page.getByLabel('Lens height', { exact: true }).press('Escape')
  await expect(
    page.getByRole('list', { name: 'Findings' }).getByText('▲ Check Soffit lip in the picture'),
  ).toBeVisible()
  quiet()
})
