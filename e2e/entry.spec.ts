import { expect, test, type Page } from '@playwright/test'
import { awake, watch } from './watch'

const SIGHT = '/jobs/kestrel-quay/devices/device-12/sight'

async function drag(page: Page, handle: string, dx: number, dy: number): Promise<void> {
  const box = (await page.locator(`[data-handle=${handle}]`).boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 1; i <= 6; i++) await page.mouse.move(x + (dx * i) / 6, y + (dy * i) / 6)
}

test('dragging the drawing moves numbers, drawing and findings together, asking the server only at the end', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto(SIGHT)
  const [height, distance, tilt] = ['Lens height', 'Target distance', 'Tilt below level'].map((label) =>
    page.getByLabel(label, { exact: true }),
  )
  await awake(page) // the drawing fits itself to the screen then, and moves under a hand that is ahead of it
  await expect(height!).toHaveValue('2.80 m')
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))

  await drag(page, 'target', 160, 0)
  await expect(distance!).not.toHaveValue('6.00 m')
  await expect(page.locator('h1').first()).toContainText('Not enough to identify')
  await expect(page.locator('[data-finding="sight/level"]').last()).toContainText('against 250 px/m')
  expect(asked.filter((url) => /\/api\/(?!.*\/(live|commands\?since))/.test(url))).toEqual([])
  const sent = page.waitForResponse((response) => response.url().endsWith('/api/commands'))
  await page.mouse.up()
  expect((await sent).status()).toBe(200)

  await drag(page, 'camera', 0, -40)
  await page.mouse.up()
  await expect(height!).not.toHaveValue('2.80 m')
  await drag(page, 'axis', 0, 60)
  await page.mouse.up()
  await expect(tilt!).not.toHaveValue('11.0°')
  const values = await Promise.all([height!, distance!, tilt!].map((field) => field.inputValue()))
  await expect(page.getByText(/^sending \d/)).toBeHidden()
  await page.reload()
  for (const [i, field] of [height!, distance!, tilt!].entries()) await expect(field).toHaveValue(values[i]!)

  // The same by keys, for those who do not drag.
  await page.locator('[data-handle=axis]').focus()
  await page.keyboard.press('ArrowDown')
  await expect(tilt!).not.toHaveValue(values[2]!)
  quiet()
})

test('what is entered without signal is kept through a reload and sent when the signal is back', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-quay/devices/device-07/log')
  await page.route('**/api/commands', (route) => route.abort())
  await page.getByLabel('Note').fill('carton was wet')
  await page.getByRole('button', { name: 'Record, next step' }).click()
  await expect(page.getByText('no signal, 1 kept')).toBeVisible()
  await page.reload()
  await expect(page.getByText('no signal, 1 kept')).toBeVisible()
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await page.unroute('**/api/commands')
  await expect(page.getByText('no signal, 1 kept')).toBeHidden({ timeout: 15_000 })
  const { job } = (await (await page.request.get('/api/jobs/kestrel-quay')).json()) as {
    job: { records: { deviceId: string; note: string }[] }
  }
  expect(job.records.filter(({ deviceId }) => deviceId === 'device-07').map(({ note }) => note)).toEqual([
    'carton was wet',
  ])
})

test('a note half written, a step left out and a photo that is none', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/devices/device-11/log?step=mount%2Freach')
  await page.getByLabel('Note').fill('half a thought')
  await page.reload()
  await expect(page.getByLabel('Note')).toHaveValue('half a thought')
  await page.getByLabel('Note').fill('')
  await page.getByRole('button', { name: 'This step cannot be done here' }).click()
  await page.getByRole('button', { name: 'Record as left out' }).click()
  await expect(page.getByText('Say why the step is left out.')).toBeVisible()
  await page.getByLabel('Why it is left out').fill('working from the gallery')
  await page.getByRole('button', { name: 'Record as left out' }).click()
  await page.goto('/jobs/kestrel-quay/devices/device-11/log?step=mount%2Freach')
  await expect(page.getByText('▲ Check Left out: working from the gallery')).toBeVisible()
  await page
    .getByTestId('photo-input')
    .setInputFiles({ name: 'fake.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') })
  await expect(page.getByText(/Not taken over: a photo\./)).toBeVisible()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await page.getByRole('button', { name: 'Remove', exact: true }).click()
  await expect(page.getByText(/Not taken over/)).toBeHidden()
})

test('keys lead through the job, never while typing', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/devices/device-02/sight')
  await page.keyboard.press('j')
  await expect(page).toHaveURL(/device-03\/sight/)
  await page.keyboard.press('5')
  await expect(page).toHaveURL(/device-03\/seal/)
  await page.keyboard.press('k')
  await expect(page).toHaveURL(/device-02\/seal/)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('f')
  await expect(page.getByLabel('Device', { exact: true })).toHaveValue('device-02')
  await page.getByLabel('What is wrong').pressSequentially('bj1')
  await expect(page).toHaveURL(/punch-list\/new/)
})

test('feet and inches all the way through', async ({ page }) => {
  await page.goto('/jobs/tamarisk-surgery/devices/device-02/sight')
  const distance = page.getByLabel('Target distance', { exact: true })
  await expect(distance).toHaveValue(`36' 1"`)
  await distance.fill('20')
  await expect(page.getByText(`= 20' 0"`)).toBeVisible()
  await distance.blur()
  await expect(page.getByText(/px\/ft/).first()).toBeVisible()
})

test('the pull sheet follows the plan, and its lists and the template can be taken along', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-quay/devices/device-07/mount')
  await page.getByLabel('How many', { exact: true }).fill('6')
  await page.getByLabel('How many', { exact: true }).blur()
  const template = page.waitForEvent('download')
  await page.getByRole('link', { name: 'A4' }).click()
  expect((await template).suggestedFilename()).toBe('template-07-hoist-housing.pdf')
  await page.getByRole('link', { name: 'Pull sheet' }).click()
  await expect(page.getByRole('heading', { name: /runs, .* to cut; .* holes to drill/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /^8 mm plug and screw/ })).toContainText('6')
  const csv = page.waitForEvent('download')
  await page.getByRole('link', { name: 'CSV' }).last().click()
  expect((await csv).suggestedFilename()).toBe('kestrel-quay-boatyard-van-list.csv')
})
