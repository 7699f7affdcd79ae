import type { Terrain } from '../job/choices'
import type { Camera, MountPart } from '../parts'
import { METRES_PER_FOOT } from '../units'
import { MOUNT_LIMITS, WIND_PROFILES } from './limits'

/** The height (m) below which the coefficient no longer falls: 15 ft. */
export const LOWEST_WIND_M = 15 * METRES_PER_FOOT

/**
 * Velocity pressure exposure coefficient Kz at a height (m): 2.01·(z/zg)^(2/α), z at least 15 ft. ASCE 7
 * table 26.10-1, category B, C or D by the terrain.
 */
export function exposureCoefficient(terrain: Terrain, heightM: number): number {
  const { alpha, gradientFt } = WIND_PROFILES[terrain]
  return 2.01 * (Math.max(heightM, LOWEST_WIND_M) / METRES_PER_FOOT / gradientFt) ** (2 / alpha)
}

/**
 * Velocity pressure, Pa: 0.613·Kz·V², V in m/s; ASCE 7-22 26.10 with Kzt and Ke 1. Directionality goes with
 * the force.
 */
export const velocityPressurePa = (windMS: number, kz: number): number =>
  MOUNT_LIMITS.windPressure.value * kz * windMS ** 2

/**
 * Force (N) of a pressure (Pa) on an area (m²), at the strength of the gust itself: pressure ×
 * directionality × drag × area.
 */
export function windForceN(pressurePa: number, areaM2: number): number {
  return pressurePa * MOUNT_LIMITS.windDirection.value * MOUNT_LIMITS.drag.value * areaM2
}

/** Width of a tube that carries a load, mm: arms and rods are told by their reach, not by their flange. */
const TUBE_MM = 42
const TUBES: readonly string[] = ['wall arm', 'rod', 'bracket'] satisfies MountPart['kind'][]

/** What one part turns to the wind from the side, m². */
export function partAreaM2(part: Camera | MountPart): number {
  const tube = 'kind' in part && TUBES.includes(part.kind)
  return (tube ? TUBE_MM * Math.max(part.depthMm, part.reachMm) : part.baseMm * part.depthMm) / 1e6
}

/** The parts that the wind meets: a camera inside a housing is out of it. */
export function windward(mounts: readonly MountPart[], camera: Camera): readonly (Camera | MountPart)[] {
  return mounts.some(({ coversCamera }) => coversCamera) ? mounts : [...mounts, camera]
}

/** What a stack and its camera turn to the wind from the side, m². */
export function sideAreaM2(mounts: readonly MountPart[], camera: Camera): number {
  return windward(mounts, camera).reduce((sum, part) => sum + partAreaM2(part), 0)
}
