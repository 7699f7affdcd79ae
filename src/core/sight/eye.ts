import { along } from '../geometry'
import type { Sight } from '../job/job'
import type { Place } from '../job/plan'
import type { Camera } from '../parts'
import type { Eye } from './footprint'
import { imagerOf, type Point } from './projection'

/** A camera as it stands and looks on the plan. */
export function eyeOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  { focalMm, portrait, heightM, tiltDeg }: Sight,
  { x, y, panDeg, rollDeg }: Place,
): Eye {
  return { imager: imagerOf(camera, focalMm, portrait), pose: { x, y, z: heightM, panDeg, tiltDeg, rollDeg } }
}

/** Where a placed device's target stands: straight ahead on plan. */
export function targetOf({ targetDistanceM, targetHeightM }: Sight, place: Place): Point {
  return { ...along(place, place.panDeg, targetDistanceM), z: targetHeightM }
}
