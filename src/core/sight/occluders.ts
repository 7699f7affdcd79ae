import { between, contains } from '../geometry'
import type { Floor } from '../job/choices'
import { occluderOf, type Occluders, type PlanThing } from '../plan'
import type { Point } from './projection'

const REMEMBERED = new WeakMap<readonly PlanThing[], Map<Floor, Occluders>>()

/** What blocks the view on a floor; computed once for one and the same list of things. */
export function occludersOf(things: readonly PlanThing[], floor: Floor): Occluders {
  const floors = REMEMBERED.get(things) ?? new Map<Floor, Occluders>()
  REMEMBERED.set(things, floors)
  const known = floors.get(floor)
  if (known) return known
  const made = make(things.filter((thing) => thing.floor === floor))
  floors.set(floor, made)
  return made
}

function make(things: readonly PlanThing[]): Occluders {
  const each = things.map(occluderOf)
  return {
    uprights: each.flatMap(({ uprights }) => uprights),
    boards: each.flatMap(({ boards }) => boards),
    solids: each.flatMap(({ solids }) => solids),
  }
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
