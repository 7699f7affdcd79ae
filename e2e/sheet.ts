import { expect, type Page } from '@playwright/test'

/** The site plan's sheet in browser tests. Spots on it are given as shares of its size. */

export const sheet = (page: Page) => page.getByTestId('plan')
export const asked = (page: Page) => page.getByTestId('asked')

/** Opens what a phone has below the sheet; a laptop has the panel beside it. */
export async function openPanel(page: Page): Promise<void> {
  const button = page.locator('[data-foot-panel]')
  if (await button.isVisible()) await button.click()
}

/** Shows what cameras see in another way. */
export async function see(page: Page, how: string): Promise<void> {
  const layers = page.getByRole('group', { name: 'Layers' })
  if (!(await layers.isVisible())) await page.getByRole('button', { name: 'Layers' }).click()
  await layers.getByRole('button', { name: how, exact: true }).click()
}

export async function spot(page: Page, x: number, y: number): Promise<[number, number]> {
  const box = (await sheet(page).boundingBox())!
  return [box.x + box.width * x, box.y + box.height * y]
}

export async function click(page: Page, x: number, y: number): Promise<void> {
  await page.mouse.move(...(await spot(page, x, y)))
  await page.mouse.click(...(await spot(page, x, y)))
}

export async function drag(page: Page, from: [number, number], to: [number, number]): Promise<void> {
  await page.mouse.move(...(await spot(page, ...from)))
  await page.mouse.down()
  await page.mouse.move(...(await spot(page, (from[0] + to[0]) / 2, (from[1] + to[1]) / 2)))
  await page.mouse.move(...(await spot(page, ...to)))
  await page.mouse.up()
}

export async function newYard(page: Page, name: string): Promise<void> {
  await page.goto('/jobs/new')
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByRole('button', { name: 'Create the job' }).click()
  await page.getByRole('link', { name: 'Add a device' }).click()
  await page.getByLabel('Name of the place').fill('Yard wall')
  await page.getByLabel('Camera', { exact: true }).selectOption({ label: 'Bullet, 4 MP, 2.8–12 mm' })
  await page.getByLabel('Surface').selectOption({ label: 'Timber fascia or cladding' })
  await page.getByRole('button', { name: 'Add it and sight it' }).click()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'No camera stands on this plan yet.' })).toBeVisible()
  await expect(sheet(page).locator('canvas').first()).toBeVisible()
}

export const number = async (page: Page, label: string) =>
  Number(
    (await page.getByLabel(label, { exact: true }).inputValue()).replace('−', '-').replace(/[^\d.-].*$/, ''),
  )
