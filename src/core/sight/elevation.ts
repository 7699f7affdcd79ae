const RAD = Math.PI / 180

/** An edge ray flatter than this counts as level: beyond a hundred kilometres no ground is meant. */
const LEVEL_DEG = 0.001

/** A distance on the ground along the axis: a number of metres, or why there is none. */
export type Reach = number | 'own feet' | 'endless' | 'none'

/**
 * Nearest ground in the picture, H/tan(θ+VFOV/2), metres. 'own feet' when the lower edge looks straight
 * down or past it, 'none' when the lower edge never meets the ground.
 */
export function nearestGroundM(heightM: number, tiltDeg: number, verticalFovDeg: number): Reach {
  const lower = tiltDeg + verticalFovDeg / 2
  if (lower >= 90) return 'own feet'
  return lower <= LEVEL_DEG ? 'none' : heightM / Math.tan(lower * RAD)
}

/**
 * Far edge of the ground in the picture, H/tan(θ−VFOV/2), metres; 'endless' when the upper edge reaches the
 * horizon.
 */
export function farthestGroundM(heightM: number, tiltDeg: number, verticalFovDeg: number): Reach {
  if (tiltDeg + verticalFovDeg / 2 <= LEVEL_DEG) return 'none'
  const upper = tiltDeg - verticalFovDeg / 2
  return upper <= LEVEL_DEG ? 'endless' : heightM / Math.tan(upper * RAD)
}

/** How steeply the camera looks down (degrees) on a point `distanceM` away and `heightM` above the ground. */
export function depressionDeg(cameraHeightM: number, heightM: number, distanceM: number): number {
  return Math.atan2(cameraHeightM - heightM, distanceM) / RAD
}

/**
 * How near a person may come, straight ahead, before the face leaves the picture, metres: over the lower
 * edge where the lens hangs above the face, over the upper edge where it hangs below. 'own feet' when it
 * never leaves, 'none' when the face is never pictured.
 */
export function nearestFaceM(
  cameraHeightM: number,
  faceHeightM: number,
  tiltDeg: number,
  halfDeg: number,
): Reach {
  const above = cameraHeightM - faceHeightM
  const [lower, upper] = [tiltDeg + halfDeg, tiltDeg - halfDeg] // below level
  // it stands level with the lens, however far
  if (Math.abs(above) < 1e-9) return lower >= 0 && upper <= 0 ? 'own feet' : 'none'
  const edge = above > 0 ? lower : -upper // how far towards the face's side the picture reaches
  if (edge <= LEVEL_DEG) return 'none'
  return edge >= 90 ? 'own feet' : Math.abs(above) / Math.tan(edge * RAD)
}
