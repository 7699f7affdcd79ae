import { z } from 'zod'
import type { PlanPoint } from '../geometry'
import { oncePer } from '../once'
import { area } from './area'
import { equipment } from './equipment'
import { groundLevel } from './groundLevel'
import { headEnd } from './headEnd'
import type { BoardPiece, Solid, StandingPieces, ThingKind, UprightPiece } from './kind'
import { obstacle } from './obstacle'
import { pathway } from './pathway'
import { premises } from './premises'
import { privacy } from './privacy'
import { pullPoint } from './pullPoint'
import { slab } from './slab'
import { soffit } from './soffit'
import { target } from './target'
import { walk } from './walk'
import { wall } from './wall'

/** Every kind of thing that a plan may hold. Schema, types, lists and tools follow from it. */
export const THINGS = {
  wall,
  soffit,
  obstacle,
  premises,
  area,
  privacy,
  target,
  walk,
  'head end': headEnd,
  slab,
  'ground level': groundLevel,
  pathway,
  'pull point': pullPoint,
  equipment,
} as const

export type ThingName = keyof typeof THINGS
export type ThingOf<K extends ThingName> = z.infer<(typeof THINGS)[K]['schema']>
/** One thing on the plan of a floor. */
export type PlanThing = { [K in ThingName]: ThingOf<K> }[ThingName]

const OF_CABLES: ReadonlySet<ThingName> = new Set(['pathway', 'pull point', 'head end', 'equipment'])
/** Whether a thing has to do with cables alone: nobody's view is blocked by it. */
export const isOfCables = ({ kind }: PlanThing): boolean => OF_CABLES.has(kind)

const kindOf = (thing: PlanThing): ThingKind<z.ZodObject, PlanThing> =>
  THINGS[thing.kind] as unknown as ThingKind<z.ZodObject, PlanThing>

const schemas = Object.values(THINGS).map(({ schema }) => schema)
export const PlanThing = z
  .discriminatedUnion('kind', schemas as [(typeof schemas)[number]])
  .superRefine((thing, context) => {
    for (const [path, message] of kindOf(thing).refused?.(thing) ?? [])
      context.addIssue({ code: 'custom', path: [...path], message })
  }) as unknown as z.ZodType<PlanThing>

/** How a thing is called in a sentence: by its name, or by its kind. */
export const nameOf = (thing: PlanThing): string => (thing.name === '' ? kindOf(thing).called : thing.name)

/** What a thing is, as a heading. */
export const wordOf = (thing: PlanThing): string => kindOf(thing).word

/** Every point of a thing that bounds it. */
export const pointsOf = (thing: PlanThing): readonly PlanPoint[] => kindOf(thing).points(thing)

/** The corners of a thing that the hand can take. */
export const cornersOf = (
  thing: PlanThing,
): { readonly at: readonly PlanPoint[]; readonly closed: boolean } => kindOf(thing).corners(thing)

const tidy = (value: number) => Math.round(value * 1e6) / 1e6 + 0 // never -0

/** A thing with all its points put elsewhere; `flipped` where that turned it over. */
export function carriedBy(thing: PlanThing, by: (point: PlanPoint) => PlanPoint, flipped = false): PlanThing {
  const kind = kindOf(thing)
  const carried = kind.carried(thing, (point) => {
    return tidied(by(point))
  })
  return flipped && kind.flipped ? kind.flipped(carried) : carried
}

/** What a copy of a thing is, before it is put anywhere. */
export const copyOf = (thing: PlanThing): PlanThing => kindOf(thing).copied?.(thing) ?? thing

/** A point to the thousandth of a millimetre. */
export const tidied = ({ x, y }: PlanPoint): PlanPoint => ({ x: tidy(x), y: tidy(y) })

/** A thing carried along by so much, m. */
export const moved = (thing: PlanThing, dx: number, dy: number): PlanThing =>
  carriedBy(thing, ({ x, y }) => ({ x: x + dx, y: y + dy }))

/** A thing with one of its corners put elsewhere; the corner of a round obstacle is its rim. */
export const withCorner = (thing: PlanThing, index: number, at: PlanPoint): PlanThing =>
  kindOf(thing).withCorner(thing, index, at)

/** A piece of what blocks the view, with the thing that it is of. */
export type Upright = UprightPiece & { readonly thing: PlanThing }
export type Board = BoardPiece & { readonly thing: PlanThing }

/** What blocks the view: of one thing, or of a floor. */
export interface Occluders {
  readonly uprights: readonly Upright[]
  readonly boards: readonly Board[]
  readonly solids: readonly Solid[]
}

/** What of one thing blocks the view. */
export const occluderOf = oncePer((thing: PlanThing): Occluders => {
  const pieces: StandingPieces = kindOf(thing).standing?.(thing) ?? {}
  return {
    uprights: (pieces.uprights ?? []).map((piece) => ({ ...piece, thing })),
    boards: (pieces.boards ?? []).map((piece) => ({ ...piece, thing })),
    solids: pieces.solids ?? [],
  }
})
