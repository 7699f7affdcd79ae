import { finding, type Finding } from '../findings'
import type { Conduit, ConduitGrowth, TubePull, OnPlan, RunContext } from '../parts'
import { quantity } from '../units'
import { conduitFindings } from './conduit'
import { edgeFindings } from './edge'
import { ROUTE_LIMITS } from './limits'
import { mainsFinding } from './mains'
import { leadBoreFindings } from './lead'
import { narrowFindings } from './narrow'
import type { Route } from './plan'
import { strayFinding } from './stray'

/**
 * What the pathways on the plan say of a route that was entered, beyond what its own stretches do: `found` is
 * known already.
 */
export function planFindings(
  context: RunContext,
  route: Route,
  onPlan: OnPlan,
  found: readonly Finding[],
): readonly Finding[] {
  const known = new Set(found.map(({ id }) => id))
  const all = [
    strayFinding(context, route, onPlan),
    mainsFinding(context, route, onPlan),
    ...narrowFindings(context, route, onPlan),
    ...edgeFindings(context, route, onPlan),
    ...pullFindings(context, route, onPlan),
  ]
  return all.filter((one) => one !== null).filter(({ id }) => !known.has(id))
}

/**
 * Whether the conduits and ducts on the plan have room for the cable and let it be pulled: how far, round how
 * many bends and how hard from one place where it can be reached to the next. Nothing is said of a cable that
 * lies there.
 */
function pullFindings(context: RunContext, route: Route, onPlan: OnPlan): readonly Finding[] {
  if (route.laid === 'kept' || context.measured.installedM !== null || 'none' in onPlan) return []
  return [
    ...conduitFindings(context, onPlan, stillAmong(onPlan.growths)),
    ...leadBoreFindings(context, { ...route, segments: onPlan.segments }),
    ...onPlan.pulls.flatMap((pull, i) => findingsOf(context, pull, i + 1)),
    ...onPlan.growths.flatMap((growth) => growthFinding(context, growth)),
  ]
}

/** Whether a conduit grows so much that its straight pieces are to have fittings which take it. */
export const wantsExpansion = ({ growsMm }: ConduitGrowth): boolean =>
  growsMm !== null && growsMm >= ROUTE_LIMITS.expansionMm.value - SLIP

/** Of the pathways of one conduit's name: whether another kind is known to grow little enough there. */
export const stillAmong =
  (growths: readonly ConduitGrowth[]) =>
  (name: string, { growsMmPerMC = Infinity }: Conduit): boolean =>
    growths.every(
      ({ conduitName, mostMmPerMC }) =>
        conduitName !== name || mostMmPerMC === null || growsMmPerMC < mostMmPerMC,
    )

function growthFinding({ printed }: RunContext, growth: ConduitGrowth): Finding[] {
  const { pathwayId, name, straightM, coldestC, warmestC, growsMm } = growth
  if (growsMm === null || !wantsExpansion(growth)) return []
  const { expansionMm } = ROUTE_LIMITS
  return [
    finding('route', `expansion-${pathwayId}`, {
      verdict: 'check',
      title: 'The conduit wants an expansion fitting',
      short: 'wants an expansion fitting',
      figure: quantity(growsMm, 'size'),
      limit: quantity(expansionMm.value, 'size'),
      reason:
        `${name}: ${printed(straightM, 'length')} in one straight grow so much from ` +
        `${printed(coldestC, 'temperature')} to ${printed(warmestC, 'temperature')}, between what holds it fast.`,
      source: expansionMm.source,
      advice: `Put a fitting into it that takes ${printed(growsMm, 'size')}, and say so on the plan.`,
    }),
  ]
}

/** The pull on a cable out of its better end, or out of the only one, N. */
export const bestPullN = ({ pullN, only }: Pick<TubePull, 'pullN' | 'only'>): number =>
  only ? pullN[only] : Math.min(pullN.toDevice, pullN.toHeadEnd)

function findingsOf({ cable, printed }: RunContext, pull: TubePull, at: number): Finding[] {
  const { pullM, pullBendsDeg } = ROUTE_LIMITS
  const { lengthM, bendsDeg, only, pointsAt } = pull
  const through = pull.through.join(', ')
  const leastN = bestPullN(pull)
  const points = pointsAt?.map(({ alongM }) => printed(alongM, 'cut')) ?? []
  const judged = [
    {
      id: `pull-length-${at}`,
      over: lengthM > pullM.value + SLIP,
      title: 'Too far from one pull point to the next',
      short: 'wants a pull box',
      figure: quantity(lengthM, 'length'),
      limit: quantity(pullM.value, 'length'),
      reason: `Nobody reaches the cable inside: ${through}.`,
      source: pullM.source,
    },
    {
      id: `pull-bends-${at}`,
      over: bendsDeg > pullBendsDeg.value + SLIP,
      title: 'Too many bends between pull points',
      short: 'too many bends',
      figure: quantity(bendsDeg, 'angle'),
      limit: quantity(pullBendsDeg.value, 'angle'),
      reason: `Each bend multiplies the pull: ${through}.`,
      source: pullBendsDeg.source,
    },
    {
      id: `pull-force-${at}`,
      over: leastN > cable.pullN,
      title: 'Pulls harder than the cable stands',
      short: 'pulls too hard',
      figure: quantity(leastN, 'force'),
      limit: quantity(cable.pullN, 'force'),
      reason:
        `Pulled dry ${only ? 'as the lead must go' : 'out of the better end'}: ${through}. ` +
        'Friction is a guess of the trade; watch the pull, and use a lubricant that the jacket stands.',
      source: cable.handling,
    },
  ]
  const advice =
    points.length === 0
      ? 'Lead it another way: pull points alone do not help.'
      : `Put a pull box ${points.join(' and ')} from where its cable goes in, told from the device.`
  return judged
    .filter(({ over }) => over)
    .map(({ id, over: _, ...said }) => finding('route', id, { verdict: 'check', ...said, advice }))
}

/** What is lost in reckoning, m or degrees. */
const SLIP = 1e-6
