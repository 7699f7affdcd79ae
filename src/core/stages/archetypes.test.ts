import { describe, expect, it } from 'vitest'
import { CATALOGUE, KITS } from '@/catalogue'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { carryOut } from '@/testing/simulate'
import { assess, assessDevice } from '../assess'
import { firstMisfit } from '../assembly'
import type { Device, Job } from '../job'
import { pullSheet } from '../pull'

/**
 * Every usual kind of install as a whole: its kit planned as proposed, its steps carried out by the rules of
 * hand and thing alone, what must come before what, and what there is to say of it. The orders are common
 * practice, no source; none is a list of steps, all are pairs.
 */

const SUPPLIES = ['switch-16', 'dc-12-5', 'mains-circuit', 'recorder-coax-8'].map((partId, i) =>
  equipment({ id: partId, name: partId, partId, mark: `E${i + 1}` }),
)
const FED_BY = { 'pair': 'switch-16', 'coax and power': 'dc-12-5', 'mains': 'mains-circuit' } as const

/** The kit's device, planned as proposed and fed, in a job of these habits. */
function install(kitId: string, change: Partial<Device> = {}, habits: Partial<Job['policies']> = {}) {
  const { choice } = KITS.find(({ id }) => id === kitId)!
  const on = job({ equipment: SUPPLIES, policies: { ...job().policies, ...habits } })
  const parts = { ...choice, mountIds: [...choice.mountIds], accessoryIds: [...choice.accessoryIds] }
  const fed = FED_BY[CATALOGUE.cameras.get(choice.cameraId)!.cable]
  const planned = plannedThrough(device({ ...parts, ...change }), on)
  const input = planned.terminate?.recorderId ? { recorderPort: 'video-1' } : {}
  const terminate = planned.terminate && { ...planned.terminate, ...input }
  const of = { ...planned, terminate, power: { supplyId: fed, port: 1 } }
  const assessed = assessDevice(of, on, CATALOGUE)
  const steps = assessed.steps.map(({ step }) => step)
  return { of, on, steps, ids: steps.map(({ id }) => id), findings: assessed.findings }
}

const troubles = ({ findings }: ReturnType<typeof install>) =>
  findings.filter(({ verdict }) => verdict !== 'good').map(({ id, verdict }) => `${verdict} ${id}`)

describe('every kit', () => {
  it.each(KITS.map(({ id }) => id))('%s fits together, is planned whole, and can be carried out', (id) => {
    const { of, on, ids, findings } = install(id)
    const camera = CATALOGUE.cameras.get(of.cameraId)!
    const mounts = of.mountIds.map((mountId) => CATALOGUE.mounts.get(mountId)!)
    expect(firstMisfit({ mounts, camera })).toBeNull()
    expect(assess({ ...on, devices: [of] }, CATALOGUE).counts.unplanned).toBe(0)
    expect(carryOut(of, ids)).toBeNull()
    expect(findings.some((one) => one.id.startsWith('mount/order'))).toBe(false)
  })
  it('has an id and a name of its own', () => {
    expect(new Set(KITS.map(({ id }) => id)).size).toBe(KITS.length)
    expect(new Set(KITS.map(({ name }) => name)).size).toBe(KITS.length)
  })
})

/** What there is to say of a kit as it is proposed: no more and no less. */
const SAID: Readonly<Record<string, readonly string[]>> = {
  'box-in-housing': ['check sight/infrared'], // it has none
  'large-dome-corner': ['check mount/two-people'],
  'large-dome-pole': ['check mount/shake', 'check mount/two-people'],
  'dome-in-ceiling': ['stop mount/backing'], // board alone carries no dome: until a joist or a backing is marked
  'ptz-on-arm': ['stop power/class'], // its worst hour asks for more than a port of class 4 gives
  'floodlight': ['check power/mains'],
}
it.each(KITS.map(({ id }) => id))('%s: what is said of it', (id) =>
  expect(troubles(install(id)).sort()).toEqual([...(SAID[id] ?? [])].sort()),
)

