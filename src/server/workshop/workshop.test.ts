import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { pathOf } from '../photos/store'
import { Cancelled, TooMuch, work } from './workshop'

let folder: string
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

const jobFile = () => {
  const path = join(folder, 'job.json')
  copyFileSync('demo/jobs/2-tamarisk-surgery.job.json', path)
  return path
}

it('does what it is asked in processes of its own: a job comes in, is summed up and printed', async () => {
  const imported = await work('import', { folder, path: jobFile(), asCopy: false })
  expect(imported).toMatchObject({ ok: true, jobId: 'tamarisk-surgery' })
  const summary = await work('summary', { folder, jobId: 'tamarisk-surgery', build: 'b' })
  expect(summary).toMatchObject({ sentence: expect.stringMatching(/^3 devices/) as string })
  expect(await work('summary', { folder, jobId: 'gone', build: 'b' })).toBeNull()
  const heard: [number, number][] = []
  const to = join(folder, 'record.pdf')
  const order = { folder, jobId: 'tamarisk-surgery', today: '2026-11-24', to }
  const told = { onProgress: (done: number, total: number) => heard.push([done, total]) }
  expect(await work('record', { ...order, deviceId: null }, told)).toEqual({ ok: true })
  expect(existsSync(to)).toBe(true)
  expect(heard[0]).toEqual([0, 3])
  const gone = { ok: false, message: 'The job has no device with this id.' }
  expect(await work('record', { ...order, deviceId: 'gone' })).toEqual(gone)
  const planned: number[] = []
  const boxes = await work(
    'boxes',
    { folder, jobId: 'tamarisk-surgery' },
    { onProgress: (done) => planned.push(done) },
  )
  expect(boxes).toMatch(/^\uFEFFcable,box,holds,device,cut,left\r\n/)
  expect(planned.length).toBeGreaterThan(0)
  expect(await work('boxes', { folder, jobId: 'gone' })).toBeNull()
  const noJob = { ok: false, message: 'The job is gone.' }
  expect(await work('record', { ...order, jobId: 'gone', deviceId: null })).toEqual(noJob)
  const wish = {
    floor: 'ground',
    seen: 'none',
    cables: true,
    paper: 'a4',
    upright: false,
    scale: null,
  } as const
  const plan = {
    ...order,
    to: join(folder, 'plan.svg'),
    order: { wish, faces: false, format: 'svg' } as const,
  }
  expect(await work('plan', plan)).toEqual({ ok: true })
  expect(readFileSync(plan.to, 'utf8')).toContain('Tamarisk surgery')
})

it('more tasks than hands wait their turn, and each has its own answer', async () => {
  const paths = await Promise.all(
    [10, 20, 30, 40, 50].map(async (width) => {
      const path = join(folder, `${width}.jpg`)
      await sharp({ create: { width, height: 10, channels: 3, background: '#887' } })
        .jpeg()
        .toFile(path)
      return path
    }),
  )
  const kept = await Promise.all(paths.map((path) => work('photo', { folder, path, expected: null })))
  expect(
    kept.map((one) => one.ok && [one.content.width, existsSync(pathOf(folder, one.content.sha256, 'view'))]),
  ).toEqual([10, 20, 30, 40, 50].map((width) => [width, true]))
})

it('one that fails says why, one that is called off is ended, and the next works on', async () => {
  await expect(work('photo', { folder, path: join(folder, 'none.jpg'), expected: null })).rejects.toThrow(
    /ENOENT/,
  )
  const off = new AbortController()
  const waiting = work('import', { folder, path: jobFile(), asCopy: true }, { signal: off.signal })
  off.abort()
  await expect(waiting).rejects.toBeInstanceOf(Cancelled)
  await expect(
    work('import', { folder, path: jobFile(), asCopy: true }, { signal: AbortSignal.abort() }),
  ).rejects.toBeInstanceOf(Cancelled)
  const path = join(folder, 'text.jpg')
  writeFileSync(path, 'no picture')
  expect(await work('photo', { folder, path, expected: null })).toMatchObject({ ok: false })
})

it('what takes too long or too much is ended with a reason', async () => {
  // Many, each with a mark of its own: what is refused at once takes no time.
  const file = JSON.parse(readFileSync(jobFile(), 'utf8')) as { job: { devices: { id: string }[] } }
  const [one] = file.job.devices
  file.job.devices = Array.from({ length: 1000 }, (_, i) => ({
    ...one!,
    ...{ id: `d${i}`, mark: `M${i}` },
  }))
  const path = join(folder, 'large.json')
  writeFileSync(path, JSON.stringify({ ...file, job: { ...file.job, records: [], photos: [], faults: [] } }))
  const bounded = (seconds: number, megabytes: number) =>
    work('import', { folder, path, asCopy: true }, { bounds: { seconds, megabytes } })
  await expect(bounded(0, 4000)).rejects.toThrow(/longer than 0 seconds/)
  await expect(bounded(60, 1)).rejects.toThrow(/more than 1 MB/)
  await expect(bounded(0, 4000)).rejects.toBeInstanceOf(TooMuch)
  expect(await bounded(60, 4000)).toHaveProperty('ok')
})
