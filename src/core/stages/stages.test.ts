import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { anyJob } from '@/testing/anyJob'
import { device, job, plannedThrough, said } from '@/testing/jobs'
import { ownPart } from '@/testing/ownParts'
import { enough, runs } from '@/testing/runs'
import { block, groundLevel, soffit, thing, wall } from '@/testing/plans'
import { allAssessed, assess, assessAgain, assessDevice, assessing, type Piece } from '../assess'
import { PLANNED_STAGES } from '../findings'
import { apply, commandsOf, type Change, type Job } from '../job'
import { groupedByDevice, groupedFromScratch } from '../derive/grouped'

const site = { latitudeDeg: 51, longitudeDeg: 0, upBearingDeg: 0, timeZone: 'UTC' }
const unjudged = (
  stage: (typeof PLANNED_STAGES)[number],
  change: object = {},
  on: Partial<Job> = {},
  read = {},
) => {
  const bare = assessDevice(device(), job(on), CATALOGUE).stages![stage]!.input
  const planned = device({ [stage]: { ...bare, ...change } })
  const record = {
    deviceId: 'device-1',
    state: 'done',
    choice: null,
    note: '',
    at: '',
    by: '',
    stepId: '',
    title: '',
    value: 1,
  }
  const records = Object.keys(read).length > 0 ? [{ ...record, ...read } as never] : []
  return assessDevice(planned, job(on), CATALOGUE, { records, photos: [], faults: [] }).stages![
    stage
  ]!.unjudged.join(' ')
}
const place = { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }

describe('what a stage did not judge it says', () => {
  it.each([
    ['sight', {}, {}, {}, /stands on no plan.*The sun: it stands on no plan/],
    ['sight', { place }, {}, {}, /^The sun: where the site lies is not given/],
    ['sight', { place }, { site }, {}, /^What is not drawn/],
    ['mount', {}, {}, {}, /^The distance to an edge or a joint: it is not measured/],
    ['mount', { edgeMm: 60 }, {}, {}, /^Whether the wall/],
    ['route', { segments: [] }, {}, {}, /^The way: no stretch of it is entered. The length as it lies/],
    [
      'route',
      { segments: [] },
      {},
      { stepId: 'route/length', value: 20 },
      /^The way: no stretch of it is entered. The pull/,
    ],
    ['terminate', {}, {}, {}, /read in the install log/],
    ['seal', {}, {}, {}, /^The cable as it is/],
    ['seal', {}, {}, { stepId: 'seal/cable', value: 6 }, /^The hole through the wall/],
    ['power', { port: null }, {}, {}, /^The port: none is chosen. The volts/],
    ['power', { port: 2 }, {}, { stepId: 'power/volts', value: 48 }, /^How good bonding/],
  ] as const)('%s %#', (stage, change, on, read, says) =>
    expect(unjudged(stage, change, on, read)).toMatch(says),
  )
})

