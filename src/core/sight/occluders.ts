import { between, contains } from '../geometry'
import type { Floor } from '../job/choices'
import { oncePer } from '../once'
import { nameOf, occluderOf, type Occluders, type PlanThing } from '../plan'
import { FLOORS_UP, riseM, type World } from './floors'
import { landBetween } from './brows'
import { landOf, type Land } from './land'
import type { Point } from './projection'

/** What a floor is looked at in: what stands in the way, and how its ground lies (flat where left out). */
export interface Setting extends Occluders {
  readonly land?: Land | null
  /** The brows of that land that can matter; all where left out. */
  readonly brows?: Land['brows']
}

const REMEMBERED = new WeakMap<readonly PlanThing[], Map<string, Setting>>()

/**
 * What a floor is looked at in, in heights above it: everything that stands on it, and on every other floor
 * of which the height is known. Made once for one and the same list of things.
 */
export function settingOf(world: World, floor: Floor): Setting {
  const { things, floorHeightsM } = world
  const floors = REMEMBERED.get(things) ?? new Map<string, Setting>()
  REMEMBERED.set(things, floors)
  const key = JSON.stringify([floor, floorHeightsM])
  const known = floors.get(key)
  if (known) return known
  const each = FLOORS_UP.flatMap((other) => {
    const byM = riseM(world, floor, other)
    if (byM === null) return []
    const footM = Math.min(0, landOf(things, other)?.leastM ?? 0)
    return things.filter((thing) => thing.floor === other).map((thing) => standingAs(thing, byM, footM))
  })
  const made = {
    uprights: each.flatMap(({ uprights }) => uprights),
    boards: each.flatMap(({ boards }) => boards),
    solids: each.flatMap(({ solids }) => solids),
    land: landOf(things, floor),
  }
  floors.set(key, made)
  return made
}

const standing = oncePer((_: PlanThing) => new Map<string, Occluders>())

/**
 * What a thing stands in the way with, on a floor that lies so much higher: the very same each time. What
 * has its foot on the floor reaches down to the lowest ground of it.
 */
function standingAs(thing: PlanThing, byM: number, footM: number): Occluders {
  const [known, key] = [standing(thing), `${byM} ${footM}`]
  const made = known.get(key) ?? raised(occluderOf(thing), byM, footM)
  known.set(key, made)
  return made
}

function raised(occluders: Occluders, byM: number, footM: number): Occluders {
  if (byM === 0 && footM === 0) return occluders
  const lifted = <T extends { readonly fromM: number; readonly toM: number }>(one: T): T => ({
    ...one,
    fromM: (one.fromM === 0 ? footM : one.fromM) + byM,
    toM: one.toM + byM,
  })
  return {
    uprights: occluders.uprights.map(lifted),
    boards: occluders.boards.map((one) => ({ ...one, heightM: one.heightM + byM })),
    solids: occluders.solids.map(lifted),
  }
}

/**
 * What hides one point from another, by its name, and how far out it does (m along the ray): a thing, or the
 * ground; null when the way is free.
 */
export function hiddenBy(
  setting: Setting,
  from: Point,
  to: Point,
): { readonly name: string; readonly distanceM: number } | null {
  const hit = firstBetween(setting, from, to)
  const groundAtM = landBetween(setting.brows ?? setting.land?.brows ?? [], from, to)
  if (groundAtM !== null && groundAtM < (hit?.distanceM ?? Infinity))
    return { name: 'the ground', distanceM: groundAtM }
  return hit && { name: nameOf(hit.thing), distanceM: hit.distanceM }
}

/** A share of a ray this small at either end belongs to the lens or the target itself. */
const END = 1e-6

/**
 * The thing that stands nearest the eye between two points, and how far out (m along the ray); null when
 * the way is free.
 */
export function firstBetween(
  { uprights, boards }: Occluders,
  from: Point,
  to: Point,
): { readonly thing: PlanThing; readonly distanceM: number } | null {
  let nearest = Infinity
  let thing: PlanThing | null = null
  const [rx, ry] = [to.x - from.x, to.y - from.y]
  // The crossing is written out: a year of sun and a picture of rays ask for it a hundred thousand times.
  for (const { a, b, fromM, toM, thing: own } of uprights) {
    const [sx, sy, qx, qy] = [b.x - a.x, b.y - a.y, a.x - from.x, a.y - from.y]
    const cross = rx * sy - ry * sx
    if (cross > -1e-12 && cross < 1e-12) continue
    const share = (qx * sy - qy * sx) / cross
    if (share <= END || share >= 1 - END || share >= nearest) continue
    const across = (qx * ry - qy * rx) / cross
    if (across < 0 || across > 1) continue
    const height = from.z + (to.z - from.z) * share
    if (height < fromM || height > toM) continue
    nearest = share
    thing = own
  }
  if (from.z !== to.z) {
    for (const board of boards) {
      const share = (board.heightM - from.z) / (to.z - from.z)
      if (share <= END || share >= 1 - END || share >= nearest) continue
      if (!contains(board.outline, between(from, to, share))) continue
      nearest = share
      thing = board.thing
    }
  }
  return thing === null
    ? null
    : { thing, distanceM: nearest * Math.hypot(to.x - from.x, to.y - from.y, to.z - from.z) }
}
