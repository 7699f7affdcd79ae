import { chromium, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { largeJob } from './large'
import { imported, post, served } from './server'

/**
 * The whole house on a job of 1,000 devices with 30,000 recorded steps: server, page and browser, and many
 * people at once on 100 devices.
 */

const PORT = 3292
const BASE = `http://localhost:${PORT}`

const timed = async <T>(work: () => Promise<T>): Promise<[T, number]> => {
  const start = performance.now()
  const result = await work()
  return [result, performance.now() - start]
}
const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!
const line = (what: string, ms: number, aim: string) =>
  console.log(`  ${what.padEnd(64)} ${ms.toFixed(ms < 20 ? 1 : 0).padStart(7)} ms   aim ${aim}`)

const envelope = (jobId: string) => ({
  id: randomUUID(),
  jobId,
  at: '2026-03-02T09:30:00.000Z',
  by: 'Lead',
})

const send = (commands: readonly unknown[]) => post(`${BASE}/api/commands`, JSON.stringify({ commands }))

/** One command after the other on the large job; the 95th of a hundred. */
async function oneCommand(jobId: string, deviceId: string): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 100; i++) {
    const change = { type: 'editDevice', deviceId, change: { name: `Gate ${i}` } }
    const [, ms] = await timed(() => send([{ ...envelope(jobId), ...change }]))
    times.push(ms)
  }
  return at(
    times.sort((a, b) => a - b),
    0.95,
  )
}

/** Fifty people, each saying forty things on a hundred devices as fast as they are answered. */
async function many(devices: number, clients: number, each: number): Promise<[number, number, number]> {
  const job = largeJob(devices, 10)
  const jobId = await imported(BASE, job)
  const times: number[] = []
  const said = new Set<string>()
  const began = performance.now()
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      for (let n = 0; n < each; n++) {
        const { id: deviceId } = job.devices[(client * 7 + n * 13) % devices]!
        const changes = [
          { type: 'editDevice', deviceId, change: { name: `C${client} ${n}` } },
          { type: 'editDetails', deviceId, change: { serial: `S${client}-${n}` } },
          { type: 'setPlan', deviceId, plan: { sight: { targetDistanceM: 5 + (n % 5) } } },
        ]
        const command = { ...envelope(jobId), ...changes[n % 3] }
        said.add(command.id)
        const [, ms] = await timed(() => send([command]))
        times.push(ms)
      }
    }),
  )
  const perSecond = (clients * each * 1000) / (performance.now() - began)
  const kept = (await (await fetch(`${BASE}/api/jobs/${jobId}/commands?since=1`)).json()) as {
    commands: { id: string }[]
  }
  const lost = [...said].filter((id) => !kept.commands.some((one) => one.id === id)).length
  const p95 = at(
    times.sort((a, b) => a - b),
    0.95,
  )
  return [p95, lost, perSecond]
}

/** Until the first rows of the board stand there with their marks, and until all devices are computed, ms. */
async function boardOpened(page: Page, jobId: string): Promise<readonly [usable: number, filled: number]> {
  const start = performance.now()
  await page.goto(`${BASE}/jobs/${jobId}`)
  await page.locator('tbody tr a').nth(40).waitFor()
  await page.evaluate(() => new Promise((shown) => requestAnimationFrame(() => shown(null))))
  const usable = performance.now() - start
  await page.getByText(/devices are computed/).waitFor({ state: 'detached' })
  return [usable, performance.now() - start]
}

export async function house(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-house-'))
  let server = await served(folder, PORT)
  try {
    console.log('\nThe house: 1,000 devices, 30,000 recorded steps, 480 devices on the plan')
    const job = largeJob()
    const [jobId, importMs] = await timed(() => imported(BASE, job))
    line('job file imported', importMs, '5 s')
    await fetch(BASE).then((answer) => answer.text())
    server.stop()
    server = await served(folder, PORT)
    line('list of jobs, server just started', (await timed(async () => (await fetch(BASE)).text()))[1], '300')
    line('list of jobs again', (await timed(async () => (await fetch(BASE)).text()))[1], '300')
    line('one command, 95th of a hundred', await oneCommand(jobId, job.devices[3]!.id), '15')
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
    try {
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
      for (const when of ['first time', 'scripts known']) {
        const [usable, filled] = await boardOpened(page, jobId)
        line(`board usable, ${when}`, usable, '1,500')
        line(`board filled, ${when}`, filled, '–')
      }
    } finally {
      await browser.close()
    }
    const [p95, lost, perSecond] = await many(100, 50, 40)
    line(`50 clients mixed on 100 devices, 95th (${lost} lost)`, p95, '500')
    console.log(`  ${perSecond.toFixed(0)} commands a second from 50 clients`)
  } finally {
    server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
