import Database from 'better-sqlite3'
import { createHash, randomUUID } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { commandsOf, RECORD_VERSION, type Job } from '@/core/job'
import { device, job, NOW, said } from '@/testing/jobs'
import { scratchRecord } from '@/testing/record'
import { checkRecord } from './check'
import { applyBatch, applyNew, load } from './commands/batch'
import { history } from './commands/history'
import { loadJob } from './db/job'
import { openRecord, type Db } from './db/open'
import { jobFile } from './exports/jobFile'
import { importJobFile } from './imports/jobFile'
import { jobSummaries, listedJobs } from './jobs'
import { addPiece, arrivedOf, inTurn } from './photos/pieces'
import { knowPhoto, pathOf, readPhoto, storePhoto, sweep } from './photos/store'

let folder: string
let db: Db
const scratch = scratchRecord()
beforeEach(() => {
  ;({ db, folder } = scratch)
})

const yard = (): Job => job({ devices: [device(), device({ id: 'device-2', mark: '02', name: 'Gate' })] })
const put = (on: Job) => expect(applyNew(db, commandsOf(on, randomUUID))).toEqual([])
const rename = (name: string) => ({
  type: 'setPlan' as const,
  deviceId: name,
  plan: { power: { supplyId: 'switch', port: 3 } },
})
const keepPhoto = async (sha256: string | null, bytes: Buffer) => {
  const kept = await storePhoto(folder, sha256, bytes)
  return kept.ok ? { ...kept, created: knowPhoto(db, kept.content), sha256: kept.content.sha256 } : kept
}
const picture = (width = 40, height = 30) =>
  sharp({ create: { width, height, channels: 3, background: '#887' } }).jpeg()

describe('the record', () => {
  it('gives back exactly the job that its commands made, from the tables alone', () => {
    const full = {
      ...yard(),
      faults: [],
      records: [
        {
          deviceId: 'device-2',
          stepId: 'mount/level',
          title: '',
          state: 'done' as const,
          value: 0.4,
          choice: null,
          note: 'ö',
          at: NOW,
          by: 'Installer 1',
        },
      ],
    }
    put(full)
    expect(loadJob(db, 'job-1')!.job).toEqual(full)
  })
  it('applies its migrations once and refuses a record of a newer program', () => {
    put(yard())
    db.close()
    db = openRecord(folder)
    expect(load(db, 'job-1')!.job.devices).toHaveLength(2)
    const path = join(folder, 'record.sqlite')
    const other = new Database(path)
    other.pragma('user_version = 99')
    expect(() => openRecord(folder)).toThrow(/version 99/)
    other.pragma('user_version = 1')
    other.close()
  })
  it('sees what another process wrote in between', () => {
    put(yard())
    expect(load(db, 'job-1')!.revision).toBe(1)
    const other = openRecord(folder)
    applyBatch(other, [said(rename('device-1'))])
    other.close()
    expect(load(db, 'job-1')!.job.devices[0]!.power).toEqual({ supplyId: 'switch', port: 3 })
    expect(applyBatch(db, [said(rename('device-2'))]).revisions).toEqual({ 'job-1': 3 })
    expect(loadJob(db, 'job-1')!.job.devices.map(({ power }) => power?.port)).toEqual([3, 3])
  })
})

describe('a batch', () => {
  it('answers each command for itself, and applies the good ones', () => {
    put(yard())
    const batch = [
      said(rename('device-1')),
      said(rename('gone')),
      { id: 'x', type: 'nonsense' },
      said({ type: 'removeDevice', deviceId: 'device-2' }),
    ]
    expect(applyBatch(db, batch).answers.map(({ status }) => status)).toEqual([
      'applied',
      'refused',
      'refused',
      'applied',
    ])
    expect(loadJob(db, 'job-1')!.job.devices.map(({ id }) => id)).toEqual(['device-1'])
  })
  it('is idempotent by command id, within a batch and between batches, and tells a reused id', () => {
    put(yard())
    const once = said(rename('device-1'))
    expect(applyBatch(db, [once, once]).answers.map(({ status }) => status)).toEqual([
      'applied',
      'already applied',
    ])
    expect(applyBatch(db, [once])).toMatchObject({
      answers: [{ status: 'already applied' }],
      revisions: { 'job-1': 2 },
    })
    expect(applyBatch(db, [{ ...once, deviceId: 'device-2' }]).answers).toMatchObject([
      { status: 'refused', reasons: [{ path: '/id' }] },
    ])
  })
  it('whole or nothing leaves nothing behind', () => {
    expect(applyNew(db, [...commandsOf(yard(), randomUUID), said(rename('gone'))])).toMatchObject([
      { path: '/deviceId' },
    ])
    expect(load(db, 'job-1')).toBeNull()
    expect(db.prepare('SELECT COUNT(*) FROM command').pluck().get()).toBe(0)
  })
  it('keeps every command in order', () => {
    put(yard())
    applyBatch(db, [said(rename('device-1'))])
    const entries = history(db, 'job-1')
    expect(entries[0]!.command.type).toBe('createJob')
    expect(entries.at(-1)!.command.type).toBe('setPlan')
    expect(history(db, 'job-1', entries.at(-2)!.seq)).toHaveLength(1)
  })
  it('refuses a photo whose bytes are not here', () => {
    put(yard())
    const facts = { sha256: 'c'.repeat(64), deviceId: 'device-1', stepId: null, faultId: null, caption: '' }
    expect(applyBatch(db, [said({ type: 'addPhoto', photoId: 'p', facts })]).answers).toMatchObject([
      { status: 'refused', reasons: [{ path: '/facts/sha256' }] },
    ])
  })
})

