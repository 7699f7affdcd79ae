import { expect, test, type BrowserContext, type Page, type Route } from '@playwright/test'
import sharp from 'sharp'
import { awake, record } from './watch'

/** As it is used on site: nothing answers, two tabs, a full phone, gloves. */

/** Both sizes of screen work on one record: each on devices of its own. */
const own = (laptop: string, phone: string) => (test.info().project.name === 'phone' ? phone : laptop)

/** The whole server is gone: every request of every page of this browser fails. */
async function gone(context: BrowserContext): Promise<void> {
  await context.route('**/*', (route) => route.abort('connectionrefused'))
}
/** The page has fetched what it needs without signal: the plan's sheet, and last the worker that surveys. */
async function equipped(page: Page): Promise<void> {
  await page.waitForFunction(() =>
    performance.getEntriesByType('resource').some(({ name }) => name.includes('worker')),
  )
}
const back = (context: BrowserContext) => context.unroute('**/*')

test('with the whole server gone, screens change, work is kept, and it all arrives when the server is back', async ({
  page,
  context,
}) => {
  const mark = own('03', '05')
  await page.goto(`/jobs/kestrel-quay/devices/device-${mark}/log`)
  await expect(page.getByText(/^Step \d+ of/)).toBeVisible()
  await equipped(page)
  await gone(context)
  await record(page, 'no server, first')
  await page.getByRole('navigation', { name: 'Job' }).getByRole('link', { name: 'Board' }).click()
  await expect(page).toHaveURL(/kestrel-quay$/)
  await page.getByRole('link', { name: new RegExp(`^${mark} (log|.* 1/\\d+$)`) }).click()
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await record(page, 'no server, second')
  await page.getByRole('navigation', { name: 'Job' }).getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByTestId('plan').locator('canvas').first()).toBeVisible()
  await expect(page.getByText(/no signal, 2 kept/)).toBeVisible()
  await page.goBack()
  await expect(page.getByText(/^Step \d+ of/)).toBeVisible()
  await back(context)
  await expect(page.getByText(/2 kept/)).toBeHidden({ timeout: 30_000 })
  const { job } = (await (await page.request.get('/api/jobs/kestrel-quay')).json()) as {
    job: { records: { note: string; deviceId: string }[] }
  }
  expect(job.records.filter(({ deviceId }) => deviceId === `device-${mark}`).map(({ note }) => note)).toEqual(
    ['no server, first', 'no server, second'],
  )
})

test('two tabs show each other’s work, also while nothing is sent', async ({ page, context }) => {
  const other = await context.newPage()
  const deviceId = `device-${own('09', '13')}`
  await page.goto(`/jobs/kestrel-quay/devices/${deviceId}/log`)
  await other.goto(`/jobs/kestrel-quay/devices/${deviceId}/log`)
  await expect(other.getByText(/^Step 1 of/)).toBeVisible()
  await gone(context)
  await record(page, 'from the first tab')
  await expect(other.getByText(/no signal, 1 kept|sending 1/)).toBeVisible()
  await record(other, 'from the second')
  await back(context)
  await expect(page.getByText(/signal, \d+ kept$/)).toBeHidden({ timeout: 30_000 })
  await expect(other.getByText(/signal, \d+ kept$/)).toBeHidden({ timeout: 30_000 })
  const { entries } = (await (
    await page.request.get('/api/jobs/kestrel-quay/history?limit=5000')
  ).json()) as { entries: { command: { type: string; deviceId?: string; outcome?: { note: string } } }[] }
  const notes = entries
    .filter(({ command }) => command.type === 'recordStep' && command.deviceId === deviceId)
    .map(({ command }) => command.outcome!.note)
  expect(notes).toEqual(['from the first tab', 'from the second'])
})

test('a photo is never taken away by one tap, nor the closed fault’s at all', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/devices/device-08/log?step=mount%2Freach')
  const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#576' } })
    .jpeg()
    .toBuffer()
  await page
    .getByTestId('photo-input')
    .setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: photo })
  const bin = page.getByRole('button', { name: /^Remove photo/ })
  await bin.click()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(bin).toBeVisible()
  await bin.click()
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(bin).toBeHidden()
})

