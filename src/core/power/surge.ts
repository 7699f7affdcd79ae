import { finding, type Finding } from '../findings'
import { SPACES } from '../job/spaces'
import type { DeviceContext, RunContext } from '../parts'
import type { Way } from '../route/plan'
import { quantity } from '../units'
import { POWER_LIMITS } from './limits'

/** How much of a run lies outdoors as copper, metres: lightning couples into it. */
export function outdoorCopperM({ cable }: Pick<RunContext, 'cable'>, way: Way | null): number {
  if (cable.kind === 'fibre' || cable.kind === 'earth' || !way) return 0
  const outdoors = way.segments.filter(({ space }) =>
    SPACES[space].asks.some((need) => need === 'sunlight' || need === 'wet' || need === 'buried'),
  )
  return outdoors.reduce((sum, { lengthM, riseM }) => sum + lengthM + Math.abs(riseM), 0)
}

/** The same of a camera's own run. */
export const surgeFinding = (context: DeviceContext): Finding | null =>
  surgeOn(
    context,
    context.device.route,
    context.accessories.some(({ protects }) => protects),
  )

/** Long outdoor copper without protectors; null where it is short or protected. */
export function surgeOn(
  context: Pick<RunContext, 'cable'>,
  way: Way | null,
  isProtected: boolean,
): Finding | null {
  const outdoorM = outdoorCopperM(context, way)
  const limitM = POWER_LIMITS.unprotectedM.value
  if (outdoorM <= limitM || isProtected) return null
  return finding('power', 'surge', {
    verdict: 'check',
    title: 'Outdoor copper without surge protectors',
    short: 'no protectors',
    figure: quantity(outdoorM, 'length'),
    limit: quantity(limitM, 'length'),
    reason: 'A stroke nearby drives a surge into it at both ends.',
    source: 'practice',
    advice: 'Fit a surge protector at each end, bonded to earth short and straight, or lead fibre.',
  })
}
