import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { NOW, device, equipment, job } from '@/testing/jobs'
import { apply, Command, commandsOf, factsOf, RECORD_VERSION, upgradedCommand, USUAL_POLICIES } from '.'
import { upgradedJob } from './upgrades'

/**
 * Commands as programs of every version wrote them: a day's work without signal outlives an update. The
 * bodies are the old forms, word for word; none is made by today's code.
 */
const ENVELOPE = { jobId: 'job-1', at: NOW, by: 'Installer 1' }
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const policies = {
  pinScheme: 'T568B',
  sealing: 'by exposure',
  coaxSchool: 'twist-on',
  edition: '2014',
  contactGrease: 'in salt air',
}
const allowances = {
  deviceSlackM: 1,
  headEndSlackM: 3,
  dripLoopM: 0.3,
  serviceLoopM: 1,
  cutOffM: 0.3,
  terminationM: 0.1,
  wastePercent: 5,
}
const facts = { name: 'Old yard', address: '', units: 'imperial', headEnd: '', policies, allowances }
const sight = {
  heightM: 3,
  targetDistanceM: 6,
  targetHeightM: 1.6,
  level: 'recognise',
  focalMm: 4,
  tiltDeg: 12,
  portrait: false,
  shutterS: 0.004,
  wish: { place: 'left', kept: true, reason: '', agreedBy: '' },
}
const mount = {
  fixingId: 'screw-8',
  fixingCount: 4,
  woodId: null,
  threadInWoodMm: 30,
  makersPullN: null,
  passage: 'bare cable',
  tethered: false,
  backed: false,
}
const segment = {
  id: 'a',
  space: 'loft',
  lengthM: 8,
  riseM: 0,
  temperatureC: 40,
  conduitId: null,
}
const choice = {
  mark: '01',
  name: 'Doors',
  cameraId: 'bullet-4mp-vf',
  mountIds: ['junction-box'],
  surfaceId: 'timber-wall',
  exposure: 'open weather',
  cableId: 'cat6-outdoor',
  accessoryIds: [],
}
const details = {
  serial: 'NB-1',
  hardwareAddress: '',
  networkAddress: '',
  firmware: '',
  passwordReplaced: true,
}
const fault = {
  deviceId: null,
  stage: null,
  origin: 'step:test/unpack',
  title: 'Scratched',
  severity: 'looks',
  cause: 'other',
  note: '',
  due: null,
}
const placed = { ...sight, wish: { ...sight.wish, at: null }, place: null }
const braced = { ...mount, edgeMm: 40, slotMm: null, pole: null }
const drilled = { hole: 'new', holeMm: null }

const bank = {
  id: 'bank',
  floor: 'ground',
  name: '',
  locked: false,
  kind: 'ground level',
  path: [{ x: 1, y: 1 }],
  groundM: 1,
  endM: 1,
}
const ditch = {
  id: 'ditch',
  floor: 'ground',
  name: '',
  locked: false,
  kind: 'pathway',
  path: [
    { x: 0, y: 0 },
    { x: 4, y: 0 },
  ],
  space: 'buried duct',
  heightM: 0,
  endM: 0,
  endFloor: 'ground',
  temperatureC: 20,
  minutesPerM: 2,
  besideMains: false,
}
const hole = {
  id: 'hole',
  floor: 'ground',
  name: '',
  locked: false,
  kind: 'pull point',
  at: { x: 2, y: 0 },
  is: 'manhole',
  heightM: -0.5,
}
const begun = { id: 'b1', name: 'B1', cableId: 'cat6', leftM: 120 }
const fence = {
  id: 'fence',
  floor: 'ground',
  name: 'Fence',
  kind: 'wall',
  from: { x: 0, y: 0 },
  to: { x: 4, y: 0 },
  baseM: 0,
  heightM: 1.8,
  openings: [],
}
const spot = { floor: 'ground', x: 1, y: 2, panDeg: 30, rollDeg: 0 }

const FRESH = { state: 'new', replaces: null }

