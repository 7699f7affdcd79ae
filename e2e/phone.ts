import {
  chromium,
  devices,
  test,
  type APIRequestContext,
  type BrowserContext,
  type Page,
} from '@playwright/test'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Line } from './line'
import { ownBoatyard } from './ownServer'
import { awake } from './watch'

/** A phone with the real service worker, which keeps what it has when its browser is closed. */

export const logOf = (jobId: string) => `/jobs/${jobId}/devices/device-03/log`
export const scratch = () => mkdtempSync(join(tmpdir(), 'neat-bracket-offline-'))

/** A phone that keeps what it has when it is closed. */
export async function phone(folder: string): Promise<{ context: BrowserContext; page: Page }> {
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
export async function openAt(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await awake(page)
}

/** A job of this test alone, and the line to the server that has it. */
async function boatyard(request: APIRequestContext, baseURL: string | undefined) {
  const jobId = await ownBoatyard(request)
  return { jobId, log: logOf(jobId), line: await Line.to(Number(new URL(baseURL!).port)) }
}

/** The application and this job are on the phone. */
export async function taken(page: Page): Promise<void> {
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
export async function notesAt(request: APIRequestContext, base: string, jobId: string): Promise<string[]> {
  const { entries } = (await (await request.get(`${base}/api/jobs/${jobId}/history?limit=5000`)).json()) as {
    entries: Said[]
  }
  return entries.flatMap(({ command: { outcome } }) =>
    outcome?.note.startsWith('dead spot') ? [outcome.note] : [],
  )
}

/** A phone that has the application and a job of its own on it, open at the first step of a device. */
export async function takenPhone(request: APIRequestContext, baseURL: string | undefined) {
  const at = await boatyard(request, baseURL)
  const profile = scratch()
  const { context, page } = await phone(profile)
  await openAt(page, `${at.line.base}${at.log}`)
  await taken(page)
  return { ...at, profile, context, page }
}

/** From the next page on, nothing more goes into a store of this device: it is full. */
export const fill = (page: Page, method: 'add' | 'put', store: string): Promise<unknown> =>
  page.addInitScript(
    ([method, store]) => {
      type Write = (this: IDBObjectStore, ...words: unknown[]) => IDBRequest
      const write = Reflect.get(IDBObjectStore.prototype, method) as Write
      const full: Write = function (...words) {
        if (this.name === store) throw new DOMException('full', 'QuotaExceededError')
        return write.apply(this, words)
      }
      Reflect.set(IDBObjectStore.prototype, method, full)
    },
    [method, store] as const,
  )

/** The browser of a phone ends in the middle, as when its battery does. */
export async function killed(context: BrowserContext, profile: string): Promise<void> {
  const over = new Promise((resolve) => context.once('close', resolve))
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(profile)) process.kill(Number(pid), 'SIGKILL')
    } catch {
      // It has ended meanwhile.
    }
  }
  await over
}
