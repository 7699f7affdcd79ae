import { chromium, type Page } from '@playwright/test'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { CATALOGUE } from '@/catalogue'
import { assess, jobRound } from '@/core/assess'
import { largeJob } from './large'
import { post, served } from './server'

const PORT = 3294
/** A phone is about so much slower than this machine. */
const SLOWER = 4
const STEP = '/jobs/kestrel-quay/devices/device-03/log'

/** From a cold browser to the open step, to be read and until it answers, ms; as slow as on a phone. */
async function opened(profile: string, base: string): Promise<{ readMs: number; ms: number; bytes: number }> {
  const context = await chromium.launchPersistentContext(profile, {
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-dev-shm-usage'],
    viewport: { width: 390, height: 844 },
  })
  try {
    const page = context.pages()[0]!
    const session = await context.newCDPSession(page)
    let bytes = 0
    await session.send('Network.enable')
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
    const start = performance.now()
    await page.goto(`${base}${STEP}`, { waitUntil: 'commit' })
    await page
      .getByText(/^Step \d+ of/)
      .first()
      .waitFor()
    const readMs = performance.now() - start
    await page.waitForFunction(
      () => window.neatBracketTap?.done && document.getElementById('last-seen') === null,
    )
    await page.getByText(/^Step \d+ of/).waitFor()
    const ms = performance.now() - start
    await kept(page)
    return { readMs, ms, bytes }
  } finally {
    await context.close()
  }
}

/** The application and the job are on the device. */
const kept = (page: Page) =>
  page
    .evaluate(() =>
      navigator.serviceWorker.ready.then(() => new Promise((resolve) => setTimeout(resolve, 3000))),
    )
    .catch(() => undefined)

/** A cold phone with and without a server, and the round of a large job. */
export async function offline(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-offline-'))
  const profile = join(folder, 'profile')
  const server = await served(folder, PORT)
  let stopped = false
  try {
    await post(`${server.base}/api/import`, readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
    const first = await opened(profile, server.base)
    const online = await opened(profile, server.base)
    server.stop()
    stopped = true
    const without = await opened(profile, server.base)
    console.log(`\nA cold phone to the open step, processor ${SLOWER} times slower`)
    console.log(`  first visit ${first.ms.toFixed(0)} ms, ${(first.bytes / 1e6).toFixed(2)} MB for the page`)
    console.log(
      `  with a server ${online.ms.toFixed(0)} ms, without ${without.readMs.toFixed(0)} ms to be read ` +
        `(aim 1,500 ms), ${without.ms.toFixed(0)} ms until it answers`,
    )
    console.log(`  without : with   1 : ${(online.ms / without.ms).toFixed(2)}`)
  } finally {
    if (!stopped) server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
  const job = largeJob()
  const assessment = assess(job, CATALOGUE)
  const start = performance.now()
  const { visits, steps } = jobRound(job, assessment)
  const ms = performance.now() - start
  console.log(
    `  round of ${job.devices.length} devices, ${steps} steps in ${visits.length} visits: ${ms.toFixed(0)} ms`,
  )
}