describe('photos', () => {
  it('are kept once, turned upright and made small, without camera data', async () => {
    const bytes = await picture(1200, 800)
      .withExif({ IFD0: { Artist: 'someone' } })
      .withMetadata({ orientation: 6 })
      .toBuffer()
    const first = await keepPhoto(null, bytes)
    expect(first).toMatchObject({ ok: true, created: true })
    const sha256 = createHash('sha256').update(bytes).digest('hex')
    expect(await keepPhoto(sha256, bytes)).toMatchObject({ ok: true, created: false })
    expect(readPhoto(db, folder, sha256, 'original')!.bytes.equals(bytes)).toBe(true)
    const small = await sharp(readPhoto(db, folder, sha256, 'small')!.bytes).metadata()
    expect([small.width, small.height, small.exif]).toEqual([240, 360, undefined])
  })
  it.each([
    ['text that says it is a photo', Buffer.from('\xff\xd8\xff not really'), 415],
    ['an SVG', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'), 415],
    ['too many bytes', Buffer.alloc(21 * 1024 * 1024), 413],
  ])('refuses %s', async (_, bytes, status) =>
    expect(await keepPhoto(null, bytes)).toMatchObject({ ok: false, status }),
  )
  it('refuses bytes under another name', async () => {
    expect(await keepPhoto('d'.repeat(64), await picture().toBuffer())).toMatchObject({
      ok: false,
      status: 422,
    })
  })
})

describe('the record and its files', () => {
  const original = (sha256: string) => pathOf(folder, sha256, 'original')
  it('a whole record has no fault; a missing, a damaged and a stray file are each named', async () => {
    const [one, two, three] = await Promise.all(
      [30, 40, 50].map(async (width) => {
        const kept = await keepPhoto(null, await picture(width).toBuffer())
        if (!kept.ok) throw new Error('not kept')
        return kept.sha256
      }),
    )
    put(yard())
    expect(checkRecord(db, folder)).toEqual([])
    rmSync(original(one!))
    writeFileSync(original(two!), 'rubbish')
    db.prepare('DELETE FROM photo_content WHERE sha256 = ?').run(three!)
    writeFileSync(`${original(three!)}.left`, '')
    const found = checkRecord(db, folder).map(({ what }) => what)
    expect(found).toHaveLength(6) // three files of the stray one
    expect(found).toEqual(
      expect.arrayContaining([
        expect.stringContaining(`${one!} is missing`),
        expect.stringContaining(`${two!} is damaged`),
        expect.stringMatching(/left half-written/),
        expect.stringMatching(/belongs to no photo/),
      ]),
    )
    expect(readPhoto(db, folder, one!, 'original')).toBeNull()
    // sent again, it is healed
    expect(await keepPhoto(one!, await picture(30).toBuffer())).toMatchObject({ ok: true, created: false })
    expect(readPhoto(db, folder, one!, 'original')).not.toBeNull()
  })
  it('a job that the schema would not take is named', () => {
    put(yard())
    db.prepare("UPDATE device SET name = '' WHERE id = 'device-2'").run()
    expect(checkRecord(db, folder).map(({ what }) => what)).toEqual([
      expect.stringContaining('Job job-1 does not hold together: /devices/1/name'),
    ])
  })
  it('of pieces that come at once, each is added where it follows on, whoever sends it', async () => {
    writeFileSync(join(folder, 'piece'), 'abc')
    const name = 'f'.repeat(64)
    const add = (at: number) => inTurn(name, () => addPiece(folder, name, at, join(folder, 'piece')))
    expect(await Promise.all([add(0), add(0), add(3), add(9)])).toEqual([
      { has: 3, added: true },
      { has: 3, added: false },
      { has: 6, added: true },
      { has: 6, added: false },
    ])
    expect(await arrivedOf(folder, name)).toBe(6)
  })
  it('sweeps what a killed process left, once it is an hour old', async () => {
    const kept = await keepPhoto(null, await picture().toBuffer())
    if (!kept.ok) throw new Error('not kept')
    writeFileSync(`${original(kept.sha256)}.half`, 'x')
    writeFileSync(join(folder, 'piece'), 'x')
    await addPiece(folder, kept.sha256, 0, join(folder, 'piece'))
    const hour = 3_700_000
    const at = [0, hour, 6 * 24 * hour, 7 * 24 * hour]
    expect([...at.map((later) => sweep(folder, Date.now() + later)), checkRecord(db, folder)]).toEqual([
      0,
      1, // what came of a photo waits a week for the rest
      0,
      1,
      [],
    ])
  })
})

describe('the job file', () => {
  it('imports into an empty record without loss, photos included, and again only as a copy', async () => {
    const kept = await keepPhoto(null, await picture().toBuffer())
    if (!kept.ok) throw new Error('not kept')
    put({
      ...yard(),
      photos: [
        {
          id: 'p',
          sha256: kept.sha256,
          deviceId: 'device-1',
          stepId: null,
          faultId: null,
          caption: 'as found',
          marks: [],
          at: NOW,
          by: 'Installer 1',
        },
      ],
    })
    const words = JSON.stringify(jobFile(db, folder, load(db, 'job-1')!.job))

    const folder2 = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
    const db2 = openRecord(folder2)
    expect(await importJobFile(db2, folder2, words, false)).toEqual({ ok: true, jobId: 'job-1', refused: 0 })
    expect(JSON.stringify(jobFile(db2, folder2, load(db2, 'job-1')!.job))).toBe(words)
    expect(await importJobFile(db2, folder2, words, false)).toMatchObject({ ok: false, status: 409 })
    const copy = await importJobFile(db2, folder2, words, true)
    expect(copy.ok && load(db2, copy.jobId)!.job).toEqual({
      ...load(db2, 'job-1')!.job,
      id: copy.ok && copy.jobId,
    })
    db2.close()
    rmSync(folder2, { recursive: true })
  })
  it('is refused whole when it does not hold together', async () => {
    const lost = {
      format: 'neat-bracket-job',
      version: RECORD_VERSION,
      job: job({ devices: [device({ cameraId: 'gone' })] }),
      photos: [],
    }
    expect(await importJobFile(db, folder, JSON.stringify(lost), false)).toMatchObject({
      ok: false,
      status: 422,
      reasons: [{ path: '/choice/cameraId' }],
    })
    expect(load(db, 'job-1')).toBeNull()
  })
})

describe('the list of jobs', () => {
  const body = () => db.prepare('SELECT body FROM job_summary').pluck().get() as string
  const listed = () => listedJobs(db, folder)[0]!

  it('keeps what a job comes to for its revision, and computes it again after a command', () => {
    put(yard())
    expect(listed()).toMatchObject({ id: 'job-1', pending: false, summary: { stopped: 0, steps: 3 } })
    db.prepare('UPDATE job_summary SET body = ?').run(JSON.stringify({ ...JSON.parse(body()), stopped: 7 }))
    expect(listed().summary!.stopped).toBe(7) // kept, not computed
    applyBatch(db, [said({ type: 'editDevice', deviceId: 'device-2', change: { name: 'Back gate' } })])
    expect(listed().summary).toMatchObject({
      stopped: 0,
      sentence: expect.stringMatching(/2 devices/) as string,
    })
    db.prepare("UPDATE job_summary SET body = ?, build = 'another'").run('{"stopped":7}')
    expect(listed().summary!.stopped).toBe(0) // another build may come to something else
  })

  it('does not wait for whoever writes: it answers, and keeps the summary another time', () => {
    put(yard())
    const other = openRecord(folder)
    other.exec('BEGIN IMMEDIATE')
    const waits = vi.spyOn(db, 'pragma')
    expect(listed()).toMatchObject({ pending: false, summary: { stopped: 0 } })
    expect(waits.mock.calls.map(([words]) => words)).toContain('busy_timeout = 0')
    waits.mockRestore()
    expect(body()).toBeUndefined()
    other.exec('ROLLBACK')
    other.close()
    expect(listed().summary!.sentence).toMatch(/2 devices/)
    expect(JSON.parse(body())).toMatchObject({ id: 'job-1' })
    expect(db.pragma('busy_timeout', { simple: true })).toBe(5000)
  })

  it('does not wait for a large job: it says that it is being computed, and then has it', async () => {
    put(job({ devices: Array.from({ length: 61 }, (_, i) => device({ id: `d${i}`, mark: `${i}` })) }))
    expect(listed()).toMatchObject({ name: 'Test yard', pending: true, summary: null })
    const [whole] = await jobSummaries(db, folder)
    expect(whole).toMatchObject({ id: 'job-1', sentence: expect.stringMatching(/^61 devices/) as string })
    expect(listed()).toMatchObject({ pending: false, summary: { sentence: whole!.sentence } })
  })
})