/** What each version knew, told in the order in which it was said. */
const SAID: Readonly<Record<number, readonly object[]>> = {
  1: [
    { type: 'createJob', facts },
    { type: 'putSupply', supply: { id: 'switch', name: 'Switch', partId: 'switch-8' } },
    { type: 'addDevice', deviceId: 'device-1', choice },
    { type: 'setSight', deviceId: 'device-1', sight },
    { type: 'setMount', deviceId: 'device-1', mount },
    { type: 'setRoute', deviceId: 'device-1', route: { segments: [segment], cordsM: 1, leadLengthM: null } },
    {
      type: 'setTerminate',
      deviceId: 'device-1',
      terminate: { cameraEndId: 'plug', headEndId: 'jack' },
    },
    { type: 'setSeal', deviceId: 'device-1', seal: { choices: [] } },
    { type: 'setPower', deviceId: 'device-1', power: { supplyId: 'switch', port: 2 } },
    { type: 'setDetails', deviceId: 'device-1', details },
    {
      type: 'recordStep',
      deviceId: 'device-1',
      stepId: 'test/unpack',
      outcome: { state: 'done', value: null, choice: null, note: 'dry' },
    },
    { type: 'raiseFault', faultId: 'f', facts: fault },
    { type: 'editFault', faultId: 'f', facts: { ...fault, severity: 'safety' } },
    { type: 'editDevice', deviceId: 'device-1', choice: { ...choice, name: 'Double doors' } },
    { type: 'editJob', facts: { ...facts, headEnd: 'Office' } },
  ],
  2: [{ type: 'setSight', deviceId: 'device-1', sight: { ...placed, tiltDeg: 14 } }],
  3: [
    { type: 'setMount', deviceId: 'device-1', mount: braced },
    { type: 'editJob', facts: { ...facts, headEnd: 'Office', windMS: 52 } },
  ],
  4: [
    {
      type: 'setRoute',
      deviceId: 'device-1',
      route: { segments: [{ ...segment, conduitName: 'riser' }], cordsM: 2, leadLengthM: null },
    },
    {
      type: 'editJob',
      facts: {
        ...facts,
        headEnd: 'Office',
        windMS: 52,
        terrain: 'water',
        mainsV: 110,
        keepPhotoPlace: true,
      },
    },
  ],
  5: [
    { type: 'putSupply', supply: { id: 'spare', name: 'Spare', partId: 'dc-12-5' } },
    { type: 'putSupply', supply: { id: 'switch', name: 'Rack switch', partId: 'switch-16' } },
    { type: 'removeSupply', supplyId: 'spare' },
    { type: 'editJob', change: { headEnd: 'Office' }, version: 5, madeOn: '', base: null },
  ],
  6: [
    {
      type: 'editJob',
      change: { policies: { ...facts.policies, contactGrease: 'never' } },
      version: 6,
      madeOn: '',
      base: null,
    },
  ],
  7: [
    {
      type: 'recordStep',
      deviceId: 'device-1',
      stepId: 'mount/tug',
      outcome: { state: 'done', value: null, choice: null, note: 'firm' },
      version: 7,
      madeOn: '',
      base: null,
    },
  ],
  8: [
    { type: 'addDevice', deviceId: 'device-2', choice: { ...choice, mark: '02', ...FRESH } },
    {
      type: 'setPlan',
      deviceId: 'device-2',
      plan: {
        route: { segments: [], cordsM: 2, leadLengthM: null },
        terminate: { cameraEndId: 'plug', headEndId: 'jack' },
      },
    },
    { type: 'setPlan', deviceId: 'device-2', plan: { route: { cordsM: 1.5 } } },
  ].map((change) => ({ ...change, version: 8, madeOn: '', base: null })),
  9: [
    { type: 'setPlan', deviceId: 'device-2', plan: { mount: braced } },
    { type: 'setPlan', deviceId: 'device-2', plan: { mount: { edgeMm: 50 } } },
  ].map((change) => ({ ...change, version: 9, madeOn: '', base: null })),
  10: [
    {
      type: 'addPhoto',
      photoId: 'photo-1',
      facts: { sha256: 'a'.repeat(64), deviceId: 'device-1', stepId: null, faultId: null, caption: '' },
      version: 10,
      madeOn: '',
      base: null,
    },
  ],
  11: [
    { type: 'putThing', thing: fence },
    {
      type: 'putThing',
      thing: { id: 'door', floor: 'loft', name: '', kind: 'head end', at: { x: 1, y: 2 } },
    },
    { type: 'editThing', thingId: 'fence', change: { heightM: 2 } },
    { type: 'setPlan', deviceId: 'device-2', plan: { sight: { ...placed, place: spot } } },
    { type: 'setPlan', deviceId: 'device-2', plan: { sight: { place: { ...spot, panDeg: 90 } } } },
    { type: 'setPlan', deviceId: 'device-2', plan: { sight: { heightM: 4 } } },
  ].map((change) => ({ ...change, version: 11, madeOn: '', base: null })),
  12: [
    { type: 'editJob', change: { floorHeightsM: { upper: 2.9, loft: null, roof: null } } },
    { type: 'putThing', thing: bank },
    { type: 'editThing', thingId: 'bank', change: { locked: true } },
  ].map((change) => ({ ...change, version: 12, madeOn: '', base: null })),
  13: [{ type: 'putThing', thing: ditch, version: 13, madeOn: '', base: null }],
  14: [{ type: 'putBox', box: begun, version: 14, madeOn: '', base: null }],
  15: [{ type: 'putThing', thing: hole, version: 15, madeOn: '', base: null }],
  16: [
    {
      type: 'putThing',
      thing: { ...ditch, id: 'pipe', conduitId: 'pvc-1', coldestC: 0, expansionFitted: true },
      version: 16,
      madeOn: '',
      base: null,
    },
  ],
  17: [
    {
      type: 'setPlan',
      deviceId: 'device-2',
      plan: { route: { laid: 'new', segments: [], cordsM: 1.5, leadLengthM: 9 } },
      version: 17,
      madeOn: '',
      base: null,
    },
  ],
  18: [
    {
      type: 'putThing',
      thing: {
        ...{ ...ditch, id: 'void', conduitId: null, coldestC: 5, expansionFitted: false },
        ...{ lyingCables: 0, lyingMm: 8 },
      },
      version: 18,
      madeOn: '',
      base: null,
    },
  ],
  19: [{ type: 'setPlan', deviceId: 'device-2', plan: { route: { leadLengthM: 12 } } }].map((change) => ({
    ...change,
    version: 19,
    madeOn: '',
    base: null,
  })),
}

