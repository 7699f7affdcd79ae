import type { PassageId } from '../job/choices'
import type { Connector } from '../parts'
import { MOUNT_LIMITS } from './limits'

/** Clear hole that a passage needs, millimetres. */
export function passageMm(passage: PassageId, cableDiameterMm: number): number {
  const { cableClearanceMm, plugHoleMm, couplerHoleMm, tailHoleMm } = MOUNT_LIMITS
  if (passage === 'bare cable') return cableDiameterMm + cableClearanceMm.value
  return { 'plug': plugHoleMm, 'coupler': couplerHoleMm, 'tail and plugs': tailHoleMm }[passage].value
}

/** Clear hole for the finished end of a lead, mm; as for a plug where nobody says how wide it is. */
export function endPassMm(end: Pick<Connector, 'acrossMm'> | null): number {
  const { endRoomMm, plugHoleMm } = MOUNT_LIMITS
  return end?.acrossMm == null ? plugHoleMm.value : end.acrossMm + endRoomMm.value
}
