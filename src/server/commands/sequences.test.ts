import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { apply, Command, commandsOf, type Change, type Job } from '@/core/job'
import { proposeSight } from '@/core/sight'
import { resolve } from '@/core/parts'
import { device, job, said } from '@/testing/jobs'
import { ownPart } from '@/testing/ownParts'
import { enough, runs } from '@/testing/runs'
import { wall } from '@/testing/plans'
import { scratchRecord } from '@/testing/record'
import { FED_FREELY } from '@/core/job'
import { loadJob } from '../db/job'
import { openRecord } from '../db/open'
import { applyBatch, load } from './batch'
import { commandsSince } from './history'
import { applyTogether } from './together'
import { randomUUID } from 'node:crypto'

const scratch = scratchRecord()
const context = resolve(device(), job(), CATALOGUE)
if ('missing' in context) throw new Error()
const sight = proposeSight(context)
const yard = job({
  devices: ['1', '2', '3'].map((n) =>
    device({ id: `device-${n}`, mark: n, sight: n === '1' ? sight : null }),
  ),
})
const facts = {
  deviceId: null,
  stage: null,
  origin: null,
  title: 'Loose',
  severity: 'looks',
  cause: 'loose',
  note: '',
  due: null,
} as const

const deviceId = fc.constantFrom('device-1', 'device-2', 'device-3', 'device-4')
const stepId = fc.constantFrom('mount/tug', 'mount/fix', 'seal/close')
const thingId = fc.constantFrom('w1', 'w2', 'w3')
const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ deviceId, stepId, note: fc.constantFrom('a', 'b', 'ö') }).map(
    ({ note, ...on }): Change => ({
      type: 'recordStep',
      title: `Asked ${note}`,
      ...on,
      outcome: { state: 'done', value: null, choice: null, note },
    }),
  ),
  fc.record({ deviceId, stepId }).map((on): Change => ({ type: 'clearStep', ...on })),
  fc
    .record({ deviceId, tiltDeg: fc.integer({ min: 0, max: 40 }) })
    .map(({ tiltDeg, ...on }): Change => ({ type: 'setPlan', ...on, plan: { sight: { tiltDeg } } })),
  fc
    .record({ deviceId, heightM: fc.integer({ min: 2, max: 5 }) })
    .map(
      ({ heightM, ...on }): Change => ({ type: 'setPlan', ...on, plan: { sight: { ...sight, heightM } } }),
    ),
  fc
    .record({ deviceId, name: fc.constantFrom('Door', 'Gate') })
    .map(({ name, ...on }): Change => ({ type: 'editDevice', ...on, change: { name } })),
  fc
    .record({ deviceId, serial: fc.constantFrom('x', 'y') })
    .map(({ serial, ...on }): Change => ({ type: 'editDetails', ...on, change: { serial } })),
  deviceId.map((id): Change => ({ type: 'removeDevice', deviceId: id })),
  deviceId.map((id): Change => {
    const {
      id: _,
      details,
      sight,
      mount,
      route,
      terminate,
      seal,
      power,
      ...choice
    } = device({ mark: id.at(-1)! })
    void [details, sight, mount, route, terminate, seal, power]
    return { type: 'addDevice', deviceId: id, choice }
  }),
  fc
    .record({ thingId, m: fc.integer({ min: 1, max: 9 }) })
    .map(({ thingId: id, m }): Change => ({ type: 'putThing', thing: wall(0, 0, m, 0, { id }) })),
  fc
    .record({ thingId, heightM: fc.integer({ min: 1, max: 9 }) })
    .map(({ thingId: id, heightM }): Change => ({ type: 'editThing', thingId: id, change: { heightM } })),
  thingId.map((id): Change => ({ type: 'removeThing', thingId: id })),
  fc.constantFrom('f1', 'f2').map((faultId): Change => ({ type: 'raiseFault', faultId, facts })),
  fc
    .record({ faultId: fc.constantFrom('f1', 'f2'), note: fc.constantFrom('wet', 'dry') })
    .map(({ note, ...on }): Change => ({ type: 'editFault', ...on, change: { note } })),
  fc.constantFrom('metric', 'imperial').map((units): Change => ({ type: 'editJob', change: { units } })),
  fc.record({ name: fc.constantFrom('Rack', 'Loft'), id: fc.constantFrom('switch', 'dc') }).map(
    ({ id, name }): Change => ({
      type: 'putEquipment',
      equipmentId: id,
      change: { name, partId: 'switch-8' },
    }),
  ),
  fc.constant<Change>({ type: 'removeEquipment', equipmentId: 'dc' }),
  fc
    .record({ runId: fc.constantFrom('r1', 'r2'), toId: deviceId, toPort: fc.constantFrom(null, 'uplink-1') })
    .map(
      ({ runId, ...end }): Change => ({
        type: 'putRun',
        runId,
        change: { name: 'Link', carries: 'network', cableId: 'cat6', fromId: 'switch', ...end },
      }),
    ),
  fc.record({ runId: fc.constantFrom('r1', 'r2'), lengthM: fc.integer({ min: 1, max: 9 }) }).map(
    ({ lengthM, ...on }): Change => ({
      ...{ type: 'putRun', ...on },
      change: { lead: { lengthM, ...FED_FREELY } },
    }),
  ),
  fc.constantFrom('r1', 'r2').map((runId): Change => ({ type: 'removeRun', runId })),
  fc
    .record({ id: fc.constantFrom('b1', 'b2'), leftM: fc.integer({ min: 1, max: 99 }) })
    .map((box): Change => ({ type: 'putBox', box: { ...box, name: '', cableId: 'cat6' } })),
  fc.constantFrom('b1', 'b2').map((boxId): Change => ({ type: 'removeBox', boxId })),
  fc
    .record({ id: fc.constantFrom('own-a', 'own-b'), mass: fc.integer({ min: 1, max: 3 }) })
    .map(({ id, mass }): Change => {
      const entries = { massKg: `${mass} kg` }
      return { type: 'putPart', part: ownPart('cameras', 'bullet-4mp-vf', entries, { id, name: id }) }
    }),
  fc.constantFrom('own-a', 'own-b').map((partId): Change => ({ type: 'removePart', partId })),
  fc
    .record({ deviceId, cameraId: fc.constantFrom('own-a', 'bullet-4mp-vf') })
    .map(({ cameraId, ...on }): Change => ({ type: 'editDevice', ...on, change: { cameraId } })),
)
const spoken = fc.record({
  change,
  madeOn: fc.constantFrom('laptop', 'phone'),
  behind: fc.integer({ min: 0, max: 4 }),
})
const batches = fc.array(fc.array(spoken, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 12 })

