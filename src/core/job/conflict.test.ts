import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, said } from '@/testing/jobs'
import { wall } from '@/testing/plans'
import { proposeSight } from '../sight'
import { resolve } from '../parts'
import { apply, changeAt, conflictsOf, narrowed, type Change, type Command, type Job } from '.'

const bare = device()
const context = resolve(bare, job(), CATALOGUE)
if ('missing' in context) throw new Error()
const sight = proposeSight(context)
const yard = job({
  devices: [{ ...bare, sight }, device({ id: 'device-2', mark: '02' })],
  things: [wall(0, 0, 4, 0, { id: 'w' })],
})
const plan = (change: Partial<typeof sight>): Change => ({
  type: 'setPlan',
  deviceId: 'device-1',
  plan: { sight: change },
})
const after = (on: Job, ...commands: Command[]): Job =>
  commands.reduce((now, command) => {
    const applied = apply(now, command, CATALOGUE)
    if (!applied.ok) throw new Error(JSON.stringify(applied.reasons))
    return applied.job
  }, on)

describe('what is said is reduced to what differs', () => {
  it.each<[string, Change, object]>([
    ['a plan', plan({ ...sight, tiltDeg: 21 }), { plan: { sight: { tiltDeg: 21 } } }],
    [
      'a wall',
      { type: 'putThing', thing: wall(0, 0, 4, 0, { id: 'w', heightM: 2 }) },
      { change: { heightM: 2 } },
    ],
    ['a job', { type: 'editJob', change: { name: yard.name, mainsV: 110 } }, { change: { mainsV: 110 } }],
    [
      'a device',
      { type: 'editDevice', deviceId: 'device-1', change: { name: 'Gate', mark: '01' } },
      { change: { name: 'Gate' } },
    ],
  ])('%s', (_, change, less) => {
    const { type: _t, ...rest } = narrowed(yard, change)
    expect(rest).toEqual({
      ...('deviceId' in change ? { deviceId: 'device-1' } : {}),
      ...('thing' in change ? { thingId: 'w' } : {}),
      ...less,
    })
    expect(after(yard, said(narrowed(yard, change)))).toEqual(after(yard, said(change)))
  })
  it('a new plan, a new thing and a change of nothing stay whole', () => {
    for (const change of [
      { type: 'setPlan', deviceId: 'device-2', plan: { sight } },
      { type: 'putThing', thing: wall(0, 0, 1, 1, { id: 'new' }) },
      plan(sight),
    ] as const) {
      expect(narrowed(yard, change)).toEqual(change)
    }
  })
})

describe('two people', () => {
  const [lead, fitter] = [
    { madeOn: 'laptop', by: 'Lead', base: 1 },
    { madeOn: 'phone', by: 'Installer 1', base: 1 },
  ]
  it('who change different fields both get what they said, whoever comes first', () => {
    const [a, b] = [said(plan({ tiltDeg: 20 }), lead), said(plan({ heightM: 3.3 }), fitter)]
    expect(conflictsOf(b, [a])).toEqual([])
    expect(after(yard, a, b)).toEqual(after(yard, b, a))
    expect(after(yard, a, b).devices[0]!.sight).toEqual({ ...sight, tiltDeg: 20, heightM: 3.3 })
  })
  it('who change one field: the newer is in use, both are kept, and setting it again settles it', () => {
    const [a, b] = [said(plan({ tiltDeg: 20 }), lead), said(plan({ tiltDeg: 25 }), fitter)]
    const [conflict, ...more] = conflictsOf(b, [a])
    expect(more).toEqual([])
    expect(conflict).toMatchObject({
      path: 'device/device-1/sight/tiltDeg',
      newer: { value: 25, by: 'Installer 1' },
      older: { value: 20, by: 'Lead' },
    })
    const both = after(yard, a, b, said({ type: 'noteConflict', conflict: conflict! }))
    expect([both.devices[0]!.sight!.tiltDeg, both.conflicts]).toEqual([25, [conflict]])
    const chosen = changeAt(both, conflict!.path, conflict!.older.value)!
    const settled = after(both, said(chosen))
    expect([settled.devices[0]!.sight!.tiltDeg, settled.conflicts]).toEqual([20, []])
    expect(after(both, said({ type: 'settleConflict', conflictId: conflict!.id })).conflicts).toEqual([])
    expect(after(both, said(plan({ heightM: 4 }))).conflicts).toEqual([conflict])
  })
  it.each([
    ['the same value', { ...fitter }, 20],
    ['one’s own earlier word', { ...lead }, 25],
  ])('%s is no conflict', (_, who, tiltDeg) =>
    expect(conflictsOf(said(plan({ tiltDeg }), who), [said(plan({ tiltDeg: 20 }), lead)])).toEqual([]),
  )
  it('who record one step differently: both are kept', () => {
    const step = (note: string): Change => ({
      type: 'recordStep',
      deviceId: 'device-1',
      stepId: 'mount/tug',
      title: '',
      outcome: { state: 'done', value: null, choice: 'firm', note },
    })
    expect(conflictsOf(said(step('b'), fitter), [said(step('a'), lead)])).toMatchObject([
      { path: 'step/device-1/mount/tug', older: { value: { note: 'a' } }, newer: { value: { note: 'b' } } },
    ])
  })
  it('every way to a field leads back to the field', () => {
    const ways: Change[] = [
      plan({ heightM: 4 }),
      { type: 'editJob', change: { headEnd: 'Loft' } },
      { type: 'editDevice', deviceId: 'device-1', change: { name: 'Gate' } },
      { type: 'editDetails', deviceId: 'device-1', change: { serial: 'x' } },
      { type: 'editThing', thingId: 'w', change: { heightM: 1.5 } },
      { type: 'putEquipment', equipmentId: 'switch', change: { name: 'Rack' } },
      { type: 'setSite', site: null },
    ]
    for (const change of ways) {
      const other = said({ ...change }, lead)
      const touched = conflictsOf(said(change, fitter), [other])
      expect(touched).toEqual([]) // the same value
    }
    const other = after(yard, said(ways[0]!), said(ways[4]!))
    expect(changeAt(other, 'thing/w/heightM', 3)).toEqual({
      type: 'editThing',
      thingId: 'w',
      change: { heightM: 3 },
    })
    expect(changeAt(other, 'device/device-1/details/serial', 'y')).toMatchObject({ change: { serial: 'y' } })
    const box = (leftM: number) => ({ id: 'b', name: 'B1', cableId: 'cat6', leftM })
    const put = (leftM: number): Change => ({ type: 'putBox', box: box(leftM) })
    const [conflict] = conflictsOf(said(put(40), fitter), [said(put(90), lead)])
    expect(conflict).toMatchObject({ path: 'box/b', older: { value: box(90) }, newer: { value: box(40) } })
    const both = after(other, said(put(40)), said({ type: 'noteConflict', conflict: conflict! }))
    const settled = after(both, said(changeAt(both, 'box/b', box(90))!))
    expect([settled.boxes, settled.conflicts]).toEqual([[box(90)], []])
    expect(changeAt(other, 'nowhere', 1)).toBeNull()
  })
})
