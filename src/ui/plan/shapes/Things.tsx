'use client'

import { Fragment } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { PlanThing, ThingName } from '@/core/job'
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
  readonly selectedId: string | null
  /** Whether there is room for names. */
  readonly named: boolean
}

/** Everything drawn on the plan, heaviest lines for what blocks the view. */
export function Things({ things, view, ink, selectedId, named }: ThingsProps) {
  return ORDER.flatMap((kind) => things.filter((thing) => thing.kind === kind)).map((thing) => {
    const selected = thing.id === selectedId
    const shown = named || selected ? thing : { ...thing, name: '' }
    const drawing = { id: `thing:${thing.id}`, view, ink, selected, named }
    return <Fragment key={thing.id}>{shapeOf(thing).draw(shown, drawing)}</Fragment>
  })
}

/** Where a thing's name stands, and whether over an outline; null where none is drawn. */
export function labelOf(thing: PlanThing): { readonly at: PlanPoint; readonly over: boolean } | null {
  const { labelAt } = shapeOf(thing)
  return thing.name === '' || labelAt === null ? null : { at: labelAt(thing), over: 'outline' in thing }
}
