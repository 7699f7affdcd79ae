import { z } from 'zod'
import { areaM2, crossesItself, distanceM } from '../geometry'
import { FLOORS, LEVELS } from './choices'
import { between, Id, keysOf, Line, Name } from './fields'

/**
 * What stands on the site drawing. Metres, x to the right and y up the sheet; heights count from the floor
 * of the plan.
 */

export const PlanPoint = z.strictObject({ x: between(-5000, 5000, 'm'), y: between(-5000, 5000, 'm') })

const Floor = keysOf(FLOORS)
const Height = between(0, 100, 'm')

/** The shortest wall or edge that is meant; anything shorter was a slip of the hand. */
const SHORTEST_M = 0.05

const Outline = z
  .array(PlanPoint)
  .min(3, 'An outline has at least three corners.')
  .max(200, 'At most 200 corners.')
  .refine((corners) => !crossesItself(corners), 'The outline crosses itself: draw it round once.')
  .refine((corners) => areaM2(corners) >= 0.01, 'The outline encloses nothing.')

const Opening = z.strictObject({
  id: Id,
  name: Line,
  /** From the start of the wall to the near jamb. */
  alongM: Height,
  widthM: between(0.05, 100, 'm'),
  sillM: Height,
  headM: Height,
})

const own = { id: Id, floor: Floor, name: Line }
const ends = { from: PlanPoint, to: PlanPoint }

const Wall = z.strictObject({
  ...own,
  kind: z.literal('wall'),
  ...ends,
  baseM: Height,
  heightM: between(0.05, 100, 'm'),
  openings: z.array(Opening).max(40, 'At most 40 openings.'),
})
const Soffit = z.strictObject({
  ...own,
  kind: z.literal('soffit'),
  /** The outer edge; the wall lies to the left of it, seen from `from` to `to`. */
  ...ends,
  depthM: between(0.05, 10, 'm'),
  undersideM: between(0.5, 60, 'm'),
  /** How far the lip of the edge hangs below the underside. */
  lipM: between(0, 2, 'm'),
})
const Obstacle = z.strictObject({
  ...own,
  kind: z.literal('obstacle'),
  baseM: Height,
  heightM: between(0.05, 100, 'm'),
  form: z.discriminatedUnion('is', [
    z.strictObject({ is: z.literal('round'), at: PlanPoint, radiusM: between(0.02, 50, 'm') }),
    z.strictObject({ is: z.literal('block'), outline: Outline }),
  ]),
})
const Premises = z.strictObject({ ...own, kind: z.literal('premises'), outline: Outline })
const Area = z.strictObject({
  ...own,
  kind: z.literal('area'),
  outline: Outline,
  level: keysOf(LEVELS),
  targetHeightM: between(0, 20, 'm'),
})
const Privacy = z.strictObject({ ...own, kind: z.literal('privacy'), outline: Outline })
const Target = z.strictObject({
  ...own,
  kind: z.literal('target'),
  at: PlanPoint,
  level: keysOf(LEVELS),
  targetHeightM: between(0, 20, 'm'),
})
const Walk = z.strictObject({
  ...own,
  kind: z.literal('walk'),
  path: z.array(PlanPoint).min(2, 'A walk has at least two points.').max(200),
})
const HeadEnd = z.strictObject({ ...own, kind: z.literal('head end'), at: PlanPoint })

/** One thing on the plan of a floor. */
export const PlanThing = z
  .discriminatedUnion('kind', [Wall, Soffit, Obstacle, Premises, Area, Privacy, Target, Walk, HeadEnd])
  .superRefine((thing, context) => {
    const say = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message })
    if ((thing.kind === 'wall' || thing.kind === 'soffit') && distanceM(thing.from, thing.to) < SHORTEST_M)
      say(['to'], 'It has no length: its two ends are the same point.')
    if (thing.kind === 'walk' && thing.path.every((point) => distanceM(point, thing.path[0]!) < SHORTEST_M))
      say(['path'], 'The walk goes nowhere.')
    if (thing.kind !== 'wall') return
    const lengthM = distanceM(thing.from, thing.to)
    for (const [index, { alongM, widthM, sillM, headM }] of thing.openings.entries()) {
      if (alongM + widthM > lengthM + 1e-6)
        say(['openings', index, 'widthM'], 'The opening reaches past the end of the wall.')
      if (headM <= sillM) say(['openings', index, 'headM'], 'The head stands above the sill.')
    }
  })
export type PlanThing = z.infer<typeof PlanThing>
export type ThingKind = PlanThing['kind']
export type ThingOf<K extends ThingKind> = Extract<PlanThing, { kind: K }>

/** The drawing under a plan: a picture, how large it is and where it lies. */
export const Background = z.strictObject({
  name: Name,
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'A picture is named by the SHA-256 of its bytes.'),
  widthPx: z.int().min(1).max(100_000),
  heightPx: z.int().min(1).max(100_000),
  /**
   * Where its upper left corner lies, how long a pixel is, and how far it is turned clockwise about that
   * corner.
   */
  at: PlanPoint,
  metresPerPx: between(0.000_01, 100, 'm'),
  turnDeg: between(-360, 360, '°'),
})
export type Background = z.infer<typeof Background>

export const FloorBackground = z.strictObject({ floor: Floor, ...Background.shape })
export type FloorBackground = z.infer<typeof FloorBackground>

const knownZone = (name: string) => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** Where on earth the site lies, and how its plan is turned. */
export const Site = z.strictObject({
  latitudeDeg: between(-90, 90, '°'),
  longitudeDeg: between(-180, 180, '°'),
  /** Bearing that points up the sheet, degrees clockwise from north: 0 when north is up. */
  upBearingDeg: between(-360, 360, '°'),
  timeZone: z.string().max(60).refine(knownZone, 'Name a time zone like Europe/London.'),
})
export type Site = z.infer<typeof Site>

/**
 * Where a device stands on the plan and which way it looks: pan clockwise from up the sheet, roll
 * clockwise.
 */
export const Place = z.strictObject({
  floor: Floor,
  ...PlanPoint.shape,
  panDeg: between(-360, 360, '°'),
  rollDeg: between(-180, 180, '°'),
})
export type Place = z.infer<typeof Place>
