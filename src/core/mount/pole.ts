import { POLE_MATERIALS, type Terrain } from '../job/choices'
import type { Mount } from '../job/job'
import { MOUNT_LIMITS } from './limits'
import { exposureCoefficient, velocityPressurePa, windForceN } from './wind'

export type Pole = NonNullable<Mount['pole']>

/** Second moment of area of a round tube, m⁴: π(D⁴ − d⁴)/64. A wall of half the diameter is a solid pole. */
export function tubeInertiaM4({ diameterMm, wallMm }: Pick<Pole, 'diameterMm' | 'wallMm'>): number {
  const [outer, inner] = [diameterMm / 1000, Math.max(0, diameterMm - 2 * wallMm) / 1000]
  return (Math.PI * (outer ** 4 - inner ** 4)) / 64
}

/** Deflection (m) and slope (rad) at a height of a pole that is fixed at its foot. */
export interface Bent {
  readonly deflectionM: number
  readonly slopeRad: number
}

/** A force at a height bends the pole below it: δ = FL³/3EI, end slope FL²/2EI. Beam theory. */
export function bentByForce(forceN: number, atM: number, stiffnessNm2: number): Bent {
  return {
    deflectionM: (forceN * atM ** 3) / (3 * stiffnessNm2),
    slopeRad: (forceN * atM ** 2) / (2 * stiffnessNm2),
  }
}

/**
 * An even load (N/m) over the whole height, seen at x up: w·x²(6L² − 4Lx + x²)/24EI, slope w·x(3L² − 3Lx +
 * x²)/6EI. Beam theory.
 */
export function bentByWind(loadNm: number, heightM: number, atM: number, stiffnessNm2: number): Bent {
  const x = Math.min(atM, heightM)
  const slopeRad = (loadNm * x * (3 * heightM ** 2 - 3 * heightM * x + x ** 2)) / (6 * stiffnessNm2)
  return {
    deflectionM: (loadNm * x ** 2 * (6 * heightM ** 2 - 4 * heightM * x + x ** 2)) / (24 * stiffnessNm2),
    slopeRad,
  }
}

export const stiffnessNm2 = (pole: Pole): number =>
  POLE_MATERIALS[pole.material].elasticGPa * 1e9 * tubeInertiaM4(pole)

/**
 * How far a pole leans, standing still, in a steady wind in which the picture must hold: the device's own
 * force and the wind on the pole. Gusts that meet its own swing shake it more; that is not reckoned.
 */
export function lean(pole: Pole, cameraM: number, deviceAreaM2: number): Bent {
  const pressure = velocityPressurePa(MOUNT_LIMITS.pictureWindMS.value, 1)
  const at = Math.min(cameraM, pole.heightM)
  const own = bentByForce(windForceN(pressure, deviceAreaM2), at, stiffnessNm2(pole))
  const whole = bentByWind(windForceN(pressure, pole.diameterMm / 1000), pole.heightM, at, stiffnessNm2(pole))
  return { deflectionM: own.deflectionM + whole.deflectionM, slopeRad: own.slopeRad + whole.slopeRad }
}

/**
 * What the design wind does at the foot of a pole: moments in N·m, stress in MPa under its allowable share.
 */
export interface Foot {
  readonly momentNm: number
  /** How much of the moment the device adds, 0 to 1. */
  readonly deviceShare: number
  readonly stressMPa: number
  readonly allowableMPa: number
}

/** Moment at the foot, w·L²/2 of the pole and F·h of the device, and the bending stress M·c/I there. */
export function footOf(
  pole: Pole,
  cameraM: number,
  deviceAreaM2: number,
  windMS: number,
  terrain: Terrain,
): Foot {
  const pressure = velocityPressurePa(windMS, exposureCoefficient(terrain, pole.heightM))
  const own = windForceN(pressure, deviceAreaM2) * Math.min(cameraM, pole.heightM)
  const whole = (windForceN(pressure, pole.diameterMm / 1000) * pole.heightM ** 2) / 2
  const momentNm = own + whole
  const allowed = (momentNm * MOUNT_LIMITS.windAllowable.value) / 100
  const stressMPa = (allowed * (pole.diameterMm / 2000)) / tubeInertiaM4(pole) / 1e6
  return {
    momentNm,
    deviceShare: momentNm === 0 ? 0 : own / momentNm,
    stressMPa,
    allowableMPa: POLE_MATERIALS[pole.material].bendingMPa,
  }
}

/** Length of band for a pole, mm: once round and the tail that the buckle wants. */
export const bandLengthMm = (diameterMm: number): number =>
  Math.PI * diameterMm + MOUNT_LIMITS.bandTailMm.value
