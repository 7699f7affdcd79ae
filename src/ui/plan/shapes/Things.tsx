'use client'

import { Fragment, memo } from 'react'
import type { PlanThing, ThingName } from '@/core/job'
import { RANK, type Naming } from '../naming'
import type { ViewBox } from '../view'
import { area } from './area'
import { headEnd } from './headEnd'
import type { Inks } from './marks'
import { obstacle } from './obstacle'
import { premises } from './premises'
import { privacy } from './privacy'
import type { Shape } from './shape'
import { soffit } from './soffit'
import { target } from './target'
import { walk } from './walk'
import { wall } from './wall'

/** How every kind is drawn, from the undermost to the uppermost. */
const SHAPES: { readonly [K in ThingName]: Shape<K> } = {
  premises,
  area,
  privacy,
  soffit,
  obstacle,
  wall,
  walk,
  target,
  'head end': headEnd,
}
const ORDER = Object.keys(SHAPES) as ThingName[]
const shapeOf = (thing: PlanThing) => SHAPES[thing.kind] as unknown as Shape<ThingName>

interface ThingsProps {
  readonly things: readonly PlanThing[]
  readonly view: ViewBox
  readonly ink: Inks
  readonly selected: ReadonlySet<string>
}

/** Everything drawn on the plan, heaviest lines for what blocks the view. */
export const Things = memo(function Things({ things, view, ink, selected }: ThingsProps) {
  return ORDER.flatMap((kind) => things.filter((thing) => thing.kind === kind)).map((thing) => {
    const drawing = { id: `thing:${thing.id}`, view, ink, selected: selected.has(thing.id) }
    return <Fragment key={thing.id}>{shapeOf(thing).draw(thing, drawing)}</Fragment>
  })
})

/** What is written at a thing; null where nothing is. */
export function namingOf(thing: PlanThing, view: ViewBox, selected: boolean): Naming | null {
  const naming = shapeOf(thing).naming?.(thing, view)
  if (!naming || naming.words === '') return null
  return { ...naming, id: thing.id, rank: selected ? RANK.selected : naming.rank }
}
