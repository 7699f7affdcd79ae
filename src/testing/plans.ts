import { UNKNOWN_HEIGHTS, type PlanThing, type ThingOf } from '@/core/job'
import { usualPathway } from '@/core/plan'
import { settingOf, type Imager, type Pose, type World } from '@/core/sight'

/** Things and cameras on a plan, for tests. */

const common = { floor: 'ground' as const, name: '', locked: false }
export const xy = (x: number, y: number) => ({ x, y })
export const rectangle = (x: number, y: number, w: number, h: number) => [
  xy(x, y),
  xy(x + w, y),
  xy(x + w, y + h),
  xy(x, y + h),
]

/** Things of which nobody said how high their floors lie. */
export const flat = (things: readonly PlanThing[]): World => ({ things, floorHeightsM: UNKNOWN_HEIGHTS })
/** What the ground floor is looked at in. */
export const onGround = (things: readonly PlanThing[]) => settingOf(flat(things), 'ground')

export const wall = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  change: Partial<ThingOf<'wall'>> = {},
): ThingOf<'wall'> => ({
  ...common,
  id: `wall-${[x1, y1, x2, y2].join('_').replaceAll('.', '-')}`,
  kind: 'wall',
  from: xy(x1, y1),
  to: xy(x2, y2),
  baseM: 0,
  heightM: 3,
  thicknessM: 0,
  openings: [],
  ...change,
})
export const soffit = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  change: Partial<ThingOf<'soffit'>> = {},
): ThingOf<'soffit'> => ({
  ...common,
  id: 'soffit',
  kind: 'soffit',
  from: xy(x1, y1),
  to: xy(x2, y2),
  depthM: 1,
  undersideM: 3,
  lipM: 0.2,
  ...change,
})
export const block = (
  x: number,
  y: number,
  w: number,
  h: number,
  change: Partial<ThingOf<'obstacle'>> = {},
): ThingOf<'obstacle'> => ({
  ...common,
  id: `block-${x}-${y}`,
  kind: 'obstacle',
  baseM: 0,
  heightM: 2.5,
  form: { is: 'block', outline: rectangle(x, y, w, h) },
  ...change,
})
export const area = (
  x: number,
  y: number,
  w: number,
  h: number,
  change: Partial<ThingOf<'area'>> = {},
): ThingOf<'area'> => ({
  ...common,
  id: 'area',
  kind: 'area',
  outline: rectangle(x, y, w, h),
  level: 'recognise',
  targetHeightM: 1.6,
  ...change,
})
export const thing = <K extends 'premises' | 'privacy'>(
  kind: K,
  x: number,
  y: number,
  w: number,
  h: number,
): PlanThing => ({ ...common, id: kind, kind, outline: rectangle(x, y, w, h) })

/** A lens that sees all round and straight down: everything in front of a plane below it. */
export const ALL_ROUND: Imager = {
  kind: 'f-theta',
  widthPx: 4000,
  heightPx: 4000,
  focalPxX: 4000 / Math.PI,
  focalPxY: 4000 / Math.PI,
  horizontalFovDeg: 180,
  verticalFovDeg: 180,
}
export const looking = (x: number, y: number, z: number, panDeg = 0, tiltDeg = 0, rollDeg = 0): Pose => ({
  x,
  y,
  z,
  panDeg,
  tiltDeg,
  rollDeg,
})

export const groundLevel = (
  path: readonly (readonly [x: number, y: number])[],
  groundM: number,
  id = 'ground-level',
  endM = groundM,
): ThingOf<'ground level'> => ({
  ...common,
  id,
  kind: 'ground level',
  path: path.map(([x, y]) => xy(x, y)),
  groundM,
  endM,
})

/** A level way for cables, at 2.5 m. */
export const pathway = (
  path: readonly (readonly [number, number])[],
  change: Partial<ThingOf<'pathway'>> = {},
): ThingOf<'pathway'> => ({
  ...common,
  id: `pathway-${path.flat().join('_').replaceAll('.', '-')}`,
  kind: 'pathway',
  path: path.map(([x, y]) => xy(x, y)),
  ...usualPathway('trunking indoors'),
  ...change,
})
export const pullPoint = (x: number, y: number, heightM = 2.5): ThingOf<'pull point'> => ({
  ...common,
  id: `pull-point-${x}-${y}`,
  kind: 'pull point',
  at: xy(x, y),
  is: 'pull box',
  heightM,
})
export const stands = (
  equipmentId: string | null,
  x: number,
  y: number,
  heightM = 2.5,
): ThingOf<'equipment'> => ({
  ...common,
  id: `stands-${equipmentId}`,
  kind: 'equipment',
  at: xy(x, y),
  heightM,
  equipmentId,
})
export const headEnd = (x: number, y: number): ThingOf<'head end'> => ({
  ...common,
  id: `head-end-${x}-${y}`,
  kind: 'head end',
  at: xy(x, y),
})

export const slab = (x: number, y: number, w: number, h: number): ThingOf<'slab'> => ({
  ...common,
  id: 'slab',
  kind: 'slab',
  outline: rectangle(x, y, w, h),
})
