import Database from 'better-sqlite3'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Bench } from 'tinybench'
import { CATALOGUE } from '@/catalogue'
import { assess, assessAgain, assessDevice } from '@/core/assess'
import { factsOf, type Device, type Job } from '@/core/job'
import { house } from './house'
import { demo, largeJob } from './large'
import { offline } from './offline'
import { ordering } from './order'
import { photos } from './photos'
import { plan } from './plan'
import { reels } from './reels'
import { post, served } from './server'
import { surveying } from './survey'
import { ways } from './ways'

/**
 * Prints how long assessing takes and how it grows, and commands per second through the API beside raw
 * inserts.
 */
const planned = demo.devices.filter(({ power }) => power !== null)

/** A few kits many times over; where `differing`, no two devices alike: each has its own height and slack. */
function jobOf(count: number, { onPlan = false, differing = false } = {}): Job {
  const devices = Array.from({ length: count }, (_, i): Device => {
    const device = planned[i % planned.length]!
    const heightM = (device.sight?.heightM ?? 0) + (differing ? i / 10_000 : 0)
    const sight = device.sight && { ...device.sight, heightM, place: onPlan ? device.sight.place : null }
    return { ...device, sight, id: `device-${i}`, mark: String(i) }
  })
  return { ...demo, devices, records: [], photos: [], faults: [] }
}

/** As many runs as there may be beside the cameras' own, each a new one: what is known of one is not used. */
const runsOf = (count: number): Job['runs'] =>
  Array.from({ length: count }, (_, i) => ({
    ...demo.runs[i % demo.runs.length]!,
    id: `run-${i}`,
    mark: `R${i}`,
  }))

const median = (bench: Bench, name: string): number => {
  const { result } = bench.tasks.find((task) => task.name === name)!
  if (result.state !== 'completed') throw new Error(`${name} did not run.`)
  return result.latency.p50
}

async function assessing(): Promise<void> {
  const bench = new Bench({ time: 1500, warmupTime: 500 })
  const sizes = [10, 100, 500]
  for (const size of sizes) {
    const job = jobOf(size)
    bench.add(`assess ${size}`, () => void assess(job, CATALOGUE))
  }
  const job = jobOf(500)
  const before = { job, assessment: assess(job, CATALOGUE) }
  const onPlan = jobOf(100, { onPlan: true })
  const differing = jobOf(500, { differing: true })
  let n = 0
  bench.add('differing', () => void assess(differing, CATALOGUE))
  bench.add('with runs', () => void assess({ ...job, runs: runsOf(700) }, CATALOGUE))
  bench.add('one device', () => void assessDevice(job.devices[n++ % 500]!, job, CATALOGUE))
  bench.add('one of 500 changed', () => {
    const devices = job.devices.with(250, { ...job.devices[250]!, name: `n${n++}` })
    assessAgain(before, { ...job, devices }, CATALOGUE)
  })
  bench.add(
    'on the plan',
    () =>
      void assess(
        {
          ...onPlan,
          devices: onPlan.devices.map((device) => ({
            ...device,
            sight: device.sight && { ...device.sight },
          })),
        },
        CATALOGUE,
      ),
  )
  await bench.run()
  console.log('\nAssessing (median of many runs, one thread)')
  for (const size of sizes)
    console.log(
      `  ${String(size).padStart(4)} devices  ` +
        `${median(bench, `assess ${size}`).toFixed(2).padStart(8)} ms   ` +
        `${((median(bench, `assess ${size}`) * 1000) / size).toFixed(0)} µs a device`,
    )
  console.log(`  500 devices of which no two are alike   ${median(bench, 'differing').toFixed(0)} ms`)
  console.log(
    `  500 devices and 700 runs more, 1,200 cables in all   ${median(bench, 'with runs').toFixed(0)} ms`,
  )
  console.log(
    '  growth 10 → 500: × ' +
      `${(median(bench, 'assess 500') / median(bench, 'assess 10')).toFixed(1)} for × 50 devices`,
  )
  console.log(
    '  100 devices on the plan, each looked round anew: walls, lip, privacy, a year of sun   ' +
      `${median(bench, 'on the plan').toFixed(0)} ms`,
  )
  console.log(`  one device      ${median(bench, 'one device').toFixed(3)} ms`)
  console.log(
    `  one of 500 changed, taken over from before   ${median(bench, 'one of 500 changed').toFixed(3)} ms`,
  )
}

const command = (jobId: string, i: number) => ({
  id: randomUUID(),
  jobId,
  at: '2026-03-02T09:30:00.000Z',
  by: 'Lead',
  type: 'putEquipment',
  equipmentId: `supply-${i % 40}`,
  change: { name: `Supply ${i}`, partId: 'switch-8' },
})

