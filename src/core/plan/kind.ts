import { z } from 'zod'
import { areaM2, crossesItself, type Outline, type PlanPoint } from '../geometry'
import { FLOORS } from '../job/choices'
import { between, Id, keysOf, Line } from '../job/fields'

/** What the kinds of things on a plan have in common: a file a kind, and one table of them in `things.ts`. */

export const PlanPointSchema = z.strictObject({
  x: between(-5000, 5000, 'm'),
  y: between(-5000, 5000, 'm'),
})
export const FloorSchema = keysOf(FLOORS)
export const HeightSchema = between(0, 100, 'm')
export const OutlineSchema = z
  .array(PlanPointSchema)
  .min(3, 'An outline has at least three corners.')
  .max(200, 'At most 200 corners.')
  .refine((corners) => !crossesItself(corners), 'The outline crosses itself: draw it round once.')
  .refine((corners) => areaM2(corners) >= 0.01, 'The outline encloses nothing.')

/** What every thing has. A locked one is not taken by a slip of the hand. */
export const common = { id: Id, floor: FloorSchema, name: Line, locked: z.boolean() }
/** What has two ends. */
export const ends = { from: PlanPointSchema, to: PlanPointSchema }

/** The shortest wall, edge or walk that is meant; anything shorter was a slip of the hand. */
export const SHORTEST_M = 0.05

/** An upright rectangle over a segment of the plan; heights in metres above the floor. */
export interface UprightPiece {
  readonly a: PlanPoint
  readonly b: PlanPoint
  readonly fromM: number
  readonly toM: number
}

/** A level board over an outline. */
export interface BoardPiece {
  readonly outline: Outline
  readonly heightM: number
}

/** Where something stands, so that no ground is there to be seen. */
export interface Solid {
  readonly outline: Outline
  readonly fromM: number
  readonly toM: number
}

/** What of a thing blocks the view. */
export interface StandingPieces {
  readonly uprights?: readonly UprightPiece[]
  readonly boards?: readonly BoardPiece[]
  readonly solids?: readonly Solid[]
}

/** One kind of thing that a plan may hold. */
export interface ThingKind<S extends z.ZodObject, T = z.infer<S>> {
  readonly schema: S
  /** Its name as a heading. */
  readonly word: string
  /** What it is called in a sentence while it has no name of its own. */
  readonly called: string
  /** Every point that bounds it. */
  readonly points: (thing: T) => readonly PlanPoint[]
  /** The corners that the hand can take; `closed` when the last leads back to the first. */
  readonly corners: (thing: T) => { readonly at: readonly PlanPoint[]; readonly closed: boolean }
  /** The thing with every one of its points carried along. */
  readonly carried: (thing: T, by: (point: PlanPoint) => PlanPoint) => T
  /** What else becomes of it when it is mirrored; left out where its points say it all. */
  readonly flipped?: (thing: T) => T
  /** What a copy of it is, where something of it is its own alone. */
  readonly copied?: (thing: T) => T
  /** The thing with one of its corners put elsewhere. */
  readonly withCorner: (thing: T, index: number, at: PlanPoint) => T
  /** What of it blocks the view; left out where nothing does. */
  readonly standing?: (thing: T) => StandingPieces
  /** What its fields together must not be: where, and why. */
  readonly refused?: (thing: T) => readonly (readonly [path: readonly (string | number)[], why: string])[]
}

export const thingKind = <S extends z.ZodObject>(of: ThingKind<S>): ThingKind<S> => of

/** One point of several put elsewhere. */
export const putPoint = (points: readonly PlanPoint[], index: number, at: PlanPoint): PlanPoint[] =>
  points.map((point, i) => (i === index ? { x: at.x, y: at.y } : point))

/** How a thing with an outline is bounded, carried and bent. */
export const outlined = {
  points: ({ outline }: { outline: Outline }) => outline,
  corners: ({ outline }: { outline: Outline }) => ({ at: outline, closed: true }),
  carried: <T extends { outline: PlanPoint[] }>(thing: T, by: (point: PlanPoint) => PlanPoint): T => ({
    ...thing,
    outline: thing.outline.map(by),
  }),
  withCorner: <T extends { outline: PlanPoint[] }>(thing: T, index: number, at: PlanPoint): T => ({
    ...thing,
    outline: putPoint(thing.outline, index, at),
  }),
}

/** How a thing with two ends is. */
export const ended = {
  points: ({ from, to }: { from: PlanPoint; to: PlanPoint }) => [from, to],
  corners: ({ from, to }: { from: PlanPoint; to: PlanPoint }) => ({ at: [from, to], closed: false }),
  carried: <T extends { from: PlanPoint; to: PlanPoint }>(
    thing: T,
    by: (point: PlanPoint) => PlanPoint,
  ): T => ({
    ...thing,
    from: by(thing.from),
    to: by(thing.to),
  }),
  withCorner: <T extends { from: PlanPoint; to: PlanPoint }>(thing: T, index: number, at: PlanPoint): T => ({
    ...thing,
    [index === 0 ? 'from' : 'to']: { x: at.x, y: at.y },
  }),
}

/** How a thing along a path is. */
export const pathed = {
  points: ({ path }: { path: readonly PlanPoint[] }) => path,
  corners: ({ path }: { path: readonly PlanPoint[] }) => ({ at: path, closed: false }),
  carried: <T extends { path: PlanPoint[] }>(thing: T, by: (point: PlanPoint) => PlanPoint): T => ({
    ...thing,
    path: thing.path.map(by),
  }),
  withCorner: <T extends { path: PlanPoint[] }>(thing: T, index: number, at: PlanPoint): T => ({
    ...thing,
    path: putPoint(thing.path, index, at),
  }),
}

/** How a thing that stands at one point is; it has no corners, it is moved whole. */
export const pointed = {
  points: ({ at }: { at: PlanPoint }) => [at],
  corners: () => ({ at: [], closed: false }),
  carried: <T extends { at: PlanPoint }>(thing: T, by: (point: PlanPoint) => PlanPoint): T => ({
    ...thing,
    at: by(thing.at),
  }),
  withCorner: <T extends { at: PlanPoint }>(thing: T, _: number, at: PlanPoint): T => ({
    ...thing,
    at: { x: at.x, y: at.y },
  }),
}