it('after any commands the tables hold what memory holds, and a page that follows holds the same', () => {
  const { db, folder } = scratch
  let noted = 0
  fc.assert(
    fc.property(batches, (all) => {
      const jobId = `job-${randomUUID()}`
      applyBatch(db, commandsOf({ ...yard, id: jobId }, randomUUID))
      let page = load(db, jobId)!
      for (const batch of all) {
        const { revision } = load(db, jobId)!
        const commands = batch.map(({ change: one, madeOn, behind }) =>
          said(one, { jobId, madeOn, base: Math.max(1, revision - behind) }),
        )
        applyBatch(db, commands)
        const now = load(db, jobId)!
        expect(loadJob(db, jobId)).toEqual(now)
        const since = commandsSince(db, jobId, page.revision)!
        const followed = since.reduce<Job>((on, command) => {
          const applied = apply(on, Command.parse(command), CATALOGUE)
          if (!applied.ok) throw new Error(JSON.stringify(applied.reasons))
          return applied.job
        }, page.job)
        page = { revision: now.revision, job: followed }
        expect(page).toEqual(now)
        noted += now.job.conflicts.length
      }
    }),
    { numRuns: runs(60) },
  )
  expect(noted).toBeGreaterThan(enough(3))
  const reopened = openRecord(folder)
  for (const id of db.prepare('SELECT id FROM job').pluck().all() as string[]) {
    expect(loadJob(reopened, id)).toEqual(load(db, id))
  }
  reopened.close()
})

it('batches that come in together share one revision, each answered for itself', async () => {
  const { db } = scratch
  const jobId = `job-${randomUUID()}`
  applyBatch(db, commandsOf({ ...yard, id: jobId }, randomUUID))
  const tilt = (tiltDeg: number) =>
    said({ type: 'setPlan', deviceId: 'device-1', plan: { sight: { tiltDeg } } }, { jobId })
  const lost = said({ type: 'removeDevice', deviceId: 'gone' }, { jobId })
  const answers = await Promise.all(
    [[tilt(5)], [lost], [tilt(6), tilt(7)]].map((one) => applyTogether(db, one)),
  )
  expect(answers.map(({ answers: each }) => each.map(({ status }) => status))).toEqual([
    ['applied'],
    ['refused'],
    ['applied', 'applied'],
  ])
  expect(answers.map(({ revisions }) => revisions)).toEqual([{ [jobId]: 2 }, { [jobId]: 2 }, { [jobId]: 2 }])
  expect(load(db, jobId)!.job.devices[0]!.sight!.tiltDeg).toBe(7)
})

it('two people who set one field at once: the later stands, both are kept; only the server notes it', () => {
  const { db } = scratch
  const jobId = `job-${randomUUID()}`
  applyBatch(db, commandsOf({ ...yard, id: jobId }, randomUUID))
  const tilt = (tiltDeg: number, madeOn: string) =>
    said({ type: 'setPlan', deviceId: 'device-1', plan: { sight: { tiltDeg } } }, { jobId, madeOn, base: 1 })
  applyBatch(db, [tilt(5, 'laptop')])
  applyBatch(db, [tilt(9, 'phone')])
  const { job: both } = load(db, jobId)!
  expect(both.devices[0]!.sight!.tiltDeg).toBe(9)
  expect(both.conflicts).toMatchObject([{ older: { value: 5 }, newer: { value: 9 } }])
  const forged = said({ type: 'noteConflict', conflict: both.conflicts[0]! }, { jobId })
  expect(applyBatch(db, [forged]).answers).toMatchObject([{ status: 'refused' }])
})

it('a page that stands before what is known is told to read the job whole', () => {
  const { db } = scratch
  const jobId = `job-${randomUUID()}`
  applyBatch(db, commandsOf({ ...yard, id: jobId }, randomUUID))
  db.prepare('UPDATE command SET revision = NULL WHERE job_id = ?').run(jobId)
  db.prepare('UPDATE job SET revision = 7 WHERE id = ?').run(jobId)
  applyBatch(db, [said({ type: 'editJob', change: { headEnd: 'Loft' } }, { jobId })])
  expect([commandsSince(db, jobId, 6), commandsSince(db, jobId, 7)!.length]).toEqual([null, 1])
})
