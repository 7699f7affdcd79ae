import { describe, expect, it } from 'vitest'
import { CATALOGUE, KITS } from '@/catalogue'
import { device, equipment, job, NOW, plannedThrough, run } from '@/testing/jobs'
import { carryOut } from '@/testing/simulate'
import { assess } from '../assess'
import { deviceRecord } from '../handover'
import type { Device, Fault, Job } from '../job'
import { pullSheet } from '../pull'

/**
 * Whole jobs of several devices, as they are met in the trade: a yard of six on one recorder, a camera for a
 * camera on the run that is there, and a bad install put right. What must hold of each is common practice, no
 * source.
 */

const kitOf = (id: string, change: Partial<Device>): Device => {
  const { choice } = KITS.find((kit) => kit.id === id)!
  return device({
    ...choice,
    mountIds: [...choice.mountIds],
    accessoryIds: [...choice.accessoryIds],
    ...change,
  })
}
const RACK = [
  equipment({ id: 'switch', mark: 'E1', name: 'Rack switch', partId: 'switch-16' }),
  equipment({ id: 'recorder', mark: 'E2', name: 'Recorder', partId: 'recorder-16' }),
]
const planned = (of: Device, port: number): Device => ({
  ...plannedThrough(of, job({ equipment: RACK })),
  power: { supplyId: 'switch', port },
})
const idsOf = (yard: Job, id: string) =>
  assess(yard, CATALOGUE)
    .devices.find(({ deviceId }) => deviceId === id)!
    .steps.map(({ step }) => step.id)
const stops = (yard: Job) => {
  const { devices, equipment: pieces, runs } = assess(yard, CATALOGUE)
  return [...devices, ...pieces, ...runs].flatMap(({ mark, findings }) =>
    findings.filter(({ verdict }) => verdict === 'stop').map(({ id }) => `${mark} ${id}`),
  )
}

describe('a yard of six on one recorder', () => {
  const KIT_OF = [
    'bullet-on-box',
    'turret-under-soffit',
    'dome-under-soffit',
    'mini-dome',
    'turret-on-rod',
    'dome-back-box',
  ]
  const devices = KIT_OF.map((kit, i) =>
    planned(kitOf(kit, { id: `d${i}`, mark: `0${i + 1}`, name: `Place ${i + 1}` }), i + 1),
  )
  const uplink = run({ fromPort: 'uplink-1', toPort: 'uplink-1', fromEndId: 'plug', toEndId: 'plug' })
  const yard = job({ equipment: RACK, devices, runs: [uplink] })

  it('every camera can be hung as its steps say; nothing stops, and each run is cut under its mark', () => {
    expect(stops(yard)).toEqual([])
    for (const one of devices)
      expect([one.mark, carryOut(one, idsOf(yard, one.id))]).toEqual([one.mark, null])
    const { cuts } = pullSheet(yard, CATALOGUE)
    expect(cuts.map(({ mark }) => mark).sort()).toEqual([...devices.map(({ mark }) => mark), 'R1'].sort())
  })
  it('two in one port stop the switch, as do two that find none, and an uplink of another kind its run', () => {
    const atPort = (of: (i: number) => number, partId = 'switch-16') =>
      stops({
        ...yard,
        equipment: [{ ...RACK[0]!, partId }, RACK[1]!],
        devices: devices.map((one, i) => ({ ...one, power: { supplyId: 'switch', port: of(i) } })),
      })
    expect(atPort((i) => (i === 5 ? 5 : i + 1))).toEqual(['E1 power/port-5'])
    expect(atPort((i) => i + 1, 'switch-outdoor-4')).toEqual([
      'E1 power/ports',
      'E1 power/no-port-5',
      'E1 power/no-port-6',
      'R1 terminate/other-port:to', // the small one takes its uplink over fibre
    ])
    expect(atPort((i) => i + 1)).toEqual([])
  })
})

