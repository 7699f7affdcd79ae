import { finding, type Finding } from '../findings'
import type { DrawnThrough, OnPlan, RunContext } from '../parts'
import { quantity } from '../units'
import { ROUTE_LIMITS } from './limits'
import type { Route } from './plan'

/**
 * Whether the conduits and ducts on the plan let the cable be drawn: how far, round how many bends and how
 * hard from one place where it can be reached to the next. Nothing is said of a cable that lies there.
 */
export function drawnFindings(
  context: RunContext,
  { laid }: Pick<Route, 'laid'>,
  onPlan: OnPlan,
): readonly Finding[] {
  if (laid === 'kept' || context.measured.installedM !== null || 'none' in onPlan) return []
  return onPlan.drawn.flatMap((pull, i) => findingsOf(context, pull, i + 1))
}

function findingsOf({ cable, printed }: RunContext, pull: DrawnThrough, at: number): Finding[] {
  const { pullM, pullBendsDeg } = ROUTE_LIMITS
  const { lengthM, bendsDeg, pullN, pointsAt } = pull
  const through = pull.through.join(', ')
  const leastN = Math.min(pullN.toDevice, pullN.toHeadEnd)
  const points = pointsAt?.map(({ alongM }) => printed(alongM, 'cut')) ?? []
  const advice =
    points.length === 0
      ? 'Lead it another way: pull points alone do not help.'
      : `Put a pull box ${points.join(' and ')} from where its cable goes in, told from the device.`
  const found: Finding[] = []
  if (lengthM > pullM.value + SLIP_M)
    found.push(
      finding('route', `pull-length-${at}`, {
        verdict: 'check',
        title: 'Too far from one pull point to the next',
        short: 'wants a pull box',
        figure: quantity(lengthM, 'length'),
        limit: quantity(pullM.value, 'length'),
        reason: `Nobody reaches the cable inside: ${through}.`,
        source: pullM.source,
        advice,
      }),
    )
  if (bendsDeg > pullBendsDeg.value + SLIP_DEG)
    found.push(
      finding('route', `pull-bends-${at}`, {
        verdict: 'check',
        title: 'Too many bends between pull points',
        short: 'too many bends',
        figure: quantity(bendsDeg, 'angle'),
        limit: quantity(pullBendsDeg.value, 'angle'),
        reason: `Each bend multiplies the pull: ${through}.`,
        source: pullBendsDeg.source,
        advice,
      }),
    )
  if (leastN > cable.pullN)
    found.push(
      finding('route', `pull-force-${at}`, {
        verdict: 'check',
        title: 'Pulls harder than the cable stands',
        short: 'pulls too hard',
        figure: quantity(leastN, 'force'),
        limit: quantity(cable.pullN, 'force'),
        reason:
          `Drawn dry out of the better end: ${through}. ` +
          'Friction is a guess of the trade; watch the pull, and use a lubricant that the jacket stands.',
        source: cable.handling,
        advice,
      }),
    )
  return found
}

/** What is lost in reckoning. */
const SLIP_M = 1e-6
const SLIP_DEG = 1e-6
