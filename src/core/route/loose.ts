import { finding, type Finding } from '../findings'
import type { RunContext } from '../parts'
import { quantity } from '../units'
import { loopsM } from './length'
import { ROUTE_LIMITS } from './limits'
import type { Way } from './plan'

/**
 * Whether a cable that is yet to be pulled is left loose enough at its ends: none is bar-tight, and where
 * rain can run along it a loop hangs lower than its entry. Nothing is said of a way that was measured.
 */
export function looseFindings(context: RunContext, route: Way): Finding[] {
  if (context.measured.installedM !== null || route.segments.length === 0) return []
  return [...slackFinding(context), ...dripFinding(context, route)]
}

function slackFinding({ ends, printed }: RunContext): Finding[] {
  const { slackM } = ROUTE_LIMITS
  const [near, far] = ends
  const tightest = far.slackM < near.slackM ? far : near
  if (tightest.patched || tightest.slackM >= slackM.value) return []
  const least = printed(slackM.value, 'length')
  return [
    finding('route', 'slack', {
      verdict: 'check',
      title: `Too tight at ${tightest.called}`,
      short: 'too tight',
      figure: quantity(tightest.slackM, 'length'),
      limit: quantity(slackM.value, 'length'),
      reason: 'A cable that is bar-tight cannot be made off again, and pulls on what it ends at.',
      source: slackM.source,
      advice: `Leave ${least} or more there: set it in the allowances of the job.`,
    }),
  ]
}

function dripFinding(context: RunContext, route: Way): Finding[] {
  const { dripLoopM } = ROUTE_LIMITS
  const planned = { ...context, allowances: { ...context.allowances, dripLoopM: dripLoopM.value } }
  const wanted = loopsM(planned, route).some((loopM) => loopM > 0)
  if (!wanted || context.allowances.dripLoopM >= dripLoopM.value) return []
  return [
    finding('route', 'drip', {
      verdict: 'check',
      title: 'No drip loop',
      short: 'no drip loop',
      figure: quantity(context.allowances.dripLoopM, 'length'),
      limit: quantity(dripLoopM.value, 'length'),
      reason: 'Rain runs along the cable into what it ends at, unless a loop hangs lower than its entry.',
      source: dripLoopM.source,
      advice: `Plan ${context.printed(dripLoopM.value, 'length')} or more for it in the allowances of the job.`,
    }),
  ]
}
