import type { Camera, MountPart } from '../parts'
import { MOUNT_LIMITS } from './limits'

/** Velocity pressure, Pa: 0.613·V², V in m/s; ASCE 7-22 with every exposure factor 1 (0.00256·V² lb/ft² with V in mph). */
export const velocityPressurePa = (windMS: number): number => MOUNT_LIMITS.windPressure.value * windMS ** 2

/** Force of the wind on an area (m²), newtons, at the strength of the gust itself: pressure × directionality × drag × area. */
export function windForceN(windMS: number, areaM2: number): number {
  return velocityPressurePa(windMS) * MOUNT_LIMITS.windDirection.value * MOUNT_LIMITS.drag.value * areaM2
}

/** Width of a tube that carries a load, mm: arms and rods are told by their reach, not by their flange. */
const TUBE_MM = 42

/** What the stack and the camera turn to the wind from the side, m². */
export function sideAreaM2(mounts: readonly MountPart[], camera: Pick<Camera, 'baseMm' | 'depthMm'>): number {
  const tube = (kind: MountPart['kind']) => kind === 'wall arm' || kind === 'rod' || kind === 'bracket'
  return [...mounts.map(({ kind, baseMm, depthMm, reachMm }) => (tube(kind) ? TUBE_MM * Math.max(depthMm, reachMm) : baseMm * depthMm)), camera.baseMm * camera.depthMm].reduce((sum, mm2) => sum + mm2, 0) / 1e6
}
