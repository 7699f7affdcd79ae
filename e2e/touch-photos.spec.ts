import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { RECORD_VERSION, type Job } from '../src/core/job'
import { grainy } from '../src/testing/grainy'
import { ownBoatyard } from './ownServer'
import { accessible, awake } from './watch'

/** Photos on a phone: taken with a guide, drawn on, measured in, blurred; and steps left to a colleague. */

const STEP = 'seal/before-closing'
const stepAt = (jobId: string) => `/jobs/${jobId}/devices/device-03/log?step=${encodeURIComponent(STEP)}`
const jobOf = async (request: APIRequestContext, jobId: string): Promise<Job> =>
  ((await (await request.get(`/api/jobs/${jobId}`)).json()) as { job: Job }).job
const photoOf = async (request: APIRequestContext, jobId: string) =>
  (await jobOf(request, jobId)).photos.find(({ deviceId }) => deviceId === 'device-03')

/** How much the pixels of a part of a picture differ from one to the next. */
async function grainOf(picture: Buffer, left: number): Promise<number> {
  const part = sharp(picture).extract({ left, top: 100, width: 100, height: 100 }).greyscale()
  const { data, info } = await part.raw().toBuffer({ resolveWithObject: true })
  const steps = [...data].slice(1).map((value, i) => Math.abs(value - data[i]!))
  return steps.reduce((sum, step) => sum + step, 0) / (info.width * info.height)
}

const tool = (page: Page, name: string) =>
  page.getByRole('toolbar', { name: 'Draw on the photo' }).getByRole('button', { name, exact: true })

/** Draws from one place of the picture to another, in shares of its width and height. */
async function draw(page: Page, from: readonly [number, number], to: readonly [number, number]) {
  const { x, y, width, height } = (await page.getByTestId('photo-stage').locator('canvas').boundingBox())!
  const at = ([u, v]: readonly [number, number]) => [x + u * width, y + v * height] as const
  await page.mouse.move(...at(from))
  await page.mouse.down()
  await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]))
  await page.mouse.move(...at(to))
  await page.mouse.up()
}

test('a photo is drawn on and measured in, over the picture as it was; a face is blurred for good', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  await page.goto(stepAt(jobId))
  await awake(page)
  // Grain as fine as a face's.
  const picture = await grainy(600, 400, 50).jpeg({ quality: 95 }).toBuffer()
  await page
    .getByTestId('photo-input')
    .setInputFiles({ name: 'gasket.jpg', mimeType: 'image/jpeg', buffer: picture })
  await page.getByRole('button', { name: /^Open photo/ }).click()
  await expect(page.getByTestId('photo-stage').locator('canvas')).toBeVisible()
  await tool(page, 'Known length').click()
  await accessible(page)
  await page.getByLabel('It is').selectOption({ label: 'A4 sheet, short edge (210 mm)' })
  await draw(page, [0.1, 0.9], [0.6, 0.9])
  await tool(page, 'Measure').click()
  // A slip of the finger is no length.
  await draw(page, [0.3, 0.3], [0.305, 0.3])
  await draw(page, [0.1, 0.2], [0.35, 0.2])
  await tool(page, 'Words').click()
  await page.getByLabel('Words', { exact: true }).fill('hair on it')
  await page.reload()
  await awake(page)
  await page.getByRole('button', { name: /^Open photo/ }).click()
  await tool(page, 'Words').click()
  await expect(page.getByLabel('Words', { exact: true })).toHaveValue('hair on it')
  await page.getByRole('button', { name: 'Put them there' }).click()
  await tool(page, 'Words').click()
  // Half as long as the sheet.
  const measured = page.getByText(/^Measured: 10[45](\.\d)? mm ± \d/)
  await expect(measured).toBeVisible()
  await tool(page, 'Ring').click()
  await draw(page, [0.5, 0.5], [0.8, 0.8])
  const kinds = async () => (await photoOf(request, jobId))?.marks.map(({ kind }) => kind)
  await expect.poll(kinds).toEqual(['known', 'length', 'words', 'ring'])
  await tool(page, 'Take back').click()
  await expect.poll(kinds).toEqual(['known', 'length', 'words'])

  await page.reload()
  await awake(page)
  await page.getByRole('button', { name: /^Open photo.*3 marks on it$/ }).click()
  await expect(measured).toBeVisible()
  const before = (await photoOf(request, jobId))!
  const original = await (await request.get(`/api/photos/${before.sha256}?size=original`)).body()
  expect(original.equals(picture)).toBe(true)

  await tool(page, 'Blur').click()
  await draw(page, [0.1, 0.2], [0.5, 0.6])
  await page.getByRole('button', { name: 'Blur for good' }).click()
  await expect(page.getByTestId('photo-stage')).toBeHidden()
  await expect.poll(async () => (await photoOf(request, jobId))?.id).not.toBe(before.id)
  await expect.poll(kinds).toEqual(['known', 'length', 'words'])
  const after = (await photoOf(request, jobId))!
  const blurred = await (await request.get(`/api/photos/${after.sha256}?size=original`)).body()
  expect(await grainOf(blurred, 120)).toBeLessThan(0.2 * (await grainOf(original, 120)))
  expect(await grainOf(blurred, 450)).toBeGreaterThan(0.7 * (await grainOf(original, 450)))
  await page.goto(`/jobs/${jobId}/record/device-03`)
  await expect(page.getByText('hair on it')).toBeVisible()
})

