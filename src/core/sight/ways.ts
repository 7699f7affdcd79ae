import { LEVELS } from '../job/choices'
import type { Sight } from '../job/job'
import type { Camera, DeviceContext } from '../parts'
import { aheadOf, type Ahead } from './ahead'
import { SIGHT_LIMITS } from './limits'
import type { Cured } from './findings/asked'

/**
 * Ways out of a sight that does not serve. Each is found by the full projection and tried before it is
 * said.
 */

type Range = readonly [min: number, max: number]

/** The tilt (whole half degrees) nearest to the one that centres the target, within what the joint allows. */
export function centredTiltDeg({ downDeg }: Pick<Ahead, 'downDeg'>, [least, most]: Range): number {
  return Math.min(most, Math.max(least, Math.round(downDeg * 2) / 2))
}

/** True when the target is in the picture with a little more than its level. */
function serves(camera: Camera, sight: Sight): boolean {
  const { inPicture, densityPxM } = aheadOf(camera, sight)
  return (
    inPicture && densityPxM >= LEVELS[sight.level].densityPxM * (1 + SIGHT_LIMITS.densityMargin.value / 100)
  )
}

const MOST_M = 500
/** Distances that differ by less are the same, m: a hundredth of what is said. */
const SAME_M = 0.0001

/**
 * How far out (m, whole centimetres) the target keeps level and picture, walking straight away; null when
 * it never loses them.
 */
export function keepsToM(camera: Camera, sight: Sight): number | null {
  const need = LEVELS[sight.level].densityPxM
  const holds = (targetDistanceM: number) => {
    const { inPicture, densityPxM } = aheadOf(camera, { ...sight, targetDistanceM })
    return inPicture && densityPxM >= need
  }
  let good = sight.targetDistanceM
  let bad = good
  while (holds(bad) && bad < MOST_M) [good, bad] = [bad, Math.min(MOST_M, bad * 1.05 + 0.05)]
  if (holds(bad)) return null
  while (bad - good > SAME_M) {
    const middle = (good + bad) / 2
    if (holds(middle)) good = middle
    else bad = middle
  }
  return Math.floor(good * 100) / 100
}

/**
 * The shortest lens setting (mm, tenths) that serves, with the tilt as it is or, failing that, centred;
 * null when none does.
 */
export function focalThatReaches(
  { camera, printed }: DeviceContext,
  sight: Sight,
  range: Range,
  cured: Cured,
): string | null {
  const [, longest] = camera.lens.focalMm
  if (camera.lens.kind !== 'rectilinear') return null
  const tilted = { tiltDeg: centredTiltDeg(aheadOf(camera, sight), range) }
  for (const change of [{}, tilted] as readonly Partial<Sight>[]) {
    for (let tenths = Math.ceil(sight.focalMm * 10 + 1e-6); tenths <= longest * 10 + 1e-6; tenths++) {
      const focalMm = tenths / 10
      if (!serves(camera, { ...sight, ...change, focalMm })) continue
      // something else comes with it; a longer lens brings it too
      if (!cured('sight/level', { ...change, focalMm })) break
      const tilt =
        change.tiltDeg !== undefined && change.tiltDeg !== sight.tiltDeg
          ? ` and tilt to ${printed(change.tiltDeg, 'angle')}`
          : ''
      return `Set the lens to ${printed(focalMm, 'focal')}${tilt}`
    }
  }
  return null
}

/**
 * The farthest nearer distance (5 cm steps) at which the target is in the picture at its level; null when
 * there is none.
 */
export function nearerThatReaches(
  { camera, printed }: DeviceContext,
  sight: Sight,
  cured: Cured,
): string | null {
  for (let steps = Math.ceil(sight.targetDistanceM * 20) - 1; steps >= 6; steps--) {
    const targetDistanceM = steps / 20
    if (!serves(camera, { ...sight, targetDistanceM })) continue
    return cured('sight/level', { targetDistanceM })
      ? `bring the target within ${printed(targetDistanceM, 'length')}`
      : null
  }
  return null
}

/**
 * Lowering the camera, or meeting the face farther out, so that it is no longer seen too steeply; with the
 * tilt that goes with it.
 */
export function faceWays(
  { camera, printed }: DeviceContext,
  sight: Sight,
  range: Range,
  cured: Cured,
): string[] {
  const slope = Math.tan((SIGHT_LIMITS.faceAngleDeg.value * Math.PI) / 180)
  const lower = Math.floor((sight.targetHeightM + sight.targetDistanceM * slope) * 20) / 20
  const farther = Math.ceil(((sight.heightM - sight.targetHeightM) / slope) * 20) / 20
  const tried = (change: Partial<Sight>, words: string): string[] => {
    const tiltDeg = centredTiltDeg(aheadOf(camera, { ...sight, ...change }), range)
    if (cured('sight/face-angle', change)) return [words]
    return cured('sight/face-angle', { ...change, tiltDeg })
      ? [`${words} and tilt to ${printed(tiltDeg, 'angle')}`]
      : []
  }
  return [
    ...(lower >= 0.3 ? tried({ heightM: lower }, `Lower the camera to ${printed(lower, 'length')}`) : []),
    ...tried({ targetDistanceM: farther }, `meet the face from ${printed(farther, 'length')}`),
  ]
}
