import type { Camera } from '../parts'

const RAD = Math.PI / 180
const round = (value: number, step: number) => Math.round(value / step) * step
const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value))

/** To what a hand sets lens and tilt. */
const FOCAL_STEP_MM = 0.1
const TILT_STEP_DEG = 0.5

/**
 * The focal length (mm) at which half the picture's width spans an angle (degrees), as far as the lens goes:
 * the pinhole turned round, f = w / (2 tan(angle)). Null for a lens that cannot be set, or is no pinhole.
 */
export function focalFor(
  { sensor, lens }: Pick<Camera, 'sensor' | 'lens'>,
  portrait: boolean,
  halfDeg: number,
): number | null {
  if (lens.kind !== 'rectilinear') return null
  const [least, most] = lens.focalMm
  if (most - least < FOCAL_STEP_MM) return null
  const acrossMm = portrait ? sensor.heightMm : sensor.widthMm
  const wanted = acrossMm / (2 * Math.tan(within(halfDeg, 1, 89) * RAD))
  return within(round(wanted, FOCAL_STEP_MM), least, most)
}

/**
 * The tilt (degrees below level) at which the upper edge of the picture meets the ground so far out (m):
 * the edge looks as steeply down as the lens stands high over that length. `halfDeg`: half of what the
 * picture covers up and down.
 */
export const tiltFor = (farM: number, heightM: number, halfDeg: number): number =>
  within(round(Math.atan2(heightM, Math.max(0.1, farM)) / RAD + halfDeg, TILT_STEP_DEG), -90, 90)
