import { distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Floor, Place } from '@/core/job'
import type { ViewBox } from './view'

/** Where a device stands on this floor; null where it does not, or is taken away. */
export const placeOn = ({ sight, state }: Device, floor: Floor): Place | null =>
  sight?.place?.floor === floor && state !== 'taken away' ? sight.place : null

/** How large a device's mark is, and how far apart two stand at least, px. */
export const MARK_PX = 11
export const MARKS_APART_PX = 2 * MARK_PX + 4

/** A dead zone smaller than this on screen would only clutter it. */
const DEAD_ZONE_PX = 50

/** How far a camera does not see before itself, where that is worth showing; else null. */
export function deadZone(place: Place, nearEdge: readonly PlanPoint[], view: ViewBox): number | null {
  if (nearEdge.length < 2) return null
  const nearM = distanceM(place, nearEdge[6]!)
  return nearM * view.perMetre > DEAD_ZONE_PX ? nearM : null
}
