import { finding, type Finding } from '../findings'
import type { OnPlan, RunContext } from '../parts'
import { text } from '../units'
import type { Route } from './plan'

/** Whether a cable that is yet to be pulled comes out past an edge that is said to be bare. */
export function edgeFindings({ measured }: RunContext, { laid }: Route, onPlan: OnPlan): readonly Finding[] {
  if (laid === 'kept' || measured.installedM !== null || 'none' in onPlan) return []
  return onPlan.bareEdges.map(({ of, towards, remedy }, i) =>
    finding('route', `edge-${i + 1}`, {
      verdict: 'check',
      title: `A sharp edge of ${of} is unprotected`,
      short: 'sharp edge',
      figure: text('bare'),
      limit: text('lined'),
      reason: `It comes out there towards ${towards}; wind and heat move it until the edge is through.`,
      source: 'practice',
      advice: `${remedy}; then say on the plan that its edges are lined.`,
    }),
  )
}
