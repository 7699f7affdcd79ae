import fc from 'fast-check'
import { CATALOGUE } from '@/catalogue'
import { STAGES } from '@/core/findings'
import { CARRIES } from '@/core/run'
import {
  CAUSES,
  EXPOSURES,
  FLOORS,
  LAID,
  LEVELS,
  NO_DETAILS,
  PASSAGES,
  POLE_MATERIALS,
  SEVERITIES,
  SPACES,
  STANDS,
  STATES,
  TERRAINS,
  USUAL_ALLOWANCES,
  USUAL_POLICIES,
  type Device,
  type Fault,
  type Job,
  type Photo,
  type PlanThing,
  type Run,
  type StepRecord,
} from '@/core/job'
import type { OwnPart } from '@/core/parts'
import { NOW, equipment, job } from './jobs'
import { allOf, ownPart } from './ownParts'

/** Generated jobs of extreme but legal values. */

const keys = <T extends string>(table: Record<T, unknown>) => fc.constantFrom(...(Object.keys(table) as T[]))
const part = (table: ReadonlyMap<string, unknown>) => fc.constantFrom(...table.keys(), 'no-such-part')
const real = (min: number, max: number) =>
  fc
    .oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max))
    .map((value) => (value === 0 ? 0 : value))
const line = fc.constantFrom('', 'left of the door', 'Ünïcode “quoted” <b>')
const moment = fc.constantFrom(NOW, '2020-02-29T23:59:59Z')
const person = fc.constantFrom('Lead', 'Installer 1')
const sha256 = fc.constantFrom('a'.repeat(64), 'b'.repeat(64))

const planPoint = fc.record({ x: real(-50, 50), y: real(-50, 50) })
const apart = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y) > 0.1
const edge = fc.tuple(planPoint, planPoint).filter(([a, b]) => apart(a, b))
const square = fc.tuple(planPoint, real(0.3, 20)).map(([{ x, y }, side]) => [
  { x, y },
  { x: x + side, y },
  { x: x + side, y: y + side },
  { x, y: y + side },
])
const common = { floor: keys(FLOORS), name: line }

/**
 * Things of every kind, wherever they fall: walls through cameras, soffits below lenses, areas inside
 * trees.
 */
const thing: fc.Arbitrary<PlanThing> = fc.oneof(
  fc
    .record({
      ...common,
      id: fc.constant('t'),
      kind: fc.constant('wall' as const),
      ends: edge,
      baseM: real(0, 10),
      heightM: real(0.05, 20),
      door: fc.boolean(),
    })
    .map(({ ends: [from, to], door, ...rest }) => ({
      ...rest,
      from,
      to,
      openings: door ? [{ id: 'o', name: '', alongM: 0, widthM: 0.08, sillM: 0, headM: 2 }] : [],
    })),
  fc
    .record({
      ...common,
      id: fc.constant('t'),
      kind: fc.constant('soffit' as const),
      ends: edge,
      depthM: real(0.05, 10),
      undersideM: real(0.5, 60),
      lipM: real(0, 2),
    })
    .map(({ ends: [from, to], ...rest }) => ({ ...rest, from, to })),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('obstacle' as const),
    baseM: real(0, 10),
    heightM: real(0.05, 20),
    form: fc.oneof(
      fc.record({ is: fc.constant('round' as const), at: planPoint, radiusM: real(0.02, 20) }),
      fc.record({ is: fc.constant('block' as const), outline: square }),
    ),
  }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constantFrom('premises' as const, 'privacy' as const),
    outline: square,
  }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('area' as const),
    outline: square,
    level: keys(LEVELS),
    targetHeightM: real(0, 20),
  }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('target' as const),
    at: planPoint,
    level: keys(LEVELS),
    targetHeightM: real(0, 20),
  }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('walk' as const),
    path: edge.map(([a, b]) => [a, b]),
  }),
  fc.record({ ...common, id: fc.constant('t'), kind: fc.constant('head end' as const), at: planPoint }),
)
const site = fc.constantFrom<Job['site']>(
  null,
  { latitudeDeg: 51.5, longitudeDeg: -0.1, upBearingDeg: 20, timeZone: 'Europe/London' },
  { latitudeDeg: -89, longitudeDeg: 179, upBearingDeg: 0, timeZone: 'UTC' },
)