/** Pairs that stand in this order, wherever else the steps may stand. */
type Pair = readonly [earlier: string, later: string]
const BEFORE: readonly (readonly [kit: string, ...pairs: readonly Pair[]])[] = [
  [
    'bullet-in-the-open',
    // The whole joint is sealed while it hangs free: once the base is up nobody reaches it.
    ['power/connect', 'seal/camera/tail'],
    ['seal/camera/tail', 'mount/fix'],
    ['seal/tails', 'mount/fix'],
  ],
  [
    'bullet-on-box',
    // Nut before plug; gland from inside before the box is up; the bullet hangs while it is wired.
    ['terminate/thread-on', 'terminate/camera-end'],
    ['mount/wall-hole', 'mount/fix'],
    ['seal/mount-0/entry', 'mount/fix'],
    ['mount/level', 'mount/camera'],
    ['power/connect', 'mount/camera'],
    ['seal/before-closing', 'mount/camera'],
    ['mount/camera', 'aim/tilt'],
  ],
  [
    'turret-on-rod',
    // From the ceiling down, each part on the last, and the joint in the box under the rod.
    ['mount/fix', 'mount/join-1'],
    ['mount/join-1', 'mount/join-2'],
    ['mount/join-2', 'power/connect'],
    ['power/connect', 'mount/camera'],
  ],
  [
    'modular-dome',
    // Motors: closed first, aimed from the desk after.
    ['seal/camera/entry', 'mount/fix'],
    ['mount/fix', 'power/connect'],
    ['mount/close', 'aim/tilt'],
  ],
  [
    'mini-dome',
    ['mount/fix', 'power/connect'],
    ['mount/accessory-memory-card', 'mount/close'],
    ['aim/tilt', 'mount/close'],
  ],
  [
    'dome-back-box',
    // The grommet is pierced and drawn back while its inside is open; a plug made by hand passes it.
    ['seal/cable', 'seal/camera/entry'],
    ['seal/camera/entry', 'mount/fix'],
    ['aim/tilt', 'mount/close'],
  ],
  ['panoramic-on-wall', ['seal/cable', 'seal/camera/entry'], ['seal/camera/entry', 'terminate/camera-end']],
  [
    'box-in-housing',
    ['mount/join-1', 'mount/camera'],
    ['seal/mount-1/gland', 'power/connect'],
    ['mount/camera', 'power/connect'],
    ['aim/tilt', 'mount/close'],
  ],
  [
    'bullet-on-pole',
    ['seal/mount-0/entry', 'mount/fix'],
    ['mount/fix', 'mount/join-1'],
    ['power/accessory-protector-pair', 'power/connect'],
  ],
  ['bullet-in-line', ['power/accessory-in-line-adapter', 'power/connect'], ['power/connect', 'mount/camera']],
  [
    'like-for-like',
    // Its box may hold mains: off, locked, proved dead, and only then is the old fitting touched.
    ['power/isolate', 'power/dead'],
    ['power/dead', 'mount/take-down'],
    ['mount/take-down', 'mount/fix'],
  ],
  [
    'large-dome-pendant',
    ['mount/fix', 'mount/join-1'],
    ['seal/camera/entry', 'mount/camera'],
    // Its screws stand inside the hood: the camera goes in before the hood goes up.
    ['mount/camera', 'mount/join-2'],
    ['mount/join-2', 'power/connect'],
  ],
  [
    'large-dome-arm',
    ['seal/mount-0/entry', 'mount/fix'],
    ['power/accessory-ferrite', 'mount/camera'],
    ['mount/camera', 'mount/join-1'],
  ],
  [
    'dome-in-ceiling',
    ['mount/cut-out', 'mount/fix'],
    ['mount/cut-out', 'route/pull'],
    ['mount/camera', 'mount/fix'],
  ],
  [
    'ptz-on-arm',
    // Never turned by hand: it is closed, and then sent to its place.
    ['seal/mount-0/entry', 'mount/fix'],
    ['seal/camera/tail', 'mount/fix'],
    ['mount/close', 'aim/tilt'],
  ],
  [
    'analogue-bullet',
    ['terminate/thread-on', 'terminate/camera-end'],
    ['power/connect', 'power/volts'],
    ['power/volts', 'mount/camera'],
  ],
  [
    'floodlight',
    ['power/isolate', 'power/dead'],
    ['power/dead', 'mount/cut-out'],
    ['power/clamp', 'mount/fix'],
    ['mount/fix', 'power/mains'],
    ['power/mains', 'mount/camera'],
  ],
]
it.each(BEFORE.map(([kit, ...pairs]) => ({ kit, pairs })))(
  '$kit: in the order of the trade',
  ({ kit, pairs }) => {
    const { ids } = install(kit)
    for (const [earlier, later] of pairs) {
      expect(ids).toEqual(expect.arrayContaining([earlier, later]))
      expect([earlier, later, ids.indexOf(earlier) < ids.indexOf(later)]).toEqual([earlier, later, true])
    }
  },
)

describe('what a kit must not ask', () => {
  it.each([
    ['modular-dome', /^terminate\/boot|^seal\/camera\/tail/],
    ['bullet-on-pole', /^mount\/(pilot|cable-hole|wall-hole)$/], // nothing is drilled into a pole
    ['like-for-like', /^mount\/(pilot|cable-hole)$/], // nor into a box that is there
    ['analogue-bullet', /^handover\/password|^terminate\/wire-map|^bench\/power-up/],
    ['floodlight', /^seal\/camera\/tail|^terminate\/wire-map|^terminate\/head-end/],
    ['dome-in-ceiling', /edge$|drip-loop/], // dry, and flush: there is no edge for water
    ['panoramic-on-wall', /^aim\/tilt/], // it sees all round
  ])('%s asks nothing like %s', (kit, never) =>
    expect(install(kit).ids.filter((id) => never.test(id))).toEqual([]),
  )
  it('no kit turns by hand what motors turn', () => {
    for (const { id, choice } of KITS)
      if (CATALOGUE.cameras.get(choice.cameraId)!.head === 'motors')
        expect(install(id).steps.find((step) => step.id === 'aim/tilt')!.place).toBe('at the desk')
  })
})

