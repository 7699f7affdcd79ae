import { finding, type Finding } from '../findings'
import { SPACES } from '../job/choices'
import type { DeviceContext } from '../parts'
import { quantity } from '../units'
import { POWER_LIMITS } from './limits'

/** How much of a run lies outdoors as copper, metres: lightning couples into it. */
export function outdoorCopperM({ device, cable }: Pick<DeviceContext, 'device' | 'cable'>): number {
  if (cable.kind === 'fibre' || !device.route) return 0
  const outdoors = device.route.segments.filter(({ space }) =>
    SPACES[space].asks.some((need) => need === 'sunlight' || need === 'wet' || need === 'buried'),
  )
  return outdoors.reduce((sum, { lengthM, riseM }) => sum + lengthM + Math.abs(riseM), 0)
}

/** Long outdoor copper without protectors; null where it is short or protected. */
export function surgeFinding(context: DeviceContext): Finding | null {
  const outdoorM = outdoorCopperM(context)
  const limitM = POWER_LIMITS.unprotectedM.value
  if (outdoorM <= limitM || context.accessories.some(({ protects }) => protects)) return null
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