/**
 * The raw rate: the same bodies inserted one transaction a batch, same pragmas, nothing checked or applied.
 */
function rawInserts(folder: string, batches: number, size: number): number {
  const db = new Database(join(folder, 'raw.sqlite'))
  db.pragma('journal_mode = WAL')
  db.pragma('synchronous = FULL')
  db.exec('CREATE TABLE command (seq INTEGER PRIMARY KEY, id TEXT UNIQUE, body TEXT)')
  const insert = db.prepare('INSERT INTO command (id, body) VALUES (?, ?)')
  const start = performance.now()
  for (let b = 0; b < batches; b++) {
    db.transaction(() => {
      for (let i = 0; i < size; i++) {
        const body = command('raw', i)
        insert.run(body.id, JSON.stringify(body))
      }
    })()
  }
  const perSecond = (batches * size * 1000) / (performance.now() - start)
  db.close()
  return perSecond
}

async function commands(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'neat-bracket-bench-'))
  const server = await served(folder, 3291)
  const send = (commands: readonly unknown[]) =>
    post(`${server.base}/api/commands`, JSON.stringify({ commands }))
  try {
    await send([
      {
        id: randomUUID(),
        jobId: 'bench',
        at: '2026-03-02T09:30:00.000Z',
        by: 'Lead',
        type: 'createJob',
        facts: factsOf(demo),
      },
    ])
    console.log(
      '\nCommands through the API beside raw better-sqlite3 inserts of the same bodies, same machine, same run',
    )
    for (const [batches, size] of [
      [200, 1],
      [60, 50],
      [20, 500],
    ] as const) {
      for (let i = 0; i < 10; i++) await send([command('bench', i)])
      const start = performance.now()
      for (let b = 0; b < batches; b++) {
        await send(Array.from({ length: size }, (_, i) => command('bench', i)))
      }
      const api = (batches * size * 1000) / (performance.now() - start)
      const raw = rawInserts(mkdtempSync(join(folder, 'raw-')), batches, size)
      console.log(
        `  batches of ${String(size).padStart(3)}   API ${api.toFixed(0).padStart(7)}/s   raw ` +
          `${raw.toFixed(0).padStart(7)}/s   ratio 1 : ${(raw / api).toFixed(1)}`,
      )
    }
    const start = performance.now()
    for (let i = 0; i < 200; i++) await (await fetch(`${server.base}/api/health`)).text()
    console.log(`  a request that does nothing ${(200_000 / (performance.now() - start)).toFixed(0)}/s`)
  } finally {
    server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

/** A job of 1,000 devices and 30,000 recorded steps: from nothing, and a step recorded on it. */
function large(): void {
  const timed = <T>(work: () => T): [T, number] => {
    const start = performance.now()
    const result = work()
    return [result, performance.now() - start]
  }
  const onPlan = largeJob()
  const off = {
    ...onPlan,
    devices: onPlan.devices.map((device) => ({
      ...device,
      sight: device.sight && { ...device.sight, place: null },
    })),
  }
  console.log('\n1,000 devices, 30,000 recorded steps (one thread)')
  for (const [name, job] of [
    ['none on the plan', off],
    ['480 on the plan among 1,360 things, with a year of sun', onPlan],
  ] as const) {
    assess(job, CATALOGUE)
    const [before, scratch] = timed(() => assess(job, CATALOGUE))
    const steps = Array.from({ length: 25 }, (_, i) => {
      const records = job.records.with(i * 100, { ...job.records[i * 100]!, note: 'again' })
      return timed(() => assessAgain({ job, assessment: before }, { ...job, records }, CATALOGUE))[1]
    }).sort((a, b) => a - b)
    const walls = job.things.filter((thing) => thing.kind === 'wall')
    const moved = Array.from({ length: 9 }, (_, i) => {
      const wall = walls[i * 20]!
      const to = { ...wall, from: { ...wall.from, x: wall.from.x + 0.5 } }
      const things = job.things.map((thing) => (thing === wall ? to : thing))
      return timed(() => assessAgain({ job, assessment: before }, { ...job, things }, CATALOGUE))[1]
    }).sort((a, b) => a - b)
    console.log(
      `  ${name}: from nothing ${scratch.toFixed(0)} ms, a step recorded ` +
        `${steps[12]!.toFixed(1)} ms, a wall moved ${moved[4]!.toFixed(1)} ms`,
    )
  }
}

await ordering()
await assessing()
large()
surveying()
ways()
await reels()
await commands()
await house()
await offline()
await photos()
await plan()
