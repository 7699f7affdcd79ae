import { expect, test, type Page } from '@playwright/test'
import { createHash, randomUUID } from 'node:crypto'
import type { Job } from '../src/core/job'
import { grainy } from '../src/testing/grainy'
import { fill, killed, notesAt, openAt, phone, scratch, takenPhone } from './phone'
import { awake, record } from './watch'

/** A phone whose browser is closed and opened again, where nobody answers. */

test('a phone that was closed opens again where nobody answers, and its work arrives once', async ({
  request,
  baseURL,
}) => {
  const on = await takenPhone(request, baseURL)
  const { jobId, log, line, profile } = on
  let { context, page } = on
  line.cut()
  await record(page, 'dead spot 1')
  await killed(context, profile)
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
  const on = await takenPhone(request, baseURL)
  const { jobId, log, line, profile } = on
  let { context, page } = on
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
  const on = await takenPhone(request, baseURL)
  const { jobId, log, line, profile } = on
  let { context, page } = on
  const seen = (page: Page) =>
    page.evaluate(async () => {
      const cache = await caches.open('neat-bracket-seen')
      return (await cache.keys()).map(({ url }) => new URL(url).pathname.replace(/.*[/]jobs[/][^/]+/, ''))
    })
  const [first, second] = ['/devices/device-03/log', '/devices/device-01/log']
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
  const { jobId, log, line, context, page } = await takenPhone(request, baseURL)
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

test('a phone that is full says so, and never shows as kept what is not', async ({ request, baseURL }) => {
  const { jobId, log, line, context, page } = await takenPhone(request, baseURL)
  await fill(page, 'add', 'waiting')
  await openAt(page, `${line.base}${log}`)
  const title = (await page.locator('h1').first().textContent())!
  await page.getByLabel('Note').fill('dead spot, must not be lost')
  await page.getByRole('button', { name: 'Record, next step' }).click()
  await expect(page.getByText(/its storage is full/)).toBeVisible()
  await expect(page.getByText('This device is full.')).toBeVisible()
  await expect(page.locator('h1').first()).toHaveText(title)
  await expect(page.getByLabel('Note')).toHaveValue('dead spot, must not be lost')
  expect(await notesAt(request, baseURL!, jobId)).toEqual([])
  await context.close()
  await line.end()
})

test('photos are taken along, and what could not be kept is told', async ({ request, baseURL }) => {
  const { jobId, line, context, page } = await takenPhone(request, baseURL)
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
  await fill(other, 'put', 'bodies')
  await openAt(other, `${line.base}/jobs/${jobId}/settings`)
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
  const { jobId, line, context, page } = await takenPhone(request, baseURL)
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
