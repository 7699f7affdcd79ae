import type { Camera, DeviceContext, Interface, MountPart } from '../parts'

const FLAT: readonly Interface[] = ['surface', 'box lid', 'pole plate']

/** True when what a part offers takes what the next one needs: any flat face takes a part made for a surface. */
export function fits(offers: Interface, needs: Interface): boolean {
  return offers === needs || (needs === 'surface' && FLAT.includes(offers))
}

/** The first joint of a stack that does not fit, from the surface outwards; null when all do. */
export function firstMisfit(mounts: readonly MountPart[], camera: Camera): { readonly part: string; readonly on: string; readonly needs: Interface; readonly offers: Interface } | null {
  let offers: Interface = 'surface'
  let on = 'the surface'
  for (const part of [...mounts, camera]) {
    if (!fits(offers, part.needs)) return { part: part.name, on, needs: part.needs, offers }
    if ('offers' in part) offers = part.offers
    on = part.name
  }
  return null
}

/** The part that is fixed to the surface: the first of the stack, or the camera itself. */
export function basePart({ mounts, camera }: Pick<DeviceContext, 'mounts' | 'camera'>): Camera | MountPart {
  return mounts[0] ?? camera
}

/** Mass of everything that hangs from the surface, kilograms. */
export function stackMassKg({ mounts, camera }: Pick<DeviceContext, 'mounts' | 'camera'>): number {
  return mounts.reduce((sum, { massKg }) => sum + massKg, camera.massKg)
}

/** Distance from the surface to the middle of the camera, metres: the lever of an overturning load. */
export function leverM({ mounts, camera }: Pick<DeviceContext, 'mounts' | 'camera'>): number {
  return (mounts.reduce((sum, { reachMm }) => sum + reachMm, 0) + camera.depthMm / 2) / 1000
}

/** True when some part of the stack has room for the tail and its joint. */
export function hasBox({ mounts }: Pick<DeviceContext, 'mounts'>): boolean {
  return mounts.some(({ enclosesJoint }) => enclosesJoint)
}

/** What a stack comes to: millimetres off the surface and across, and what of it wants sealing. */
export interface StackSum {
  readonly offMm: number
  readonly acrossMm: number
  readonly gaskets: number
  readonly threads: number
  readonly entries: number
  readonly holes: number
}

/** Adds a stack up, camera included: reach, widest part, gaskets, threaded joints, cable entries, holes in the surface. */
export function sumOf({ mounts, camera }: Pick<DeviceContext, 'mounts' | 'camera'>): StackSum {
  const openings = [...mounts, camera].flatMap((part) => part.openings)
  return {
    offMm: mounts.reduce((sum, { reachMm }) => sum + reachMm, 0) + camera.depthMm,
    acrossMm: Math.max(camera.baseMm, ...mounts.map(({ baseMm }) => baseMm)),
    gaskets: openings.filter(({ kind }) => kind === 'gasket' || kind === 'wall edge').length,
    threads: mounts.filter(({ needs }) => needs === 'pipe thread').length,
    entries: openings.filter(({ kind }) => kind === 'cable entry' || kind === 'grommet seat' || kind === 'spare entry').length,
    holes: basePart({ mounts, camera }).fixing.holes,
  }
}
