'use client'

import { memo } from 'react'
import type { PlanThing } from '@/core/job'
import { inOrder, marksOf, type ViewBox } from '@/drawings/plan'
import type { Inks } from './marks'
import { PlanMarks } from './PlanMarks'

interface ThingsProps {
  readonly things: readonly PlanThing[]
  readonly view: ViewBox
  readonly ink: Inks
  readonly selected: ReadonlySet<string>
}

/** Everything drawn on the plan, heaviest lines for what blocks the view. */
export const Things = memo(function Things({ things, view, ink, selected }: ThingsProps) {
  return inOrder(things).map((thing) => {
    const drawn = { id: `thing:${thing.id}`, view, selected: selected.has(thing.id) }
    return <PlanMarks key={thing.id} marks={marksOf(thing, drawn)} ink={ink} />
  })
})
