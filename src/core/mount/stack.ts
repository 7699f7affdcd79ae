import type { Camera, DeviceContext, MountPart } from '../parts'
import { holeWords } from './holes'

type Stack = Pick<DeviceContext, 'mounts' | 'camera'>
type OnSurface = Stack & Pick<DeviceContext, 'surface'>

/** The part that is fixed to the surface: the first of the stack, or the camera itself. */
export function basePart({ mounts, camera }: Stack): Camera | MountPart {
  return mounts[0] ?? camera
}

/** True where the base is let into the surface: the cable comes through the same opening. */
export function isCutIn(stack: Stack): boolean {
  const base = basePart(stack)
  return 'cutIn' in base && base.cutIn === true
}

/**
 * True where the cable comes through a hole that is drilled for it: not out of a pole or an old box, nor
 * where the hole, what sits over it or the cable itself was there before.
 */
export const drillsForCable = (context: OnSurface & Pick<DeviceContext, 'device' | 'partsKept'>): boolean =>
  comesThrough(context) &&
  context.partsKept === 0 &&
  context.device.route?.laid !== 'kept' &&
  context.device.mount?.hole !== 'kept'

/** True where the cable comes through a hole of its own in the surface. */
export const comesThrough = (context: OnSurface): boolean =>
  context.surface.holding !== 'pole' && context.surface.holding !== 'box' && !isCutIn(context)

/** Mass of everything that hangs from the surface, kilograms. */
export function stackMassKg({ mounts, camera }: Stack): number {
  return mounts.reduce((sum, { massKg }) => sum + massKg, camera.massKg)
}

/**
 * One part of a stack and where its middle hangs: metres out from the surface and down from where the stack
 * begins.
 */
export interface Hung {
  readonly part: Camera | MountPart
  readonly outM: number
  readonly dropM: number
}

/**
 * Where each part of a stack hangs. On a wall parts stand out by their reach until one turns down; what
 * follows hangs below it, no farther out. Under a ceiling everything hangs straight down. A camera inside a
 * housing hangs where that does.
 */
export function hungParts({
  surface,
  mounts,
  camera,
}: Pick<DeviceContext, 'surface' | 'mounts' | 'camera'>): Hung[] {
  let down = surface.facing === 'down'
  let [out, drop] = [0, 0]
  const hung = mounts.map((part): Hung => {
    const at = down
      ? { outM: out, dropM: drop + part.depthMm / 2000 }
      : { outM: out + part.reachMm / 2000, dropM: drop }
    if (down) drop += part.depthMm / 1000
    else out += part.reachMm / 1000
    if (part.turns === 'down') down = true
    return { part, ...at }
  })
  const housing = hung.find(({ part }) => 'coversCamera' in part && part.coversCamera)
  if (housing) return [...hung, { part: camera, outM: housing.outM, dropM: housing.dropM }]
  const half = camera.depthMm / 2000
  return [...hung, { part: camera, outM: down ? out : out + half, dropM: down ? drop + half : drop }]
}

/** What a stack comes to: millimetres off the surface and across, and what of it wants sealing. */
export interface StackSum {
  readonly offMm: number
  readonly acrossMm: number
  readonly gaskets: number
  readonly threads: number
  readonly entries: number
  readonly holes: number
  readonly holesSay: string
}

/**
 * Adds a stack up, camera included: reach, widest part, gaskets, threaded joints, cable entries, holes in
 * the surface.
 */
export function sumOf({ mounts, camera }: Stack, printed: DeviceContext['printed']): StackSum {
  const openings = [...mounts, camera].flatMap((part) => part.openings)
  const { fixing } = basePart({ mounts, camera })
  return {
    offMm: mounts.reduce((sum, { reachMm }) => sum + reachMm, 0) + camera.depthMm,
    acrossMm: Math.max(camera.baseMm, ...mounts.map(({ baseMm }) => baseMm)),
    gaskets: openings.filter(({ kind }) => kind === 'gasket' || kind === 'wall edge').length,
    threads: mounts.filter(({ needs }) => needs === 'pipe thread').length,
    entries: openings.filter(({ kind }) => ['cable entry', 'grommet seat', 'spare entry'].includes(kind))
      .length,
    holes: fixing.holes,
    holesSay: holeWords(fixing.holes, fixing.spacingMm, (mm) => printed(mm, 'size')),
  }
}
