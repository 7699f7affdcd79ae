import type { Sight } from '../job/job'
import type { Camera } from '../parts'
import { depressionDeg } from './elevation'
import { densityAt, imagerOf, uprightHalfDeg, type Imager } from './projection'

/**
 * What a camera makes of its own target, straight ahead of it on plan; its roll counts as it does in a
 * survey.
 */
export interface Ahead {
  readonly imager: Imager
  /** Half the angle that the picture covers up and down through its axis, degrees. */
  readonly halfDeg: number
  /** How steeply the lens looks down on the target, degrees. */
  readonly downDeg: number
  readonly inPicture: boolean
  readonly densityPxM: number
  /**
   * Width of the scene at the target's depth along the axis, m: times the density it gives the pixels
   * across. Null all round.
   */
  readonly acrossM: number | null
}

/** Looks at the target of a sight by the full projection. */
export function aheadOf(camera: Pick<Camera, 'sensor' | 'lens'>, sight: Sight): Ahead {
  const { focalMm, portrait, heightM, tiltDeg, targetDistanceM, targetHeightM, place } = sight
  const imager = imagerOf(camera, focalMm, portrait)
  const rollDeg = place?.rollDeg ?? 0
  const halfDeg = uprightHalfDeg(imager, rollDeg)
  const downDeg = depressionDeg(heightM, targetHeightM, targetDistanceM)
  const pose = { x: 0, y: 0, z: heightM, panDeg: 0, tiltDeg, rollDeg }
  const tilt = (tiltDeg * Math.PI) / 180
  const depthM = targetDistanceM * Math.cos(tilt) + (heightM - targetHeightM) * Math.sin(tilt)
  return {
    imager,
    halfDeg,
    downDeg,
    inPicture: Math.abs(tiltDeg - downDeg) <= halfDeg,
    densityPxM: densityAt(imager, pose, { x: 0, y: targetDistanceM, z: targetHeightM }),
    acrossM: imager.kind === 'rectilinear' ? (Math.max(0, depthM) * imager.widthPx) / imager.focalPxX : null,
  }
}