test('the guide says what a photo must show and takes it; photos are kept as small as one wants', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  await page.addInitScript(() => {
    const canvas = Object.assign(document.createElement('canvas'), { width: 1920, height: 1080 })
    const on = canvas.getContext('2d')!
    setInterval(() => {
      on.fillStyle = '#357'
      on.fillRect(0, 0, 1920, 1080)
    }, 50)
    Object.defineProperty(navigator.mediaDevices, 'getUserMedia', {
      value: () => Promise.resolve(canvas.captureStream(20)),
    })
    // A camera that fails once, and then takes a picture larger than what its finder shows.
    let asked = 0
    class Camera {
      takePhoto(): Promise<Blob> {
        if (asked++ === 0) return Promise.reject(new Error('busy'))
        const picture = Object.assign(document.createElement('canvas'), { width: 3000, height: 1500 })
        picture.getContext('2d')!.fillRect(0, 0, 9, 9)
        return new Promise((resolve) => picture.toBlob((blob) => resolve(blob!), 'image/jpeg'))
      }
    }
    Object.defineProperty(window, 'ImageCapture', { value: Camera })
  })
  await page.goto(stepAt(jobId))
  await awake(page)
  await page.getByRole('button', { name: /^Working as/ }).click()
  await page.getByRole('radio', { name: 'At most 1600 px' }).click()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'With a guide' }).click()
  await expect(page.getByRole('heading', { name: /^Show the gasket all round/ })).toBeVisible()
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('button', { name: 'Done, 1 taken' })).toBeVisible()
  await page.getByRole('button', { name: 'Take it' }).click()
  await page.getByRole('button', { name: 'Done, 2 taken' }).click()
  await expect(page.getByText('✓ 2 taken')).toBeVisible()
  const taken = async () =>
    (await jobOf(request, jobId)).photos.filter(
      ({ deviceId, stepId }) => deviceId === 'device-03' && stepId === STEP,
    )
  await expect.poll(async () => (await taken()).length).toBe(2)
  const sizes = (await taken()).map(async ({ sha256 }) => {
    const kept = await request.get(`/api/photos/${sha256}?size=original`)
    const { width, height } = await sharp(await kept.body()).metadata()
    return [width, height]
  })
  expect(await Promise.all(sizes)).toEqual([
    [1600, 900],
    [1600, 800],
  ])
})

test('what two people drew on one photo without knowing of each other is put together', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  const { revision, job } = (await (await request.get(`/api/jobs/${jobId}`)).json()) as {
    revision: number
    job: Job
  }
  const photoId = job.photos[0]!.id
  const draws = (by: string, x: number) => ({
    id: randomUUID(),
    jobId,
    at: new Date().toISOString(),
    by,
    madeOn: by,
    version: RECORD_VERSION,
    base: revision,
    type: 'markPhoto',
    photoId,
    marks: [{ kind: 'ring', from: { x, y: 0.1 }, to: { x: x + 0.1, y: 0.2 } }],
  })
  for (const said of [draws('Ana', 0.1), draws('Ben', 0.5)])
    expect((await request.post('/api/commands', { data: { commands: [said] } })).status()).toBe(200)
  await page.goto(`/jobs/${jobId}/settings`)
  await awake(page)
  const told = page.getByText(/Two people changed what is drawn on a photo/)
  await expect(told).toBeVisible()
  await page.getByRole('button', { name: 'Use both' }).click()
  await expect(told).toBeHidden()
  const drawn = async () => {
    const now = (await jobOf(request, jobId)).photos.find(({ id }) => id === photoId)
    return now!.marks.map((mark) => mark.kind === 'ring' && mark.from.x)
  }
  await expect.poll(drawn).toEqual([0.5, 0.1])
})

test('a step is left to a colleague: it is theirs, what waits for it too, until it is recorded', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  const log = `/jobs/${jobId}/devices/device-03/log`
  await page.goto(log)
  await awake(page)
  await expect(page.getByText(/^Step 1 of/)).toBeVisible()
  await page.getByRole('button', { name: 'Leave it to a colleague' }).click()
  await page.getByRole('button', { name: 'Leave it to them' }).click()
  await expect(page.getByText('Say to whom.')).toBeVisible()
  await page.getByLabel('To whom').fill('Installer 3')
  await page.getByLabel('What they should know').fill('the box is in the van')
  await page.reload()
  await awake(page)
  await page.getByRole('button', { name: 'Leave it to a colleague' }).click()
  await expect(page.getByLabel('To whom')).toHaveValue('Installer 3')
  await page.getByRole('button', { name: 'Leave it to them' }).click()
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await page.goto(`/jobs/${jobId}/round`)
  await awake(page)
  const left = page.getByRole('link', { name: /^03 Unpack.*the box is in the van.*\d+ steps wait for it/ })
  await expect(page.locator('section', { hasText: 'Left to others' }).locator(left)).toBeVisible()

  await page.evaluate(() => localStorage.setItem('neat-bracket-author', 'Installer 3'))
  await page.reload()
  await awake(page)
  await page.locator('section', { hasText: 'Left to you' }).locator(left).click()
  await expect(page.getByText('Left to you')).toBeVisible()
  await page.getByRole('button', { name: 'Record, next step' }).click()
  await expect
    .poll(async () => (await jobOf(request, jobId)).handed.map(({ deviceId }) => deviceId))
    .toEqual(['device-02'])
})
