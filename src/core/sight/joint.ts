import type { Camera } from '../parts'

/**
 * Tilts below level (degrees) that the camera's joint allows, its base facing out from a wall or straight
 * down.
 */
export function tiltRangeDeg(
  camera: Pick<Camera, 'axisFromBaseDeg'>,
  facing: 'wall' | 'down',
): readonly [min: number, max: number] {
  const [least, most] = camera.axisFromBaseDeg
  if (facing === 'down') return [90 - most, Math.min(90, 90 - least)]
  return [least < 0 ? least : -most, Math.min(90, most)]
}
