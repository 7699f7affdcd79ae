import type { Imager } from './projection'

const RAD = Math.PI / 180

/** An edge ray flatter than this counts as level: beyond a hundred kilometres no ground is meant. */
const LEVEL_DEG = 0.001

/** A distance on the ground along the axis: a number of metres, or why there is none. */
export type Reach = number | 'own feet' | 'endless' | 'none'

/**
 * Nearest ground in the picture, H/tan(θ+VFOV/2), metres. 'own feet' when the lower edge looks straight down or past it,
 * 'none' when the lower edge never meets the ground.
 */
export function nearestGroundM(heightM: number, tiltDeg: number, verticalFovDeg: number): Reach {
  const lower = tiltDeg + verticalFovDeg / 2
  if (lower >= 90) return 'own feet'
  return lower <= LEVEL_DEG ? 'none' : heightM / Math.tan(lower * RAD)
}

/** Far edge of the ground in the picture, H/tan(θ−VFOV/2), metres; 'endless' when the upper edge reaches the horizon. */
export function farthestGroundM(heightM: number, tiltDeg: number, verticalFovDeg: number): Reach {
  if (tiltDeg + verticalFovDeg / 2 <= LEVEL_DEG) return 'none'
  const upper = tiltDeg - verticalFovDeg / 2
  return upper <= LEVEL_DEG ? 'endless' : heightM / Math.tan(upper * RAD)
}

/**
 * Tilts (degrees below level) that keep a height at a distance inside the picture, upper and lower edge included.
 * `depressionDeg` is the angle at which the camera looks down on it.
 */
export function tiltsThatShow(depressionDeg: number, verticalFovDeg: number): readonly [min: number, max: number] {
  return [depressionDeg - verticalFovDeg / 2, depressionDeg + verticalFovDeg / 2]
}

/** How steeply the camera looks down (degrees) on a point `distanceM` away and `heightM` above the ground. */
export function depressionDeg(cameraHeightM: number, heightM: number, distanceM: number): number {
  return Math.atan2(cameraHeightM - heightM, distanceM) / RAD
}

/**
 * How near a person may come before the face leaves the lower edge, metres; 'own feet' when it never does.
 * Follows the edge ray to face height.
 */
export function nearestFaceM(cameraHeightM: number, faceHeightM: number, tiltDeg: number, imager: Pick<Imager, 'verticalFovDeg'>): Reach {
  if (cameraHeightM <= faceHeightM) return 'none'
  return nearestGroundM(cameraHeightM - faceHeightM, tiltDeg, imager.verticalFovDeg)
}
