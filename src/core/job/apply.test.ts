import { NO_RECORDER } from '../terminate/plan'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assessDevice } from '../assess'
import { device, equipment } from '@/testing/jobs'
import { after, LATER, refused, START } from '@/testing/smallYard'
import { NO_DETAILS, USUAL_ALLOWANCES, USUAL_POLICIES, type Change, type EquipmentChoice } from '.'

/** What each command does to a job: one line a command, applied to the same small yard. */

const proposals = assessDevice(START.devices[0]!, START, CATALOGUE).stages!
const {
  id: _id,
  sight: _s,
  mount: _m,
  route: _r,
  terminate: _t,
  seal: _e,
  power: _p,
  details: _d,
  ...CHOICE
} = device()
const facts = {
  name: 'Yard',
  address: 'Quay',
  units: 'imperial' as const,
  headEnd: 'Loft',
  windMS: 40,
  terrain: 'water' as const,
  mainsV: 120,
  keepPhotoPlace: true,
  floorHeightsM: { upper: 2.7, loft: null, roof: 5.4 },
  policies: USUAL_POLICIES,
  allowances: USUAL_ALLOWANCES,
}

describe('the job itself', () => {
  it('is created with who and when, empty', () =>
    expect(after({ type: 'createJob', facts }, null)).toEqual({
      id: 'job-1',
      ...facts,
      createdAt: LATER,
      createdBy: 'Installer 2',
      site: null,
      backgrounds: [],
      things: [],
      ownParts: [],
      equipment: [],
      devices: [],
      runs: [],
      boxes: [],
      records: [],
      handed: [],
      photos: [],
      faults: [],
      conflicts: [],
      signed: [],
    }))
  it('what a newer server tells is refused in words, not by falling over', () =>
    expect(refused({ type: 'paintJob' } as never)).toBe('/type'))
  it('is not created twice', () => expect(refused({ type: 'createJob', facts })).toBe('/jobId'))
  it('changes its facts and keeps the rest', () =>
    expect(after({ type: 'editJob', change: facts })).toEqual({ ...START, ...facts }))
})

describe('equipment', () => {
  const put = (equipmentId: string, change: Partial<EquipmentChoice>): Change => ({
    type: 'putEquipment',
    equipmentId,
    change,
  })
  const dc = after(put('dc', { name: 'DC', partId: 'dc-12-5' }))
  it('is taken with the next free mark, new and dry at the head end; changed in place; let go', () => {
    expect(dc.equipment).toEqual([
      equipment(),
      equipment({ id: 'dc', name: 'DC', partId: 'dc-12-5', mark: 'E2' }),
    ])
    const renamed = after(put('switch', { name: 'Rack', partId: 'switch-16' }), dc)
    expect(renamed.equipment[0]).toEqual(equipment({ name: 'Rack', partId: 'switch-16' }))
    const left = after({ type: 'removeEquipment', equipmentId: 'switch' }, renamed)
    expect(left.equipment.map(({ id }) => id)).toEqual(['dc'])
    // The mark of what has gone is free, that of what stands is not.
    expect(after(put('b', { name: 'B', partId: 'switch-8' }), left).equipment[1]!.mark).toBe('E3')
  })
  it('has a label of its own to write on, steps to record and faults to raise', () => {
    const labelled = after({ type: 'editDetails', deviceId: 'dc', change: { serial: 'NB-9' } }, dc)
    expect(labelled.equipment[1]!.details).toEqual({ ...NO_DETAILS, serial: 'NB-9' })
    const outcome = { state: 'done', value: null, choice: null, note: '' } as const
    const recorded = after(
      { type: 'recordStep', deviceId: 'dc', stepId: 'mount/hold', title: '', outcome },
      dc,
    )
    expect(recorded.records.at(-1)).toMatchObject({ deviceId: 'dc', stepId: 'mount/hold' })
    expect(refused({ type: 'removeEquipment', equipmentId: 'dc' }, recorded)).toBe('/equipmentId')
    expect(
      refused({ type: 'recordStep', deviceId: 'gone', stepId: 'mount/hold', title: '', outcome }, dc),
    ).toBe('/deviceId')
  })
  it.each<[string, Change, string]>([
    ['a part that the catalogue lacks', put('x', { name: 'X', partId: 'none' }), '/change/partId'],
    ['nothing but a name', put('x', { name: 'X' }), '/change/partId'],
    ['a mark that a camera has', put('dc', { mark: '02' }), '/change/mark'],
    ['a mark that other equipment has', put('dc', { mark: 'E1' }), '/change/mark'],
    ['the id of a camera', put('device-2', { name: 'X', partId: 'switch-8' }), '/equipmentId'],
    ['the place of what stays', put('dc', { replaces: 'switch' }), '/change/replaces'],
    ['its own place', put('dc', { replaces: 'dc' }), '/change/replaces'],
    ['the place of nothing', put('dc', { replaces: 'gone' }), '/change/replaces'],
  ])('refuses %s', (_, change, path) => expect(refused(change, dc)).toBe(path))
  it('replaces what is taken away, once, for as long as that is taken away', () => {
    const gone = after(put('switch', { state: 'taken away' }), dc)
    const replaced = after(put('dc', { replaces: 'switch' }), gone)
    expect(refused(put('switch', { state: 'new' }), replaced)).toBe('/change/state')
    expect(refused(put('dc', { state: 'kept' }), replaced)).toBe('/change/replaces')
    expect(refused({ type: 'removeEquipment', equipmentId: 'switch' }, replaced)).toBe('/equipmentId')
    const again: Change = { type: 'editDevice', deviceId: 'device-2', change: { replaces: 'switch' } }
    expect(refused(again, replaced)).toBe('/change/replaces')
    expect(after(again, after(put('dc', { replaces: null }), replaced)).devices[1]!.replaces).toBe('switch')
  })
})

