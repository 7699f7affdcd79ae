'use client'

import type { PlanThing } from '@/core/job'
import { cornersOf } from '@/core/plan'
import { toScreen, type ViewBox } from '@/drawings/plan'
import { Handle, type Inks } from './marks'

/** Handles at the corners of what is selected; a locked thing has none. */
export function Handles({ thing, view, ink }: { thing: PlanThing; view: ViewBox; ink: Inks }) {
  if (thing.locked) return null
  const { at: points } = cornersOf(thing)
  return points.map((p, i) => (
    <Handle key={i} id={`corner:${thing.id}:${i}`} at={toScreen(view, p)} ink={ink} />
  ))
}