describe('what is derived is brought up to date as if from nothing', () => {
  const change = fc.oneof(
    fc
      .record({
        n: fc.nat(30),
        step: fc.constantFrom('mount/fix', 'power/volts', 'route/length', 'route/pull'),
        value: fc.nat(60),
      })
      .map(({ n, step, value }) => (on: Job): Change | null => {
        const all = [...on.devices, ...on.equipment, ...on.runs]
        const at = all[n % Math.max(1, all.length)]
        const outcome = { state: 'done' as const, value, choice: null, note: '' }
        return at ? { type: 'recordStep', deviceId: at.id, stepId: step, title: '', outcome } : null
      }),
    fc.nat(30).map((n) => (on: Job): Change | null => {
      const record = on.records[n % Math.max(1, on.records.length)]
      return record ? { type: 'clearStep', deviceId: record.deviceId, stepId: record.stepId } : null
    }),
    fc
      .record({ n: fc.nat(30), tiltDeg: fc.integer({ min: 0, max: 60 }) })
      .map(({ n, tiltDeg }) => (on: Job): Change | null => {
        const at = on.devices.filter(({ sight }) => sight !== null)[n % 2]
        return at ? { type: 'setPlan', deviceId: at.id, plan: { sight: { tiltDeg } } } : null
      }),
    fc
      .nat(9)
      .map((m) => (): Change => ({ type: 'putThing', thing: wall(0, m, 5, m, { id: `new-${m % 3}` }) })),
    fc
      .record({ n: fc.nat(9), port: fc.constantFrom('uplink-1', 'audio tail', null) })
      .map(({ n, port }) => (on: Job): Change | null => {
        const at = on.runs[n % Math.max(1, on.runs.length)]
        return at ? { type: 'putRun', runId: at.id, change: { fromPort: port } } : null
      }),
    fc.nat(9).map((n) => (on: Job): Change | null => {
      const at = on.runs[n % Math.max(1, on.runs.length)]
      return at ? { type: 'removeRun', runId: at.id } : null
    }),
    fc
      .record({ n: fc.nat(9), partId: fc.constantFrom('switch-8', 'switch-outdoor-4', 'recorder-8') })
      .map(({ n, partId }) => (on: Job): Change | null => {
        const at = on.equipment[n % Math.max(1, on.equipment.length)]
        return at ? { type: 'putEquipment', equipmentId: at.id, change: { partId } } : null
      }),
    fc
      .constantFrom('metric', 'imperial')
      .map((units) => (): Change => ({ type: 'editJob', change: { units } })),
    fc.record({ mass: fc.integer({ min: 1, max: 9 }), id: fc.constantFrom('own-camera', 'own-new') }).map(
      ({ mass, id }) =>
        (): Change => ({
          type: 'putPart',
          part: ownPart('cameras', 'bullet-4mp-vf', { massKg: `${mass} kg` }, { id, name: id }),
        }),
    ),
    fc.nat(9).map((n) => (on: Job): Change | null => {
      const at = on.devices[n % Math.max(1, on.devices.length)]
      return at ? { type: 'removeDevice', deviceId: at.id } : null
    }),
  )
  /** What others rest on: what lies in a conduit. */
  const RESTED_ON = new Set(['route/pull'])
  it('through any sequence of commands, and what did not change is the very same object', () => {
    let steps = 0
    fc.assert(
      fc.property(anyJob, fc.array(change, { minLength: 2, maxLength: 8 }), (start, changes) => {
        let now = start
        let held = { job: now, assessment: assess(now, CATALOGUE) }
        for (const made of changes) {
          const one = made(now)
          const applied = one && apply(now, said(one, { jobId: now.id }), CATALOGUE)
          if (!one || !applied?.ok) continue
          now = applied.job
          const again = assessAgain(held, now, CATALOGUE)
          expect(again).toEqual(assess(structuredClone(now), CATALOGUE))
          if (one.type === 'recordStep') {
            steps++
            allAssessed(again).forEach((each, i) => {
              if (each.deviceId !== one.deviceId && !RESTED_ON.has(one.stepId))
                expect(each).toBe(allAssessed(held.assessment)[i])
            })
          }
          held = { job: now, assessment: again }
        }
      }),
      { numRuns: runs(80) },
    )
    expect(steps).toBeGreaterThan(enough(4))
  })
  it('a thing moved on the plan: whoever it cannot touch keeps the very same assessment', () => {
    const spread = fc.integer({ min: -900, max: 900 }).map((n) => n / 10 + 0.037)
    const at = fc.record({ x: spread, y: spread })
    const standing = fc.record({
      at,
      kind: fc.constantFrom('wall', 'soffit', 'block', 'privacy', 'slope'),
      floor: fc.constantFrom('ground', 'upper'),
    })
    type Stand = { at: { x: number; y: number }; kind: string; floor: 'ground' | 'upper' }
    const thingOf = ({ floor, ...one }: Stand, id: string) => ({ ...onGroundOf(one, id), floor })
    const onGroundOf = ({ at: { x, y }, kind }: Pick<Stand, 'at' | 'kind'>, id: string) => {
      if (kind === 'slope')
        return groundLevel(
          [
            [x, y],
            [x + 30, y + 20],
          ],
          -1,
          id,
          2,
        )
      if (kind === 'wall') return wall(x, y, x + 7, y + 3, { id, heightM: 4 })
      if (kind === 'soffit') return soffit(x, y, x + 6, y - 2, { id })
      return kind === 'block' ? block(x, y, 3, 2, { id }) : { ...thing('privacy', x, y, 6, 6), id }
    }
    const camera = fc.record({ at, panDeg: fc.nat(359), tiltDeg: fc.integer({ min: 2, max: 40 }) })
    const tally = { kept: 0, anew: 0 }
    fc.assert(
      fc.property(
        fc.array(camera, { minLength: 5, maxLength: 8 }),
        fc.array(standing, { minLength: 3, maxLength: 8 }),
        fc.array(fc.tuple(fc.nat(7), standing), { minLength: 1, maxLength: 3 }),
        fc.constantFrom(3, null, null),
        (cameras, first, moves, heightM) => {
          const devices = cameras.map(({ at: { x, y }, panDeg, tiltDeg }, i) => {
            const sight = assessDevice(device(), job(), CATALOGUE).stages!.sight.input
            const place = { floor: 'ground' as const, x, y, panDeg, rollDeg: 0, locked: false }
            return device({ id: `d${i}`, mark: `${i}`, sight: { ...sight, tiltDeg, place } })
          })
          const floorHeightsM = { upper: heightM, loft: null, roof: null }
          let now = job({
            devices,
            site,
            floorHeightsM,
            things: first.map((one, i) => thingOf(one, `t${i}`)),
          })
          let held = { job: now, assessment: assess(now, CATALOGUE) }
          for (const [n, to] of moves) {
            const things = now.things.with(n % now.things.length, thingOf(to, `t${n % now.things.length}`))
            now = { ...now, things }
            const again = assessAgain(held, now, CATALOGUE)
            expect(again).toEqual(assess(structuredClone(now), CATALOGUE))
            for (const [i, one] of again.devices.entries())
              tally[one === held.assessment.devices[i] ? 'kept' : 'anew']++
            held = { job: now, assessment: again }
          }
        },
      ),
      { numRuns: runs(40) },
    )
    expect(Math.min(tally.kept, tally.anew)).toBeGreaterThan(enough(10))
  })
  it('lets go of what it looked at before, however long a wall is dragged', async () => {
    const sight = assessDevice(device(), job(), CATALOGUE).stages!.sight.input
    const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
    let now = job({ devices: [device({ sight: { ...sight, place } })], site })
    let held = { job: now, assessment: assess(now, CATALOGUE) }
    const dragged = Array.from({ length: 30 }, (_, i) => {
      now = { ...now, things: [wall(-3, 2 + i / 20, 3, 2, { id: 'wall', heightM: 4 })] }
      held = { job: now, assessment: assessAgain(held, now, CATALOGUE) }
      return new WeakRef(now.things)
    })
    setFlagsFromString('--expose-gc')
    await new Promise((resolve) => setTimeout(resolve))
    ;(runInNewContext('gc') as () => void)()
    expect(held.job.things).toBe(dragged.at(-1)!.deref())
    expect(dragged.filter((things) => things.deref()).length).toBeLessThan(5)
  })
  it('in pieces: the device looked at first, the rest said to be pending and nothing said of it', () => {
    const on = job({ devices: ['a', 'b', 'c'].map((id) => plannedThrough(device({ id, mark: id }))) })
    let looked = 'b'
    const pieces = assessing(null, on, CATALOGUE, () => looked)
    const piece = pieces.next().value as Piece
    const { devices, counts, equipment, sentence } = piece.partial()
    expect(devices.map(({ pending }) => pending)).toEqual([true, false, true])
    expect(counts).toMatchObject({ devices: 3, pending: 2, done: 0, ready: counts.ready })
    expect([equipment.map(({ load }) => load), sentence]).toEqual([[null], '1 of 3 devices are computed…'])
    expect(devices[0]).toMatchObject({ stages: null, findings: [], steps: [], sentence: 'Being computed.' })
    looked = 'c'
    const next = (pieces.next().value as Piece).partial().devices
    expect(next.map(({ pending }) => pending)).toEqual([true, false, false])
    const whole = assess(on, CATALOGUE)
    expect(devices[1]).toEqual(whole.devices[1])
    expect(assessAgain({ job: on, assessment: piece.partial() }, on, CATALOGUE)).toEqual(whole)
  })
  it('groups by device: one new item leaves every other group the same array', () => {
    const items = Array.from({ length: 200 }, (_, i) => ({ deviceId: i % 7 === 0 ? null : `d${i % 5}`, i }))
    const before = groupedByDevice(items)
    const more = [...items.with(8, { deviceId: 'd3', i: 1000 }), { deviceId: 'd9', i: 1001 }]
    const after = groupedByDevice(more, items)
    expect(after).toEqual(groupedFromScratch(more))
    expect(['d0', 'd1', 'd2', 'd4'].map((id) => after.get(id) === before.get(id))).toEqual([
      true,
      true,
      true,
      true,
    ])
  })
  it('a job made by its own commands comes to the same as the job', () => {
    const yard = job({ devices: [device()] })
    const made = commandsOf(yard, () => '00000000-0000-4000-8000-000000000001').reduce<Job | null>(
      (on, command) => {
        const applied = apply(on, command, CATALOGUE)
        return applied.ok ? applied.job : on
      },
      null,
    )
    expect(assess(made!, CATALOGUE)).toEqual(assess(yard, CATALOGUE))
  })
})