/** Opens a page whose application does not run until it is let. */
async function asleep(page: Page, path: string): Promise<() => Promise<void>> {
  const held: Route[] = []
  let open = false
  await page.route('**/_next/static/**/*.js', (route) => (open ? route.continue() : void held.push(route)))
  await page.goto(path, { waitUntil: 'commit' })
  return async () => {
    open = true
    for (const route of held) await route.continue()
  }
}

test('a tap before the application runs counts', async ({ page }) => {
  const wake = await asleep(page, '/jobs/kestrel-quay/devices/device-02/sight')
  await page.getByRole('button', { name: /^Theme/ }).click()
  await expect(page.locator('html')).not.toHaveClass(/dark/) // nothing runs yet
  await wake()
  await expect(page.locator('html')).toHaveClass(/dark/)
})

test('names on tabs tell screens apart, and what is found opens', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/devices/device-02/sight')
  await expect(page).toHaveTitle(/^02 .* · sight · Kestrel Quay boatyard/)
  await page.keyboard.press('/')
  await page.getByLabel('Find a device, a fault or a screen').fill('13')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/device-13/)
  await expect(page).toHaveTitle(/^13 /)
})

test('two people see each other’s work within a second, and choose where they meet', async ({
  browser,
  page: lead,
}) => {
  const at = `/jobs/tamarisk-surgery/devices/device-${own('01', '03')}/sight`
  const other = await browser.newContext()
  const fitter = await other.newPage()
  await Promise.all([lead.goto(at), fitter.goto(at)])
  const field = (page: Page, label: string) => page.getByLabel(label, { exact: true })
  const set = async (page: Page, label: string, words: string) => {
    await field(page, label).fill(words)
    await field(page, label).blur()
  }
  // The first word finds both pages listening; what comes then is there at once.
  await set(lead, 'Target height', `4' 6"`)
  await expect(field(fitter, 'Target height')).toHaveValue(`4' 6"`, { timeout: 30_000 })
  await set(lead, 'Target height', `4' 7"`)
  await expect(field(fitter, 'Target height')).toHaveValue(`4' 7"`, { timeout: 3000 })

  // The fitter's line is cut; both set the tilt, and each something of their own.
  await gone(other)
  await set(fitter, 'Tilt below level', '31')
  await set(lead, 'Tilt below level', '24')
  await set(lead, 'Target distance', `18'`)
  await expect(fitter.getByText(/signal, 1 kept/)).toBeVisible()
  await back(other)
  const asks = fitter.getByText(/Two people changed the tilt of/)
  await expect(asks).toBeVisible({ timeout: 30_000 })
  await expect(field(fitter, 'Target distance')).toHaveValue(/^18'/)
  await expect(field(lead, 'Tilt below level')).toHaveValue('31.0°')
  await lead.getByRole('button', { name: 'Use 24' }).click()
  await expect(asks).toBeHidden()
  await expect(field(fitter, 'Tilt below level')).toHaveValue('24.0°')
  await other.close()
})

test('a record is signed as it stands, and stays so when the plan changes', async ({ page }) => {
  const device = own('01', '03')
  await page.goto(`/jobs/tamarisk-surgery/record/device-${device}`)
  await awake(page)
  await page.getByRole('button', { name: 'Sign the record as it stands' }).click()
  await expect(page.getByText('Write who signs.')).toBeVisible()
  await page.getByLabel('Who signs').fill('Practice manager')
  await page.getByRole('button', { name: 'Sign the record as it stands' }).click()
  await expect(page.getByText('✓ What is computed now is what was signed.')).toBeVisible()
  await page.goto(`/jobs/tamarisk-surgery/devices/device-${device}/sight`)
  await page.getByLabel('Target distance', { exact: true }).fill(`21'`)
  await page.getByLabel('Target distance', { exact: true }).blur()
  await page.goto(`/jobs/tamarisk-surgery/record/device-${device}`)
  await expect(page.getByText(/things? (is|are) otherwise now/)).toBeVisible()
})
