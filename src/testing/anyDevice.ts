import fc from 'fast-check'
import { CATALOGUE } from '@/catalogue'
import {
  COIL_PLACES,
  EXPOSURES,
  FLOORS,
  HOLES,
  LAID,
  LEVELS,
  NO_DETAILS,
  PASSAGES,
  POLE_MATERIALS,
  SPACES,
  STATES,
  type Device,
} from '@/core/job'
import { keys, line, part, planPoint, real } from './anyValue'

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
      locked: fc.boolean(),
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
  hole: keys(HOLES),
  holeMm: fc.option(real(1, 200)),
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
export const route = fc.record({
  segments: fc.array(segment, { maxLength: 5 }).map((list) => list.map((s, i) => ({ id: `way-${i}`, ...s }))),
  laid: keys(LAID),
  cordsM: real(0, 50),
  lead: fc.option(
    fc.record({
      lengthM: real(0.5, 100),
      fedFrom: fc.option(fc.constantFrom('near end' as const, 'far end' as const)),
      coilAt: fc.option(fc.constantFrom(...COIL_PLACES)),
    }),
  ),
  forced: fc.option(
    fc.record({
      through: fc.constantFrom(null, 't0', 'gone'),
      around: fc.subarray(['t1', 't2', 'gone']),
    }),
  ),
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

export const anyDevice: fc.Arbitrary<Omit<Device, 'id' | 'mark'>> = fc
  .record({
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
    partsKept: fc.integer({ min: 0, max: 4 }),
  })
  .map((made) => ({ ...made, partsKept: Math.min(made.partsKept, made.mountIds.length) }))