const sight = fc.record({
  heightM: real(0.3, 60),
  targetDistanceM: real(0.3, 500),
  targetHeightM: real(0, 20),
  level: keys(LEVELS),
  focalMm: real(0.5, 300),
  tiltDeg: real(-90, 90),
  portrait: fc.boolean(),
  shutterS: real(0.00001, 2),
  wish: fc.record({
    place: line,
    at: fc.option(planPoint),
    kept: fc.boolean(),
    reason: line,
    agreedBy: line,
  }),
  place: fc.option(
    fc.record({
      floor: keys(FLOORS),
      x: real(-50, 50),
      y: real(-50, 50),
      panDeg: real(-360, 360),
      rollDeg: real(-180, 180),
    }),
  ),
})
const mount = fc.record({
  fixingId: part(CATALOGUE.fixings),
  fixingCount: fc.integer({ min: 1, max: 24 }),
  woodId: fc.option(part(CATALOGUE.woods)),
  threadInWoodMm: real(0, 200),
  makersPullN: fc.option(real(1, 100000)),
  passage: keys(PASSAGES),
  tethered: fc.boolean(),
  backed: fc.boolean(),
  edgeMm: fc.option(real(0, 2000)),
  slotMm: fc.option(real(0, 2000)),
  pole: fc.option(
    fc.record({
      material: keys(POLE_MATERIALS),
      diameterMm: real(20, 1000),
      wallMm: real(0.5, 10),
      heightM: real(0.5, 60),
    }),
  ),
})
const segment = fc.record({
  space: keys(SPACES),
  lengthM: real(0, 1000),
  riseM: real(-100, 100),
  temperatureC: real(-40, 90),
  conduitId: fc.option(part(CATALOGUE.conduits)),
  conduitName: fc.constantFrom('', 'yard'),
})
const route = fc.record({
  segments: fc.array(segment, { maxLength: 5 }).map((list) => list.map((s, i) => ({ id: `way-${i}`, ...s }))),
  laid: keys(LAID),
  cordsM: real(0, 50),
  leadLengthM: fc.option(real(0.5, 100)),
})
const terminate = fc.record({
  cameraEndId: part(CATALOGUE.connectors),
  headEndId: part(CATALOGUE.connectors),
  recorderId: fc.constantFrom(null, 'plate', 'gone'),
  recorderPort: fc.constantFrom(null, 'video-1', 'video-99'),
})
const OPENINGS = [
  'camera/tail',
  'camera/entry',
  'mount-0/entry',
  'mount-0/edge',
  'mount-0/spare',
  'mount-1/joint',
  'gone/opening',
]
const seal = fc.record({
  choices: fc.array(
    fc.record({
      opening: fc.constantFrom(...OPENINGS),
      sealId: fc.option(part(CATALOGUE.seals)),
      cables: fc.integer({ min: 1, max: 8 }),
    }),
    { maxLength: 7 },
  ),
})
const power = fc.record({
  supplyId: fc.constantFrom('switch', 'dc', 'gone'),
  port: fc.option(fc.integer({ min: 1, max: 512 })),
})

const anyDevice: fc.Arbitrary<Omit<Device, 'id' | 'mark'>> = fc.record({
  name: fc.constantFrom('Door', 'Yard ö'),
  state: keys(STATES),
  replaces: fc.constant(null),
  cameraId: part(CATALOGUE.cameras),
  mountIds: fc.array(part(CATALOGUE.mounts), { maxLength: 4 }),
  surfaceId: part(CATALOGUE.surfaces),
  exposure: keys(EXPOSURES),
  cableId: part(CATALOGUE.cables),
  accessoryIds: fc.array(part(CATALOGUE.accessories), { maxLength: 2 }),
  sight: fc.option(sight),
  mount: fc.option(mount),
  route: fc.option(route),
  terminate: fc.option(terminate),
  seal: fc.option(seal),
  power: fc.option(power),
  details: fc.constant(NO_DETAILS),
})

const outcome = {
  state: fc.constantFrom('done' as const, 'left out' as const),
  value: fc.option(real(-1e6, 1e6)),
  choice: fc.option(fc.constantFrom('pass', 'open', 'as planned')),
  note: fc.constant('said'),
}
const STEPS = [
  'mount/level',
  'terminate/wire-map',
  'seal/cable',
  'route/length',
  'power/volts',
  'seal/before-closing',
  'sight/height',
  'gone/step',
]

/**
 * Any valid job: parts that the catalogue lacks, plans half made, records of steps that are gone, all
 * included.
 */
/** A camera read whole, a box of which nothing is read, a switch of which its watts are. */
const OWN_PARTS: readonly OwnPart[] = [
  ownPart('cameras', 'bullet-4mp-vf', allOf('cameras', CATALOGUE.cameras.get('bullet-4mp-vf')!), {
    id: 'own-camera',
  }),
  ownPart('mounts', 'junction-box', {}, { id: 'own-box', name: 'Our box' }),
  ownPart('equipment', 'switch-8', { 'feeds/budgetW': '60 W' }, { id: 'own-switch', name: 'Our switch' }),
]

/** The same job with own parts at its first device and its first piece of equipment. */
const withOwnParts = (made: Job): Job => ({
  ...made,
  ownParts: [...OWN_PARTS],
  devices: made.devices.map((one, i) =>
    i === 0 ? { ...one, cameraId: 'own-camera', mountIds: ['own-box'] } : one,
  ),
  equipment: made.equipment.map((one, i) => (i === 0 ? { ...one, partId: 'own-switch' } : one)),
})