describe('devices', () => {
  it('are added with nothing planned, after the others', () => {
    const { devices } = after({ type: 'addDevice', deviceId: 'device-3', choice: { ...CHOICE, mark: '03' } })
    expect(devices.map(({ mark }) => mark)).toEqual(['01', '02', '03'])
    expect(devices[2]).toEqual({
      id: 'device-3',
      ...CHOICE,
      mark: '03',
      sight: null,
      mount: null,
      route: null,
      terminate: null,
      seal: null,
      power: null,
      details: NO_DETAILS,
    })
  })
  it('keep what is planned when their parts change', () => {
    const planned = after({ type: 'setPlan', deviceId: 'device-1', plan: { sight: proposals.sight.input } })
    const changed = after(
      {
        type: 'editDevice',
        deviceId: 'device-1',
        change: { name: 'Doors', cameraId: 'bullet-2mp-4' },
      },
      planned,
    )
    expect(changed.devices[0]).toMatchObject({
      name: 'Doors',
      cameraId: 'bullet-2mp-4',
      sight: proposals.sight.input,
    })
  })
  it('may keep their own mark, not take another’s', () => {
    expect(refused({ type: 'editDevice', deviceId: 'device-1', change: CHOICE })).toBeNull()
    expect(refused({ type: 'editDevice', deviceId: 'device-1', change: { mark: '02' } })).toBe('/change/mark')
  })
  it('go only while nothing is recorded on them', () => {
    expect(after({ type: 'removeDevice', deviceId: 'device-2' }).devices.map(({ id }) => id)).toEqual([
      'device-1',
    ])
    expect(refused({ type: 'removeDevice', deviceId: 'device-1' })).toBe('/deviceId')
  })
  it.each<[Change, string]>([
    [{ type: 'setPlan', deviceId: 'device-2', plan: { sight: proposals.sight.input } }, 'sight'],
    [{ type: 'setPlan', deviceId: 'device-2', plan: { mount: proposals.mount.input } }, 'mount'],
    [{ type: 'setPlan', deviceId: 'device-2', plan: { route: proposals.route.input } }, 'route'],
    [{ type: 'setPlan', deviceId: 'device-2', plan: { terminate: proposals.terminate.input } }, 'terminate'],
    [{ type: 'setPlan', deviceId: 'device-2', plan: { seal: proposals.seal.input } }, 'seal'],
    [{ type: 'setPlan', deviceId: 'device-2', plan: { power: { supplyId: 'switch', port: 4 } } }, 'power'],
    [{ type: 'editDetails', deviceId: 'device-2', change: { ...NO_DETAILS, serial: 'NB-1' } }, 'details'],
  ])('%# are planned one stage at a time, and only that changes', (change, stage) => {
    const now = after(change)
    const { [stage as 'sight']: planned, ...rest } = now.devices[1]!
    const { [stage as 'sight']: __, ...before } = START.devices[1]!
    const { plan, change: details } = change as { plan?: Record<string, object>; change?: object }
    expect(planned).toEqual(plan?.[stage] ?? details)
    expect(rest).toEqual(before)
    expect(refused({ ...change, deviceId: 'gone' } as Change)).toBe('/deviceId')
  })
  it.each<[Change, string]>([
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: { mount: { ...proposals.mount.input, fixingId: 'none' } },
      },
      '/plan/mount/fixingId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: { mount: { ...proposals.mount.input, woodId: 'balsa' } },
      },
      '/plan/mount/woodId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: { terminate: { ...NO_RECORDER, cameraEndId: 'none', headEndId: 'jack' } },
      },
      '/plan/terminate/cameraEndId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: { terminate: { ...NO_RECORDER, cameraEndId: 'plug', headEndId: 'none' } },
      },
      '/plan/terminate/headEndId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: {
          terminate: { cameraEndId: 'plug', headEndId: 'jack', recorderId: 'gone', recorderPort: null },
        },
      },
      '/plan/terminate/recorderId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: { seal: { choices: [{ opening: 'x', sealId: 'none', cables: 1 }] } },
      },
      '/plan/seal/choices/0/sealId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: {
          route: {
            segments: [
              {
                id: 'a',
                space: 'conduit',
                lengthM: 1,
                riseM: 0,
                temperatureC: 20,
                conduitId: 'none',
                conduitName: '',
              },
            ],
            laid: 'new',
            cordsM: 0,
            lead: null,
            forced: null,
          },
        },
      },
      '/plan/route/segments/0/conduitId',
    ],
    [
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: {
          route: {
            ...proposals.route.input,
            segments: [proposals.route.input.segments[0]!, proposals.route.input.segments[0]!],
          },
        },
      },
      '/plan/route/segments',
    ],
  ])('%# refuse parts that the catalogue lacks, at the field', (change, path) =>
    expect(refused(change)).toBe(path),
  )
})
