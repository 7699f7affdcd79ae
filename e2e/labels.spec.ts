import { chromium, devices, expect, test } from '@playwright/test'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { create } from 'qrcode'
import sharp from 'sharp'
import { awake } from './watch'

/** A camera that sees one label and nothing else: motion JPEG, played to the page. */
async function camera(words: string): Promise<string> {
  const { size, data } = create(words, { errorCorrectionLevel: 'M' }).modules
  const dark = Array.from(data, (one, i) =>
    one ? `<rect x="${(i % size) + 8}" y="${Math.floor(i / size) + 4}" width="1" height="1"/>` : '',
  )
  const [across, up] = [size + 16, size + 8]
  const label = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${across} ${up}" shape-rendering="crispEdges">
    <rect width="${across}" height="${up}" fill="#fff"/>${dark.join('')}</svg>`
  const frame = await sharp(Buffer.from(label), { density: 300 })
    .resize(640, 480, { fit: 'contain', background: '#999' })
    .jpeg({ quality: 90 })
    .toBuffer()
  const path = join(mkdtempSync(join(tmpdir(), 'neat-bracket-label-')), 'label.mjpeg')
  writeFileSync(path, Buffer.concat(Array.from({ length: 10 }, () => frame)))
  return path
}

const phone = async (seen: string) => {
  const { launchOptions } = test.info().project.use
  const browser = await chromium.launch({
    ...launchOptions,
    args: [
      ...(launchOptions?.args ?? []),
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-video-capture=${await camera(seen)}`,
    ],
  })
  const { defaultBrowserType: _, ...pixel } = devices['Pixel 7']
  const page = await browser.newPage({
    ...pixel,
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  })
  return { browser, page }
}

test('a label opens what it hangs on, whatever machine it was printed at', async ({ baseURL }) => {
  const { browser, page } = await phone('https://192.0.2.9:3443/jobs/kestrel-quay/devices/device-05/log')
  await page.goto(`${baseURL}/jobs/kestrel-quay`)
  await awake(page)
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await page.getByRole('button', { name: 'Read a label' }).click()
  await page.waitForURL(/kestrel-quay\/devices\/device-05\/log$/)
  await expect(page.getByText(/^Step \d+ of/)).toBeVisible()
  await browser.close()
})

test('a code that says nothing here is told and the camera looks on; typing is always there', async ({
  baseURL,
}) => {
  const { browser, page } = await phone('PALLET 4711')
  await page.goto(`${baseURL}/jobs/kestrel-quay`)
  await awake(page)
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await page.getByRole('button', { name: 'Read a label' }).click()
  await expect(page.getByText(/It says “PALLET 4711”: nothing here has that mark/)).toBeVisible()
  await page.getByRole('button', { name: 'Type it instead' }).click()
  await page.getByLabel('Find a device, a fault or a screen').fill('05')
  await page.getByRole('option').first().click()
  await page.waitForURL(/device-05/)
  await browser.close()
})

test('labels of everything with a mark print their codes; without a camera one is told to type', async ({
  page,
}) => {
  await page.goto('/jobs/kestrel-quay/pull-sheet')
  await awake(page)
  await page.getByRole('link', { name: 'Labels' }).click()
  await page.waitForURL(/labels$/)
  const told = await page.getByText(/^\d+ labels\./).textContent()
  await expect(page.getByRole('img', { name: /^Code of/ })).toHaveCount(parseInt(told!, 10))
  const pdf = page.waitForEvent('download')
  await page.getByRole('link', { name: /^PDF, \d+ sheet/ }).click()
  expect((await pdf).suggestedFilename()).toBe('kestrel-quay-boatyard-labels-things.pdf')
  await page.getByLabel('Labels for').selectOption({ label: 'Both ends of every cable, with port and tape' })
  await expect(page.getByText(/^goes to E\d Office switch, /).first()).toBeVisible()
  const first = page.getByLabel('First free label on the first sheet')
  await first.fill('22')
  await expect(page.getByText('At most 21.')).toBeVisible()
  await first.fill('21')
  await first.blur()
  const ends = page.waitForEvent('download')
  await page.getByRole('link', { name: /^PDF, \d+ sheets/ }).click()
  expect((await ends).suggestedFilename()).toBe('kestrel-quay-boatyard-labels-ends.pdf')
  await page.getByRole('button', { name: 'Find', exact: true }).click()
  await page.getByRole('button', { name: 'Read a label' }).click()
  await expect(page.getByText('No camera can be had here. Type the mark instead.')).toBeVisible()
})
