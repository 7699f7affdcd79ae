import { expect, test, type APIRequestContext } from '@playwright/test'
import type { ChildProcess } from 'node:child_process'
import { createHash } from 'node:crypto'
import { cpSync, readFileSync } from 'node:fs'
import type { Job } from '../src/core/job'
import { grainy } from '../src/testing/grainy'
import { Line } from './line'
import { kill, start } from './ownServer'
import { logOf, notesAt, openAt, phone, scratch, taken } from './phone'
import { record } from './watch'

/** A phone that knows more than its server. */

const HERE = 'kestrel-quay'
const running: ChildProcess[] = []
test.afterEach(() => running.splice(0).forEach(kill))
const serve = async (folder: string, port: number, request: APIRequestContext) => {
  const server = await start(folder, port, request)
  running.push(server)
  return server
}
const load = async (folder: string, port: number, request: APIRequestContext) => {
  const server = await serve(folder, port, request)
  const data = readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8')
  const headers = { 'content-type': 'application/json' }
  expect((await request.post(`http://localhost:${port}/api/import`, { data, headers })).ok()).toBe(true)
  return server
}

test('a server that was restored from an older back-up is told again what it lacks; begun anew it is not', async ({
  request,
}) => {
  const [day, backUp] = [scratch(), scratch()]
  kill(await load(day, 3251, request))
  cpSync(day, backUp, { recursive: true })
  await serve(day, 3252, request)
  const line = await Line.to(3252)
  const profile = scratch()
  let { context, page } = await phone(profile)
  await openAt(page, `${line.base}${logOf(HERE)}`)
  await taken(page)
  await record(page, 'dead spot, restored')
  await record(page, 'dead spot, restored too')
  await expect.poll(() => notesAt(request, 'http://localhost:3252', HERE)).toHaveLength(2)
  await context.close()
  await serve(backUp, 3253, request)
  expect(await notesAt(request, 'http://localhost:3253', HERE)).toEqual([])
  line.mend(3253)
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${logOf(HERE)}`)
  await expect
    .poll(() => notesAt(request, 'http://localhost:3253', HERE))
    .toEqual(['dead spot, restored', 'dead spot, restored too'])
  await expect(page.getByText(/^Step 3 of/)).toBeVisible()
  await context.close()

  await load(scratch(), 3254, request)
  line.mend(3254)
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${logOf(HERE)}`)
  await expect
    .poll(() => line.passed.filter((one) => one === 'GET /api/jobs/kestrel-quay').length)
    .toBeGreaterThan(1)
  await expect(page.getByText(/^Step 1 of/)).toBeVisible()
  expect(await notesAt(request, 'http://localhost:3254', HERE)).toEqual([])
  await context.close()
  await line.end()
})

test('a server that lacks the job altogether is given it back by the phone, with its work and its photo', async ({
  request,
}) => {
  const made = await load(scratch(), 3255, request)
  const jobAt = async (port: number) =>
    ((await (await request.get(`http://localhost:${port}/api/jobs/${HERE}`)).json()) as { job: Job }).job
  const { photos, backgrounds } = await jobAt(3255)
  const pictures = photos.length + backgrounds.length
  const line = await Line.to(3255)
  const { context, page } = await phone(scratch())
  await openAt(page, `${line.base}${logOf(HERE)}`)
  await taken(page)
  const buffer = await grainy(300, 200, 40).jpeg().toBuffer()
  const sha256 = createHash('sha256').update(buffer).digest('hex')
  await page.getByTestId('photo-input').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer })
  await record(page, 'dead spot, put back')
  await expect.poll(() => notesAt(request, 'http://localhost:3255', HERE)).toHaveLength(1)
  const photoAt = async (port: number) =>
    (await request.get(`http://localhost:${port}/api/photos/${sha256}?size=original`)).status()
  await expect.poll(() => photoAt(3255)).toBe(200)
  kill(made)

  await serve(scratch(), 3256, request)
  line.mend(3256)
  await page.goto(`${line.base}${logOf(HERE)}`)
  await expect(page.getByText(/does not have Kestrel Quay.*this device does/)).toBeVisible()
  await page.getByRole('button', { name: 'Put it back' }).click()
  // The demo's own photos, and the drawing under its plan, were never on this phone.
  await expect(
    page.getByText(new RegExp(`is on the server again.* ${pictures} of its pictures are neither`)),
  ).toBeVisible()
  await page.getByRole('link', { name: 'Open it' }).click()
  await expect(page.getByText(/^Step 2 of|Kestrel Quay/).first()).toBeVisible()
  expect(await notesAt(request, 'http://localhost:3256', HERE)).toEqual(['dead spot, put back'])
  expect(await photoAt(3256)).toBe(200)
  const job = await jobAt(3256)
  expect(job.photos.map((photo) => photo.sha256)).toEqual([sha256])
  await openAt(page, `${line.base}${logOf(HERE)}`)
  await record(page, 'dead spot, and on')
  await expect
    .poll(() => notesAt(request, 'http://localhost:3256', HERE))
    .toEqual(['dead spot, put back', 'dead spot, and on'])
  await context.close()
  await line.end()
})
