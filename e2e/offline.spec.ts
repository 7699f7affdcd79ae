import {
  chromium,
  devices,
  expect,
  test,
  type APIRequestContext,
  type BrowserContext,
  type Page,
} from '@playwright/test'
import type { ChildProcess } from 'node:child_process'
import { createHash, randomUUID } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Job } from '../src/core/job'
import { grainy } from '../src/testing/grainy'
import { Line } from './line'
import { kill, ownBoatyard, start } from './ownServer'
import { awake, record } from './watch'

/** A phone with the real service worker: the browser is closed and opened again, and nobody answers. */

const logOf = (jobId: string) => `/jobs/${jobId}/devices/device-03/log`
const scratch = () => mkdtempSync(join(tmpdir(), 'neat-bracket-offline-'))

/** A phone that keeps what it has when it is closed. */
async function phone(folder: string): Promise<{ context: BrowserContext; page: Page }> {
  const { launchOptions } = test.info().project.use
  const { defaultBrowserType: _, ...pixel } = devices['Pixel 7']
  const context = await chromium.launchPersistentContext(folder, {
    ...launchOptions,
    ...pixel,
    viewport: { width: 390, height: 844 },
    locale: 'en-GB',
    serviceWorkers: 'allow',
  })
  return { context, page: context.pages()[0] ?? (await context.newPage()) }
}

/** Opens an address, and waits until the application answers there. */
async function openAt(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await awake(page)
}

/** A job of this test alone, and the line to the server that has it. */
async function boatyard(request: APIRequestContext, baseURL: string | undefined) {
  const jobId = await ownBoatyard(request)
  return { jobId, log: logOf(jobId), line: await Line.to(Number(new URL(baseURL!).port)) }
}

/** The application and this job are on the phone. */
async function taken(page: Page): Promise<void> {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await page.waitForFunction(async () => {
    if (!navigator.serviceWorker.controller) return false
    const found = (await indexedDB.databases()).some(({ name }) => name === 'neat-bracket-copies')
    if (!found) return false
    return new Promise<boolean>((resolve) => {
      const opening = indexedDB.open('neat-bracket-copies')
      opening.onsuccess = () => {
        const asked = opening.result.transaction('jobs').objectStore('jobs').count()
        asked.onsuccess = () => (opening.result.close(), resolve(asked.result > 0))
      }
    })
  })
}

interface Said {
  readonly command: { readonly type: string; readonly outcome?: { readonly note: string } }
}
/** Notes of recorded steps as the server has them, each as often as it has it. */
async function notesAt(request: APIRequestContext, base: string, jobId: string): Promise<string[]> {
  const { entries } = (await (await request.get(`${base}/api/jobs/${jobId}/history?limit=5000`)).json()) as {
    entries: Said[]
  }
  return entries.flatMap(({ command: { outcome } }) =>
    outcome?.note.startsWith('dead spot') ? [outcome.note] : [],
  )
}

