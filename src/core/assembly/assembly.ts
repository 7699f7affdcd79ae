import type { Camera, DeviceContext, MountPart, Opening } from '../parts'
import type { Reach, Up } from '../procedure'
import { inSentence } from '../units'

/**
 * One device put together: its parts from the surface outwards, the spaces between them, and by which ways a
 * hand still reaches into them. Everything here follows from the parts; nothing names one.
 */

/** A part at its place in the stack. `ref` is `mount-0`, `mount-1`, … or `camera`. */
export interface Placed {
  readonly ref: string
  readonly part: MountPart | Camera
  /** What it sits on; null for what sits on the surface. */
  readonly on: Placed | null
}

export type Stack = Pick<DeviceContext, 'mounts' | 'camera'>

const KNOWN = new WeakMap<Stack, { readonly parts: readonly Placed[]; joint?: Joint }>()

/** The parts from the surface outwards, the camera last. */
export function partsOf(context: Stack): readonly Placed[] {
  const known = KNOWN.get(context)
  if (known) return known.parts
  const parts = placedParts(context)
  KNOWN.set(context, { parts })
  return parts
}

function placedParts({ mounts, camera }: Stack): readonly Placed[] {
  const placed: Placed[] = []
  for (const [i, part] of mounts.entries())
    placed.push({ ref: `mount-${i}`, part, on: placed.at(-1) ?? null })
  return [...placed, { ref: 'camera', part: camera, on: placed.at(-1) ?? null }]
}

export const upOf = ({ ref }: Placed): Up => `up ${ref}`

/** True when some part of the stack has room for the tail and its joint. */
export function hasBox({ mounts }: Pick<DeviceContext, 'mounts'>): boolean {
  return mounts.some(({ enclosesJoint }) => enclosesJoint)
}

/** Where a tail joint lies, once everything is closed. */
export type JointPlace = 'in the box' | 'behind the surface' | 'in the open'

/** Where the joint between tail and site cable lies, from the stack and what passes the hole. */
export function jointPlace(context: Pick<DeviceContext, 'mounts' | 'device'>): JointPlace {
  if (hasBox(context)) return 'in the box'
  const passage = context.device.mount?.passage
  return passage === 'coupler' || passage === 'tail and plugs' ? 'behind the surface' : 'in the open'
}

const isHousing = (part: MountPart | Camera) => 'coversCamera' in part && part.coversCamera === true
const openBehind = (part: MountPart | Camera) => 'openBehind' in part && part.openBehind === true

/** How the space between a part and its support is reached: until it is up, or from behind an open back. */
function behind({ ref, part, on }: Placed, what: string): Reach {
  const up: Up = `up ${ref}`
  if (on === null) return { closings: [up], because: `${what} only from behind the ${calledIn(part.name)}.` }
  if (openBehind(on.part))
    return {
      closings: [up, upOf(on)],
      because: `${what} only until the ${calledIn(part.name)} is on it and the ${calledIn(on.part.name)} is up.`,
    }
  return {
    closings: [up],
    because: `${what} only until the ${calledIn(part.name)} closes the ${calledIn(on.part.name)}.`,
  }
}

/** How the inside of a part is reached: until what sits on it closes it, or its own cover does. */
export function inside(context: Stack, placed: Placed, what: string): Reach {
  const next = partsOf(context).find(({ on }) => on?.ref === placed.ref)
  if (!next || isHousing(placed.part))
    return { closings: ['closed'], because: `${what} only while the ${calledIn(placed.part.name)} is open.` }
  return behind(next, what)
}

/** By which ways the nut or rubber of an opening is tightened; none when from outside at any time. */
export function reachOfOpening(context: Stack, placed: Placed, { side, name }: Opening): readonly Reach[] {
  const what = `The ${name} is reached`
  if (side === 'rear') return [behind(placed, what)]
  return side === 'inside' ? [inside(context, placed, what)] : []
}

/**
 * The parts that stand before one as the cable comes, and are up before anything is closed round the cable
 * at it: not what is joined to it on the bench.
 */
export function partsBefore(
  context: Stack & Pick<DeviceContext, 'device'>,
  placed: Placed,
): readonly Placed[] {
  const { joinedFirst } = joint(context)
  const before: Placed[] = []
  for (let part = placed.on; part !== null; part = part.on)
    if (!openBehind(part.part) && !joinedFirst.some(({ on }) => on?.ref === part.ref)) before.push(part)
  return before
}