const anyRun = fc.record({
  carries: keys(CARRIES),
  state: keys(STATES),
  cableId: part(CATALOGUE.cables),
  ends: fc.uniqueArray(fc.nat(6), { minLength: 2, maxLength: 2 }),
  ports: fc.array(fc.constantFrom(null, 'uplink-1', 'network-1', 'audio tail', 'dc-40', 'constructor-1'), {
    minLength: 2,
    maxLength: 2,
  }),
  made: fc.array(fc.option(part(CATALOGUE.connectors)), { minLength: 2, maxLength: 2 }),
  way: route,
})

/** Runs between what there is; one whose ends are not there is left out. */
const runsBetween = (
  drawn: readonly (typeof anyRun extends fc.Arbitrary<infer R> ? R : never)[],
  ids: readonly string[],
): Run[] =>
  drawn.flatMap(({ ends, ports, made, way, ...run }, i) => {
    const [fromId, toId] = ends.map((at) => ids[at])
    if (fromId === undefined || toId === undefined) return []
    const { laid: _, ...segments } = way
    return {
      id: `r${i}`,
      mark: `R${i + 1}`,
      name: 'Link',
      replaces: null,
      ...run,
      fromId,
      fromPort: ports[0]!,
      fromEndId: made[0]!,
      toId,
      toPort: ports[1]!,
      toEndId: made[1]!,
      ...segments,
    }
  })

export const anyJob: fc.Arbitrary<Job> = fc
  .record({
    units: fc.constantFrom('metric' as const, 'imperial' as const),
    sealing: fc.constantFrom('always' as const, 'by exposure' as const),
    edition: fc.constantFrom('2014' as const, '2025' as const),
    waste: real(0, 50),
    windMS: real(0, 120),
    terrain: keys(TERRAINS),
    mainsV: real(90, 480),
    keepPhotoPlace: fc.boolean(),
    site,
    things: fc.array(thing, { maxLength: 5 }).map((list) => list.map((t, i) => ({ ...t, id: `t${i}` }))),
    devices: fc.array(anyDevice, { maxLength: 4 }),
    equipment: fc.uniqueArray(
      fc.record({
        id: fc.constantFrom('switch', 'dc', 'plate'),
        partId: part(CATALOGUE.equipment),
        state: keys(STATES),
        stands: keys(STANDS),
        exposure: keys(EXPOSURES),
      }),
      { selector: ({ id }) => id, maxLength: 3 },
    ),
    records: fc.uniqueArray(
      fc.record({ stepId: fc.constantFrom(...STEPS), ...outcome, at: moment, by: person }),
      { selector: ({ stepId }) => stepId, maxLength: 5 },
    ),
    faults: fc.array(
      fc.record({
        title: fc.constant('Loose'),
        severity: keys(SEVERITIES),
        cause: fc.constantFrom(...CAUSES),
        stage: fc.option(fc.constantFrom(...STAGES)),
        note: line,
        due: fc.option(fc.constant('2026-04-01')),
        temporary: fc.boolean(),
      }),
      { maxLength: 3 },
    ),
    photos: fc.array(fc.record({ sha256, caption: line, at: moment, by: person }), { maxLength: 3 }),
    own: fc.boolean(),
    runs: fc.array(anyRun, { maxLength: 3 }),
  })
  .map(
    ({
      units,
      sealing,
      edition,
      waste,
      windMS,
      terrain,
      mainsV,
      keepPhotoPlace,
      site,
      things,
      devices,
      equipment: pieces,
      records,
      faults,
      photos,
      own,
      runs,
    }) => {
      const named = devices.map(
        (d, i): Device => ({ ...d, id: `d${i}`, mark: String(i + 1).padStart(2, '0') }),
      )
      const first = named[0]?.id ?? null
      const made = job({
        units,
        windMS,
        terrain,
        mainsV,
        keepPhotoPlace,
        policies: { ...USUAL_POLICIES, sealing, edition },
        allowances: { ...USUAL_ALLOWANCES, wastePercent: waste },
        site,
        things,
        equipment: pieces.map((piece, i) => equipment({ ...piece, mark: `E${i + 1}` })),
        devices: named,
        runs: runsBetween(
          runs,
          [...named, ...pieces].map(({ id }) => id),
        ),
        records: first === null ? [] : records.map((r): StepRecord => ({ deviceId: first, title: '', ...r })),
        faults: faults.map(
          ({ temporary, ...f }, i): Fault => ({
            id: `f${i}`,
            deviceId: first,
            origin: null,
            ...f,
            raisedAt: NOW,
            raisedBy: 'Lead',
            state: temporary ? 'temporary fix' : 'open',
            events: temporary
              ? [
                  {
                    event: 'fix',
                    at: NOW,
                    by: 'Lead',
                    fix: { kind: 'temporary', what: 'silicone', until: '2026-03-20' },
                  },
                ]
              : [],
          }),
        ),
        photos: photos.map(
          (p, i): Photo => ({ id: `p${i}`, deviceId: first, stepId: null, faultId: null, ...p }),
        ),
      })
      return own ? withOwnParts(made) : made
    },
  )