describe('a camera for a camera on the run and through the hole that are there', () => {
  const old = kitOf('dome-under-soffit', { id: 'old', mark: '08', name: 'Porch, old', state: 'taken away' })
  const first = planned(
    kitOf('dome-under-soffit', { id: 'new', mark: '01', name: 'Porch', replaces: 'old' }),
    1,
  )
  const again: Device = {
    ...first,
    mount: { ...first.mount!, hole: 'kept', holeMm: 25 },
    route: { ...first.route!, laid: 'kept' },
  }
  const porch = job({ equipment: RACK, devices: [old, again] })
  it('the old one goes down first; its cable is looked over and its pin scheme found before an end is made', () => {
    const ids = idsOf(porch, 'new')
    const order = ['mount/replaced', 'mount/fix', 'mount/camera'].filter((id) => ids.includes(id))
    for (const [i, id] of order.entries())
      if (i > 0) expect(ids.indexOf(order[i - 1]!)).toBeLessThan(ids.indexOf(id))
    expect(ids.indexOf('route/look')).toBeLessThan(ids.indexOf('terminate/camera-end'))
    expect(ids).toContain('handover/password')
    expect(ids.filter((id) => /cable-hole|pull$|head-end/.test(id))).toEqual([])
    expect([stops(porch), carryOut(again, ids)]).toEqual([[], null])
  })
  it('nothing is cut or drilled for its cable, and the old one leaves nothing to load', () => {
    const { cuts, drills, van } = pullSheet(porch, CATALOGUE)
    expect([cuts, drills.filter(({ purpose }) => purpose === 'cable hole')]).toEqual([[], []])
    expect(van.filter(({ kind }) => kind === 'camera').map(({ count }) => count)).toEqual([1])
  })
})

describe('a bad install put right', () => {
  const fault: Fault = {
    id: 'f',
    deviceId: 'new',
    stage: 'seal',
    origin: null,
    title: 'Old hole in the wall left open',
    cause: 'unsealed entry or gland',
    severity: 'will fail',
    note: 'As found.',
    due: '2026-03-20',
    raisedAt: NOW,
    raisedBy: 'Lead',
    state: 'temporary fix',
    events: [
      {
        event: 'fix',
        at: NOW,
        by: 'Lead',
        fix: { kind: 'temporary', what: 'Silicone over the hole', until: '2026-03-20' },
      },
    ],
  }
  const old = kitOf('bullet-on-box', { id: 'old', mark: '08', name: 'Gate, old', state: 'taken away' })
  const made = planned(
    kitOf('bullet-on-box', { id: 'new', mark: '01', name: 'Gate', replaces: 'old', partsKept: 1 }),
    1,
  )
  const right: Device = { ...made, route: { ...made.route!, laid: 'kept' } }
  const gate = job({ equipment: RACK, devices: [old, right], faults: [fault] })
  it('what is reused is looked over and told in the record; the temporary seal stands open with its day', () => {
    const ids = idsOf(gate, 'new')
    expect(ids.indexOf('mount/replaced')).toBeLessThan(ids.indexOf('mount/kept-parts'))
    expect(ids.indexOf('mount/kept-parts')).toBeLessThan(ids.indexOf('mount/camera'))
    expect([stops(gate), carryOut(right, ids)]).toEqual([[], null])
    const { facts, faults } = deviceRecord(gate, right, assess(gate, CATALOGUE).devices[1]!, CATALOGUE)
    expect(facts).toContainEqual({ label: 'Mount', says: 'Junction box, 120 mm (was there, stays)' })
    expect(JSON.stringify(faults)).toContain('Silicone over the hole')
  })
  it('had its box come down with the old camera, everything that the box asks is asked again', () => {
    const anew = { ...gate, devices: [old, { ...right, partsKept: 0, route: made.route }] }
    expect(idsOf(anew, 'new')).toEqual(
      expect.arrayContaining(['mount/pilot', 'mount/fix', 'mount/level', 'seal/mount-0/entry']),
    )
  })
})
