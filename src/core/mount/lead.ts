import { fedLead, otherEnd, type Connector, type DeviceContext, type FedLead } from '../parts'
import { inSentence } from '../units'
import { endPassMm } from './passage'
import type { Mount } from './plan'

/** How the camera's ready-made lead is led that is yet to come; null where its cable is none. */
function newLead({ device: { route }, ends }: DeviceContext): FedLead | null {
  return route?.lead && route.laid === 'new'
    ? fedLead(ends[0].connector, ends[1].connector, route.lead)
    : null
}

/**
 * Ends of a ready-made lead that go through the hole at the camera: the one that goes first; where the joint
 * lies behind the surface the other too, or none if the lead comes from inside.
 */
export function endsThrough(
  context: DeviceContext,
  { passage }: Pick<Mount, 'passage'>,
): (Connector | null)[] {
  const lead = newLead(context)
  if (!lead) return []
  const isBehind = passage === 'coupler' || passage === 'tail and plugs'
  if (!isBehind) return [lead.first]
  return lead.from === 'near end' ? [lead.first, lead.last] : []
}

/** What the ends of a ready-made lead want of the hole at the camera, mm; 0 where none goes through it. */
export const leadPassMm = (context: DeviceContext, mount: Pick<Mount, 'passage'>): number =>
  Math.max(0, ...endsThrough(context, mount).map(endPassMm))

/** What is drawn through the hole at the camera, in words. */
export function passingWords(context: DeviceContext, mount: Pick<Mount, 'passage'>, passage: string): string {
  const ends = endsThrough(context, mount).flatMap((end) => (end ? [inSentence(end.name)] : []))
  return ends.length > 0 ? `${passage}; of the lead: ${[...new Set(ends)].join(', ')}` : passage
}

/** The same device with its lead fed from its other end, and what that end is called; null without a lead. */
export function fedOtherwise(
  context: DeviceContext,
): { readonly context: DeviceContext; readonly called: string } | null {
  const lead = newLead(context)
  const { device, ends } = context
  if (!lead || !device.route?.lead) return null
  const fedFrom = otherEnd(lead.from)
  const route = { ...device.route, lead: { ...device.route.lead, fedFrom } }
  const called = ends[fedFrom === 'near end' ? 0 : 1].called
  return { context: { ...context, device: { ...device, route } }, called }
}
