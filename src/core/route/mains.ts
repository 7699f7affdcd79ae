import { finding, type Finding } from '../findings'
import type { OnPlan, RunContext } from '../parts'
import { quantity } from '../units'
import { ROUTE_LIMITS } from './limits'
import type { Route } from './plan'

/** Whether the way on the plan lies along mains: but for what lies in a conduit or a duct of its own. */
export function mainsFinding({ printed }: RunContext, { laid }: Route, onPlan: OnPlan): Finding | null {
  if (laid === 'kept' || 'none' in onPlan) return null
  const { along, lengthM } = onPlan.mains
  if (lengthM <= 0) return null
  const { mainsApartMm } = ROUTE_LIMITS
  const apart = printed(mainsApartMm.value, 'size')
  return finding('route', 'mains', {
    verdict: 'check',
    title: 'Mains run beside it',
    short: 'beside mains',
    figure: quantity(lengthM, 'length'),
    limit: quantity(0, 'length'),
    reason:
      `On the plan, mains run along ${along.join(' and ')}. Cables for data keep ${apart} off them, or lie in ` +
      'a conduit of their own: mains are heard in them, and a fault must not reach them.',
    source: mainsApartMm.source,
    advice:
      `Lead it around ${along.join(' and ')}, or keep ${apart} between them and say on the plan that no mains ` +
      'run along it. Local rules decide; mains are for an electrician.',
  })
}