/** The parts that were there before and stay: what they cover is out of reach from the start. */
export const keptParts = (context: Stack & Pick<DeviceContext, 'partsKept'>): readonly Placed[] =>
  partsOf(context).slice(0, context.partsKept)

/** The part that stays and covers every way by which something is reached; null while a way is left. */
export function hiddenBehind(
  context: Stack & Pick<DeviceContext, 'partsKept'>,
  { closings }: Reach,
): Placed | null {
  const covering = keptParts(context).filter((placed) => closings.includes(upOf(placed)))
  return covering.length > 0 && covering.length === closings.length ? covering.at(-1)! : null
}

/** By which ways a part's own screws are turned; none when from outside at any time. */
export function reachOfScrews(context: Stack, placed: Placed): readonly Reach[] {
  const what = `The screws of the ${calledIn(placed.part.name)} are turned`
  const { fastened } = placed.part
  if (fastened === 'from behind' && placed.on)
    return [
      {
        closings: [upOf(placed.on)],
        because: `${what} only from the open back of the ${calledIn(placed.on.part.name)}.`,
      },
    ]
  if (fastened === 'from its front') return [inside(context, placed, what)]
  if (fastened === 'inside its support' && placed.on) return [inside(context, placed.on, what)]
  return []
}

/** The joint between the site cable and the camera, once everything is closed. */
export interface Joint {
  readonly place: JointPlace | 'in the camera'
  /** The part that closes over it when it goes up; null where none does. */
  readonly closer: Placed | null
  /** By which ways it is reached. */
  readonly reach: readonly Reach[]
  /** What is up before it is made, so that nothing hangs on the cable. */
  readonly carriedBy: readonly Placed[]
  /** What the tail runs through to it: joined to the closer before that goes up. */
  readonly joinedFirst: readonly Placed[]
}

const passesJoint = ({ part }: Placed) => 'passesJoint' in part && part.passesJoint === true

export function joint(context: Stack & Pick<DeviceContext, 'device'>): Joint {
  partsOf(context)
  const known = KNOWN.get(context)!
  return (known.joint ??= jointOf(context))
}

function jointOf(context: Stack & Pick<DeviceContext, 'device'>): Joint {
  const parts = partsOf(context)
  const camera = parts.at(-1)!
  const what = 'The joint is reached'
  if (context.camera.connection === 'inside') {
    const housing = camera.on && isHousing(camera.on.part) ? camera.on : camera
    const reach = [inside(context, housing, what)]
    return { place: 'in the camera', closer: null, reach, carriedBy: parts, joinedFirst: [] }
  }
  const place = jointPlace(context)
  if (place === 'in the open')
    return { place, closer: null, reach: [], carriedBy: parts.slice(0, -1), joinedFirst: [] }
  const box = parts.findLastIndex(({ part }) => 'enclosesJoint' in part && part.enclosesJoint)
  const from = place === 'in the box' ? box + 1 : 0
  const at = parts.findIndex((part, i) => i >= from && !passesJoint(part))
  const closer = parts[at]!
  return {
    place,
    closer,
    reach: [behind(closer, what)],
    carriedBy: parts.filter((_, i) => i !== at),
    joinedFirst: parts.slice(at + 1),
  }
}

/** The part on the run's way whose hole a finished end of so many mm does not pass; null if none. */
export function tooWideFor(
  context: Stack,
  acrossMm: number | null,
): { readonly placed: Placed; readonly opening: Opening } | null {
  if (acrossMm === null) return null
  for (const placed of partsOf(context)) {
    const opening = placed.part.openings.find(
      ({ kind, holeMm }) =>
        (kind === 'cable entry' || kind === 'grommet seat') && holeMm !== null && holeMm < acrossMm,
    )
    if (opening) return { placed, opening }
  }
  return null
}

/** True when mains is where the work is: it feeds the camera, or an old box that is opened. */
export const mainsReaches = ({ camera, surface }: Pick<DeviceContext, 'camera' | 'surface'>): boolean =>
  camera.power.mains || surface.holding === 'box'

/** What a part is called inside a sentence: without its sizes. */
export const calledIn = (name: string): string => inSentence(name.split(',')[0]!)
