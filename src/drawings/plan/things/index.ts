import type { PlanThing, ThingName } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import type { Drawn, PlanMark } from '../marks'
import { RANK, type Naming } from '../naming'
import type { ViewBox } from '../view'
import { area } from './area'
import { equipment } from './equipment'
import { groundLevel } from './groundLevel'
import { headEnd } from './headEnd'
import { obstacle } from './obstacle'
import { pathway } from './pathway'
import { premises } from './premises'
import { privacy } from './privacy'
import { pullPoint } from './pullPoint'
import { slab } from './slab'
import { soffit } from './soffit'
import { target } from './target'
import type { DrawnThing } from './thing'
import { walk } from './walk'
import { wall } from './wall'

/** How every kind is drawn, from the undermost to the uppermost. */
const DRAWN_THINGS: { readonly [K in ThingName]: DrawnThing<K> } = {
  slab,
  'ground level': groundLevel,
  premises,
  area,
  privacy,
  soffit,
  obstacle,
  wall,
  pathway,
  walk,
  target,
  'pull point': pullPoint,
  equipment,
  'head end': headEnd,
}
const ORDER = Object.keys(DRAWN_THINGS) as ThingName[]
const drawnAs = (thing: PlanThing) => DRAWN_THINGS[thing.kind] as unknown as DrawnThing<ThingName>

/** What is drawn with the cables, and goes with their layer. */
export const OF_CABLES: ReadonlySet<ThingName> = new Set<ThingName>(['pathway', 'pull point'])

/** Things in the order in which they are drawn. */
export const inOrder = (things: readonly PlanThing[]): readonly PlanThing[] =>
  ORDER.flatMap((kind) => things.filter((thing) => thing.kind === kind))

export function marksOf(thing: PlanThing, drawn: Drawn): readonly PlanMark[] {
  const weight = weightAt(drawn.view)
  return drawnAs(thing)
    .draw(thing, drawn)
    .map((mark) => ('wide' in mark && mark.wide ? { ...mark, wide: mark.wide * weight } : mark))
}

/** At so many pixels a metre lines are as heavy as they are told to be. */
const PLAIN_PER_METRE = 9

/** How much heavier lines are from near and how much lighter from afar, where they would run together. */
export const weightAt = ({ perMetre }: Pick<ViewBox, 'perMetre'>): number =>
  Math.min(1.5, Math.max(0.6, (perMetre / PLAIN_PER_METRE) ** 0.3))

/** What is written at a thing; null where nothing is. */
export function namingOf(
  thing: PlanThing,
  view: ViewBox,
  units: UnitSystem,
  selected: boolean,
): Naming | null {
  const naming = drawnAs(thing).naming?.(thing, view, units)
  if (!naming || naming.words === '') return null
  return { ...naming, id: thing.id, rank: selected ? RANK.selected : naming.rank }
}