test('a phone that was closed opens again where nobody answers, and its work arrives once', async ({
  request,
  baseURL,
}) => {
  const { jobId, log, line } = await boatyard(request, baseURL)
  const profile = scratch()
  let { context, page } = await phone(profile)
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  line.cut()
  await record(page, 'dead spot 1')
  await context.close()
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${log}`)
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await expect(page.getByText('no signal, 1 kept')).toBeVisible()
  await record(page, 'dead spot 2')
  await page.getByRole('navigation', { name: 'Job' }).getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByText(/areas of interest are met/)).toBeVisible({ timeout: 30_000 })
  await page.reload()
  await expect(page.getByText(/areas of interest are met/)).toBeVisible({ timeout: 30_000 })
  await page.getByRole('link', { name: 'Neat Bracket: all jobs' }).click()
  await expect(page.getByText(/No signal\. These jobs are here/)).toBeVisible()
  await expect(page.getByRole('link', { name: /Kestrel Quay.*2 to be sent/ })).toBeVisible()
  await openAt(page, `${line.base}/jobs/tamarisk-surgery/plan`)
  await expect(page.getByText(/this page is not on this device/)).toBeVisible()
  await page.getByRole('link', { name: /^Kestrel Quay/ }).click()
  await page.getByRole('link', { name: /^03 / }).first().click()
  await expect(page).toHaveURL(/device-03/)
  await context.close()

  line.mend()
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${log}`)
  await expect(page.getByText(/^Step 3 of/)).toBeVisible()
  await expect
    .poll(() => notesAt(request, baseURL!, jobId), { timeout: 30_000 })
    .toEqual(['dead spot 1', 'dead spot 2'])
  await expect(page.getByText(/^sending|\d kept$/)).toBeHidden() // the phone has heard that they arrived
  await context.close()

  // What has arrived is known to the phone too, also before it heard of it again.
  line.cut()
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${log}`)
  await expect(page.getByText(/^Step 3 of/)).toBeVisible()
  await expect(page.getByText('no signal', { exact: true })).toBeVisible()
  await context.close()
  await line.end()
})

test('of two tabs’ work what is refused in the middle holds up nobody, and stays to be looked at', async ({
  request,
  baseURL,
}) => {
  const { jobId, log, line } = await boatyard(request, baseURL)
  const profile = scratch()
  let { context, page } = await phone(profile)
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  const other = await context.newPage()
  await openAt(other, `${line.base}${log.replace('device-03', 'device-05')}`)
  line.cut()
  await record(page, 'dead spot 1')
  await record(other, 'dead spot, refused')
  await record(page, 'dead spot 2')
  await expect(page.getByText('no signal, 3 kept')).toBeVisible()
  await context.close()
  const removal = { type: 'removeDevice', deviceId: 'device-05' }
  const said = { id: randomUUID(), jobId, at: new Date().toISOString(), by: 'Lead', ...removal }
  expect((await request.post('/api/commands', { data: { commands: [said] } })).status()).toBe(200)

  line.mend()
  const sent = ['dead spot 1', 'dead spot 2']
  for (const visit of ['first', 'second']) {
    ;({ context, page } = await phone(profile))
    await openAt(page, `${line.base}${log}`)
    await expect(page.getByText(/^Step 3 of/)).toBeVisible()
    await expect(page.getByText(/^Not taken over:/), visit).toHaveCount(1)
    await expect.poll(() => notesAt(request, baseURL!, jobId)).toEqual(sent)
    if (visit === 'first') await context.close()
  }
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText(/^sending|\d kept$/)).toBeHidden()
  await expect(page.getByText(/^Not taken over:/)).toBeVisible()
  await page.getByRole('button', { name: 'Drop it' }).click()
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText(/^Not taken over:/)).toBeHidden()
  expect(await notesAt(request, baseURL!, jobId)).toEqual(sent)
  await context.close()
  await line.end()
})

/** Presses "Look ahead" on a screen as it was last seen, as soon as that is shown. */
const PRESSES_AT_ONCE = `new MutationObserver((_, watch) => {
  const shown = document.getElementById('last-seen')
  const button = shown?.querySelector('[aria-label="Look ahead"]')
  if (!button || !window.neatBracketSeen) return
  watch.disconnect()
  button.click()
  window.told = [/Step 1 of/.exec(shown.textContent)[0], shown.lastElementChild.textContent]
}).observe(document, { childList: true, subtree: true })`

test('a cold phone shows at once what was last seen; what is pressed there is done, what changed is gone', async ({
  request,
  baseURL,
}) => {
  const { jobId, log, line } = await boatyard(request, baseURL)
  const profile = scratch()
  const seen = (page: Page) =>
    page.evaluate(async () => {
      const cache = await caches.open('neat-bracket-seen')
      return (await cache.keys()).map(({ url }) => new URL(url).pathname.replace(/.*[/]jobs[/][^/]+/, ''))
    })
  const [first, second] = ['/devices/device-03/log', '/devices/device-01/log']
  let { context, page } = await phone(profile)
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  await page.reload() // now the service worker brings it
  await expect.poll(() => seen(page)).toEqual([first])
  line.cut()
  await openAt(page, `${line.base}/jobs/${jobId}${second}`)
  await expect.poll(() => seen(page)).toEqual([first, second])
  await context.close()
  ;({ context, page } = await phone(profile))
  await page.addInitScript(PRESSES_AT_ONCE)
  await openAt(page, `${line.base}${log}`)
  expect(await page.evaluate('window.told')).toEqual(['Step 1 of', 'Opening… then it is done.'])
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await page.getByRole('button', { name: 'Step back' }).click()
  await expect(page.getByText(/^Step 1 of/)).toBeVisible()
  await record(page, 'dead spot')
  await expect.poll(() => seen(page)).toEqual([first])
  await context.close()
  ;({ context, page } = await phone(profile))
  await openAt(page, `${line.base}${log}`)
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await context.close()
  await line.end()
})

test('an update waits until everything is sent, and takes nothing away', async ({ request, baseURL }) => {
  const { jobId, log, line } = await boatyard(request, baseURL)
  const profile = scratch()
  const { context, page } = await phone(profile)
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  await expect(page.getByText(/A newer version/)).toBeHidden()
  line.update('a later day')
  await page.reload()
  const start = page.getByRole('button', { name: 'Start it' })
  await expect(page.getByText('A newer version is here. Everything entered is sent.')).toBeVisible()
  await expect(start).toBeEnabled()
  line.cut()
  await record(page, 'dead spot, with an update')
  await expect(page.getByText(/It starts once what waits is sent: 1 entry/)).toBeVisible()
  await expect(start).toBeDisabled()
  line.mend()
  await expect(start).toBeEnabled({ timeout: 30_000 })
  expect((await notesAt(request, baseURL!, jobId)).filter((note) => note.includes('update'))).toHaveLength(1)

  // The tab that asks starts again by itself; another, just opened, may be in the middle of something.
  const other = await context.newPage()
  await openAt(other, `${line.base}${log}`)
  await awake(other)
  await start.click()
  await expect(other.getByText('A newer version is at work already.')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await other.close()
  const waits = () =>
    page.evaluate(async () => {
      const { active, waiting } = (await navigator.serviceWorker.getRegistration()) ?? {}
      return [active?.state, waiting?.state]
    })
  await expect.poll(waits).toEqual(['activated', undefined])
  await expect(page.getByText(/A newer version/)).toBeHidden()
  line.cut()
  await page.reload()
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
  await context.close()
  await line.end()
})

test('photos are taken along, and what could not be kept is told', async ({ request, baseURL }) => {
  const { jobId, log, line } = await boatyard(request, baseURL)
  const { context, page } = await phone(scratch())
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  await openAt(page, `${line.base}/jobs/${jobId}/settings`)
  const here = page.locator('section', { hasText: 'On this device' })
  await expect(here.getByText('This job opens here without signal', { exact: false })).toBeVisible()
  line.cut()
  await here.getByRole('button', { name: 'Take the photos along' }).click()
  await expect(here.getByText(/could not be kept here\. Try again where there is signal/)).toBeVisible()
  line.mend()
  await here.getByRole('button', { name: 'Take the photos along' }).click()
  await expect(here.getByText('All its photos and drawings are here.')).toBeVisible({ timeout: 60_000 })
  line.cut()
  await openAt(page, `${line.base}/jobs/${jobId}/record/device-01`)
  await expect(page.locator('h1').first()).toBeVisible()
  const pictures = page.locator('img')
  await expect.poll(() => pictures.count()).toBeGreaterThan(0)
  await expect
    .poll(() => pictures.evaluateAll((all) => all.every((one) => (one as HTMLImageElement).naturalWidth > 0)))
    .toBe(true)
  await context.close()

  line.mend()
  const { context: full, page: other } = await phone(scratch())
  await other.addInitScript(() => {
    type Put = (this: IDBObjectStore, ...words: unknown[]) => IDBRequest
    const put = Reflect.get(IDBObjectStore.prototype, 'put') as Put
    const refusing: Put = function (...words) {
      if (this.name === 'bodies') throw new DOMException('full', 'QuotaExceededError')
      return put.apply(this, words)
    }
    Reflect.set(IDBObjectStore.prototype, 'put', refusing)
  })
  await openAt(other, `${line.base}/jobs/${jobId}/settings`)
  await awake(other)
  await other.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await other.waitForFunction(() => navigator.serviceWorker.controller !== null)
  await other.reload()
  await expect(other.getByText('This job could not be kept here', { exact: false })).toBeVisible()
  await full.close()
  await line.end()
})

test('photos of a day go over a line that breaks again and again; they can be kept back', async ({
  request,
  baseURL,
}) => {
  test.slow()
  const { jobId, log, line } = await boatyard(request, baseURL)
  const { context, page } = await phone(scratch())
  await openAt(page, `${line.base}${log}`)
  await taken(page)
  await page.reload()
  await awake(page)
  const noise = (sigma: number) => grainy(700, 600, sigma).png().toBuffer()
  const photos = await Promise.all([50, 51, 52, 53].map(noise))
  const total = photos.reduce((sum, { length }) => sum + length, 0)
  line.breakEvery(Math.round(total / 7))
  await page
    .getByTestId('photo-input')
    .setInputFiles(photos.map((buffer, i) => ({ name: `${i}.png`, mimeType: 'image/png', buffer })))
  await page.getByRole('button', { name: 'Keep photos back' }).click()
  await expect(page.getByText(/photos are kept back on this device/)).toBeVisible()
  await record(page, 'dead spot of photos')
  await expect.poll(() => notesAt(request, baseURL!, jobId)).toEqual(['dead spot of photos'])
  const early = line.upBytes
  expect(early).toBeLessThan(total)
  await page.getByRole('button', { name: 'Send the photos' }).click()
  const kept = async () => {
    const { job } = (await (await request.get(`/api/jobs/${jobId}`)).json()) as { job: Job }
    return job.photos.filter(({ deviceId }) => deviceId === 'device-03').map(({ sha256 }) => sha256)
  }
  await expect.poll(kept, { timeout: 90_000 }).toHaveLength(4)
  const names = photos.map((bytes) => createHash('sha256').update(bytes).digest('hex'))
  expect([...(await kept())].sort()).toEqual(names.sort())
  // Every break cost at most the piece that was on its way.
  expect(line.upBytes).toBeLessThan(total + 10 * 300_000)
  await expect(page.getByText(/photos are/)).toBeHidden()
  await context.close()
  await line.end()
})

test.describe('a server of its own', () => {
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

  test('restored from an older back-up is told again what it lacks; begun anew it is not', async ({
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

  test('that lacks the job altogether is given it back by the phone, with its work and its photo', async ({
    request,
  }) => {
    const made = await load(scratch(), 3255, request)
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
    // The demo's own photos were never on this phone.
    await expect(page.getByText(/is on the server again.*32 of its pictures are neither/)).toBeVisible()
    await page.getByRole('link', { name: 'Open it' }).click()
    await expect(page.getByText(/^Step 2 of|Kestrel Quay/).first()).toBeVisible()
    expect(await notesAt(request, 'http://localhost:3256', HERE)).toEqual(['dead spot, put back'])
    expect(await photoAt(3256)).toBe(200)
    const { job } = (await (await request.get(`http://localhost:3256/api/jobs/${HERE}`)).json()) as {
      job: Job
    }
    expect(job.photos.map((photo) => photo.sha256)).toEqual([sha256])
    await openAt(page, `${line.base}${logOf(HERE)}`)
    await record(page, 'dead spot, and on')
    await expect
      .poll(() => notesAt(request, 'http://localhost:3256', HERE))
      .toEqual(['dead spot, put back', 'dead spot, and on'])
    await context.close()
    await line.end()
  })
})
