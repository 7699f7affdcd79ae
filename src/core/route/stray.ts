import { finding, type Finding } from '../findings'
import type { OnPlan, RunContext } from '../parts'
import { quantity } from '../units'
import { segmentM } from './length'
import { ROUTE_LIMITS } from './limits'
import type { Route, Segment } from './plan'

const togetherM = (segments: readonly Segment[]) => segments.reduce((sum, one) => sum + segmentM(one), 0)

/**
 * Whether a route that was entered agrees with the pathways on the plan: shorter than its way, or with no way
 * at all, its cable may be cut too short. Nothing is said of a way that was measured, or is not entered.
 */
export function strayFinding(
  { printed, measured }: RunContext,
  { laid, segments }: Route,
  onPlan: OnPlan,
): Finding | null {
  if (laid === 'kept' || measured.installedM !== null || segments.length === 0) return null
  if ('none' in onPlan)
    return finding('route', 'unreached', {
      verdict: 'check',
      title: 'No way leads to it on the plan',
      short: 'no way on the plan',
      figure: quantity(0, 'count'),
      limit: quantity(1, 'count'),
      reason: onPlan.none,
      source: 'job',
      advice: 'Draw the pathways that its cable takes, up to the head end.',
    })
  const { strayPercent } = ROUTE_LIMITS
  const wayM = togetherM(onPlan.segments)
  const leastM = wayM * (1 - strayPercent.value / 100)
  const enteredM = togetherM(segments)
  if (enteredM >= leastM - 1e-9) return null
  return finding('route', 'stray', {
    verdict: 'check',
    title: 'Shorter than its way on the plan',
    short: 'shorter than its way',
    figure: quantity(enteredM, 'length'),
    limit: quantity(leastM, 'length'),
    reason:
      `Over the pathways its cable lies ${printed(wayM, 'length')}; cut for less than that ` +
      `by ${strayPercent.value} %, it may not reach.`,
    source: strayPercent.source,
    advice: 'Take its way on the plan into the route, or draw the pathway by which it is shorter.',
  })
}
