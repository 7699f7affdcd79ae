import { along } from '../geometry'
import type { Sight } from '../job/job'
import type { Place } from '../job/plan'
import type { Camera } from '../parts'
import type { World } from './floors'
import { groundM, landOf } from './land'
import { imagerOf, type Imager, type Point, type Pose } from './projection'

/** A camera on the plan: its imager and where it stands and looks. */
export interface Eye {
  readonly imager: Imager
  readonly pose: Pose
}

/** A camera that takes part in a survey. */
export interface SurveyCamera {
  readonly deviceId: string
  readonly mark: string
  readonly eye: Eye
}

/** A camera as it stands and looks on the plan. */
export function eyeOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  { focalMm, portrait, heightM, tiltDeg }: Sight,
  { x, y, panDeg, rollDeg }: Place,
): Eye {
  return { imager: imagerOf(camera, focalMm, portrait), pose: { x, y, z: heightM, panDeg, tiltDeg, rollDeg } }
}

/**
 * A sight with its target as high as the ground lies there: heights then all count from the floor's own
 * level.
 */
export function onLand({ things }: Pick<World, 'things'>, sight: Sight): Sight {
  const { place, targetDistanceM, targetHeightM } = sight
  const land = place && landOf(things, place.floor)
  if (!place || !land) return sight
  return {
    ...sight,
    targetHeightM: targetHeightM + groundM(land, along(place, place.panDeg, targetDistanceM)),
  }
}

/** Where a placed device's target stands: straight ahead on plan. */
export function targetOf({ targetDistanceM, targetHeightM }: Sight, place: Place): Point {
  return { ...along(place, place.panDeg, targetDistanceM), z: targetHeightM }
}
