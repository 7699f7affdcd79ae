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
  return inOrder(things).map((thing) => (
    <Thing key={thing.id} thing={thing} view={view} ink={ink} selected={selected.has(thing.id)} />
  ))
})

interface ThingProps extends Pick<ThingsProps, 'view' | 'ink'> {
  readonly thing: PlanThing
  readonly selected: boolean
}

/** Remembered: a hand moves one of thousands. */
const Thing = memo(function Thing({ thing, view, ink, selected }: ThingProps) {
  return <PlanMarks marks={marksOf(thing, { id: `thing:${thing.id}`, view, selected })} ink={ink} />
})
