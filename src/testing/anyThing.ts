import fc from 'fast-check'
import { FLOORS, LEVELS, PULL_POINTS, SPACES, type Job, type PlanThing } from '@/core/job'
import { keys, line, planPoint, real } from './anyValue'

const apart = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y) > 0.1
const edge = fc.tuple(planPoint, planPoint).filter(([a, b]) => apart(a, b))
const square = fc.tuple(planPoint, real(0.3, 20)).map(([{ x, y }, side]) => [
  { x, y },
  { x: x + side, y },
  { x: x + side, y: y + side },
  { x, y: y + side },
])
const common = { floor: keys(FLOORS), name: line, locked: fc.boolean() }

/**
 * Things of every kind, wherever they fall: walls through cameras, soffits below lenses, areas inside
 * trees.
 */
export const thing: fc.Arbitrary<PlanThing> = fc.oneof(
  fc
    .record({
      ...common,
      id: fc.constant('t'),
      kind: fc.constant('wall' as const),
      ends: edge,
      baseM: real(0, 10),
      heightM: real(0.05, 20),
      thicknessM: fc.oneof(fc.constant(0), real(0.01, 3)),
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
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('pull point' as const),
    at: planPoint,
    is: keys(PULL_POINTS),
    heightM: real(0, 4),
  }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('equipment' as const),
    at: planPoint,
    heightM: real(0, 4),
    equipmentId: fc.constant(null),
  }),
  fc.record({ ...common, id: fc.constant('t'), kind: fc.constant('slab' as const), outline: square }),
  fc.record({
    ...common,
    id: fc.constant('t'),
    kind: fc.constant('ground level' as const),
    path: fc.array(planPoint, { minLength: 1, maxLength: 5 }),
    groundM: real(-10, 10),
    endM: real(-10, 10),
  }),
  fc
    .record({
      ...common,
      id: fc.constant('t'),
      kind: fc.constant('pathway' as const),
      path: fc.array(planPoint, { minLength: 1, maxLength: 5 }),
      space: keys(SPACES),
      heightM: real(0, 4),
      endFloor: fc.option(keys(FLOORS)),
      endM: real(5, 9),
      temperatureC: real(-10, 70),
      minutesPerM: real(0, 20),
      besideMains: fc.boolean(),
      conduitId: fc.constant(null),
      coldestC: real(-40, -10),
      expansionFitted: fc.boolean(),
      lyingCables: fc.constant(0),
      lyingMm: real(4, 20),
      freeMm: fc.constantFrom(0, 8, 14),
      yetToPut: fc.boolean(),
      bareEdges: fc.boolean(),
    })
    .map((lane) => (SPACES[lane.space].sized ? { ...lane, freeMm: 0 } : { ...lane, yetToPut: false }))
    .map((lane) => (SPACES[lane.space].edge ? lane : { ...lane, bareEdges: false })),
)

/** In order where they are known; often as one finds them, too high apart to matter now and then. */
export const floorHeights = fc
  .record({
    rises: fc.tuple(real(0.5, 9), real(0.5, 9), real(0.5, 9)),
    known: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
  })
  .map(({ rises: [a, b, c], known }) => ({
    upper: known[0] ? a : null,
    loft: known[1] ? a + b : null,
    roof: known[2] ? a + b + c : null,
  }))

export const site = fc.constantFrom<Job['site']>(
  null,
  { latitudeDeg: 51.5, longitudeDeg: -0.1, upBearingDeg: 20, timeZone: 'Europe/London' },
  { latitudeDeg: -89, longitudeDeg: 179, upBearingDeg: 0, timeZone: 'UTC' },
)