describe('commands of every version are still taken', () => {
  const commands = Object.values(SAID)
    .flat()
    .map((change, n) => ({ ...change, ...ENVELOPE, id: id(n) }))
  const made = commands.reduce<ReturnType<typeof job> | null>((now, old) => {
    const command = Command.parse(upgradedCommand(old))
    const applied = apply(now, command, CATALOGUE)
    if (!applied.ok) throw new Error(`${command.type}: ${JSON.stringify(applied.reasons)}`)
    return applied.job
  }, null)!

  it('and lead to what they said, with today’s defaults where they knew nothing', () => {
    expect(factsOf(made)).toMatchObject({ name: 'Old yard', headEnd: 'Office', windMS: 52, terrain: 'water' })
    expect(factsOf(made)).toMatchObject({ mainsV: 110, keepPhotoPlace: true })
    expect(made.policies).toEqual({
      ...USUAL_POLICIES,
      ...facts.policies,
      contactGrease: 'never',
    })
    expect(made.equipment).toEqual([equipment({ name: 'Rack switch', partId: 'switch-16' })])
    const [only, second] = made.devices
    expect(second!.route).toEqual({
      ...{ laid: 'new', segments: [], cordsM: 1.5, forced: null },
      lead: { lengthM: 12, fedFrom: null, coilAt: null },
    })
    expect(only!.route!.lead).toBeNull()
    expect(only!.route!.forced).toBeNull()
    const ends = { cameraEndId: 'plug', headEndId: 'jack', recorderId: null, recorderPort: null }
    expect([only!.terminate, second!.terminate]).toEqual([ends, ends])
    expect([only!.route!.laid, made.runs]).toEqual(['new', []])
    expect(only).toMatchObject({ state: 'new', replaces: null })
    expect(only).toMatchObject({ name: 'Double doors', details, power: { supplyId: 'switch', port: 2 } })
    expect(only!.sight).toEqual({ ...placed, tiltDeg: 14 })
    expect(only!.mount).toEqual({ ...braced, ...drilled })
    expect([second!.mount, second!.partsKept]).toEqual([{ ...braced, ...drilled, edgeMm: 50 }, 0])
    expect(only!.route!.segments).toEqual([{ ...segment, conduitName: 'riser' }])
    expect(made.records.map(({ stepId, title, note }) => [stepId, title, note])).toEqual([
      ['bench/unpack', '', 'dry'],
      ['mount/tug', '', 'firm'],
    ])
    expect([made.ownParts, made.handed, made.photos[0]!.marks]).toEqual([[], [], []])
    expect(made.floorHeightsM).toEqual({ upper: 2.9, loft: null, roof: null })
    expect(made.things).toEqual([
      { ...fence, heightM: 2, locked: false, thicknessM: 0 },
      { id: 'door', floor: 'loft', name: '', kind: 'head end', at: { x: 1, y: 2 }, locked: false },
      { ...bank, locked: true },
      {
        ...ditch,
        conduitId: null,
        coldestC: 5,
        expansionFitted: false,
        lyingCables: 0,
        lyingMm: 8,
        freeMm: 0,
        yetToPut: false,
        bareEdges: false,
      },
      hole,
      {
        ...{ ...ditch, id: 'pipe', conduitId: 'pvc-1', coldestC: 0, expansionFitted: true },
        ...{ lyingCables: 0, lyingMm: 8, freeMm: 0, yetToPut: false, bareEdges: false },
      },
      {
        ...{ ...ditch, id: 'void', conduitId: null, coldestC: 5, expansionFitted: false },
        ...{ lyingCables: 0, lyingMm: 8, freeMm: 0, yetToPut: false, bareEdges: false },
      },
    ])
    expect(made.boxes).toEqual([begun])
    expect(second!.sight).toEqual({
      ...placed,
      heightM: 4,
      place: { ...spot, panDeg: 90, locked: false },
    })
    expect(made.faults[0]).toMatchObject({ severity: 'safety', origin: 'step:bench/unpack' })
  })
  it('a lead of a run of which only the length was known, in a job and in a command', () => {
    const lead = { lengthM: 7, fedFrom: null, coilAt: null }
    const said = { type: 'putRun', runId: 'r', change: { leadLengthM: 7 }, version: 19 }
    expect(upgradedCommand(said)).toMatchObject({ change: { lead } })
    expect(upgradedCommand({ ...said, change: { name: 'Link' } })).toMatchObject({ change: { name: 'Link' } })
    const runs = [{ leadLengthM: 7 }, { leadLengthM: null }]
    expect(upgradedJob({ runs }, 19)).toMatchObject({ runs: [{ lead }, { lead: null }] })
  })
  it('the first job’s facts: mains by its units, a usual wind, open ground', () => {
    const first = upgradedCommand({ ...SAID[1]![0], ...ENVELOPE, id: id(0) })
    expect(first).toMatchObject({
      facts: { windMS: 45, terrain: 'open', mainsV: 120, keepPhotoPlace: false },
    })
  })
  it('what names its version is brought up from there, and what is of today stays as it is', () => {
    for (const command of commandsOf(made, () => id(99))) expect(upgradedCommand(command)).toEqual(command)
    const fromFour = { ...SAID[4]![0], ...ENVELOPE, id: id(5), version: 4 }
    expect(Command.parse(upgradedCommand(fromFour))).toMatchObject({
      type: 'setPlan',
      base: null,
      madeOn: '',
    })
  })
  it('what no version wrote is left for the schema to name', () => {
    for (const odd of [
      null,
      7,
      [],
      { type: 'setSight' },
      { version: 99 },
      { version: -1, type: 'editJob' },
    ]) {
      expect(Command.safeParse(upgradedCommand(odd)).success).toBe(false)
    }
  })
})

it('a plan that nobody made yet comes whole; later its fields come alone', () => {
  const yard = job({ devices: [device()] })
  const carrying = (plan: object) =>
    apply(
      yard,
      Command.parse({
        ...ENVELOPE,
        id: id(1),
        version: RECORD_VERSION,
        madeOn: 'a',
        base: 3,
        type: 'setPlan',
        deviceId: 'device-1',
        plan,
      }),
      CATALOGUE,
    )
  expect(carrying({ power: { port: 3 } })).toMatchObject({
    ok: false,
    reasons: [{ path: '/plan/power/supplyId' }],
  })
  expect(carrying({ power: { port: 3, supplyId: 'switch' } })).toMatchObject({ ok: true })
})