describe('words for where it stands', () => {
  const edge = (kit: string, change: Partial<Device> = {}) =>
    install(kit, change)
      .steps.filter(({ id }) => id.endsWith('edge'))
      .map(({ title, detail }) => `${title} ${detail}`)
  it('a wall has a top and sides, a soffit is sealed all round, and a box on an adapter has its own edge', () => {
    expect(edge('bullet-on-box')).toEqual([
      'Seal the edge against the wall: Silicone bead Bead round the top and both sides; ' +
        'leave the drain at the bottom open.',
    ])
    expect(edge('turret-on-rod')).toEqual([
      'Seal the edge against the soffit: Silicone bead Bead all round: ' +
        'what gets in above it does not run out again.',
    ])
    expect(edge('bullet-on-pole')[0]).toMatch(/^Seal the edge against the pole adapter with two bands:/)
  })
})

describe('the back of what is let into a wall', () => {
  const needs = (exposure: Device['exposure']) =>
    install('floodlight', { exposure }).findings.filter(({ id }) => id === 'seal/built-in:mount-0/entry')
      .length
  it('meets no rain: a splash-proof clamp does, but where the place is flooded', () => {
    expect(needs('open weather')).toBe(0)
    expect(needs('marine')).toBe(0)
    expect(needs('buried or flooding')).toBe(1)
  })
  it('while a box on the wall meets all of it', () => {
    const { findings } = install('bullet-on-box', {
      seal: { choices: [{ opening: 'mount-0/entry', sealId: null, cables: 1 }] },
    })
    expect(findings.some(({ id, verdict }) => id === 'seal/open:mount-0/entry' && verdict === 'stop')).toBe(
      true,
    )
  })
})

it('a sealing habit that asks for the whole coupling is met in the order in which its pieces go on', () => {
  const { steps, ids } = install('bullet-in-the-open', {}, { sealing: 'always' })
  const thread = steps.find(({ id }) => id === 'terminate/thread-on')!
  expect(thread.items[0]).toMatch(/nut/)
  expect(ids.indexOf('terminate/thread-on')).toBeLessThan(ids.indexOf('terminate/camera-end'))
})

describe('a camera on a cable that was there before', () => {
  const laid = (state: 'new' | 'kept', kitId = 'bullet-on-box') => {
    const { of } = install(kitId)
    return install(kitId, { route: { ...of.route!, laid: state } })
  }
  it('nothing is pulled, drilled for it or made at its head end; it is looked over and its hole sealed', () => {
    const [fresh, kept] = [laid('new'), laid('kept')]
    const gone = fresh.ids.filter((id) => !kept.ids.includes(id))
    expect(gone.sort()).toEqual(['mount/cable-hole', 'route/drip-loop', 'route/pull', 'terminate/head-end'])
    expect(kept.ids.filter((id) => !fresh.ids.includes(id))).toEqual(['route/look'])
    expect(kept.ids).toContain('mount/wall-hole')
    expect(kept.ids.indexOf('route/look')).toBeLessThan(kept.ids.indexOf('terminate/camera-end'))
    expect(carryOut(kept.of, kept.ids)).toBeNull()
    expect(troubles(kept)).toEqual([])
  })
  it('nothing of it is cut or loaded but the end at the camera, and the hole is not judged', () => {
    const listed = ({ of, on }: ReturnType<typeof install>) => pullSheet({ ...on, devices: [of] }, CATALOGUE)
    const { cuts, drills, van } = listed(laid('kept'))
    expect(cuts).toEqual([])
    expect(drills.filter(({ purpose }) => purpose === 'cable hole')).toEqual([])
    expect(van.flatMap(({ kind, item }) => (kind === 'connector' ? [item] : []))).toEqual([
      'RJ45 plug, no boot',
    ])
    expect(van.some(({ kind }) => kind === 'cable' || kind === 'support')).toBe(false)
    const { on, of } = laid('kept')
    expect(assessDevice(of, on, CATALOGUE).stages!.mount.unjudged.join(' ')).toContain(
      'The hole that is there',
    )
  })
  it('its length counts all the same: an old run that is too long stops it', () => {
    const { of } = install('bullet-on-box')
    const long = [{ ...of.route!.segments[0]!, lengthM: 95 }]
    const route = { ...of.route!, laid: 'kept' as const, segments: long }
    expect(troubles(install('bullet-on-box', { route }))).toContain('stop route/length')
  })
})
