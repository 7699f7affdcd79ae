import { boundsOf, type PlanPoint } from '../geometry'
import type { Occluders } from '../plan'

/** The few occluders that can matter to a question, out of all of a floor: the answer is the same. */

export interface Box {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
}

/** Left, right, bottom and top of every occluder of a floor, four numbers each. */
interface Extents {
  readonly uprights: Float64Array
  readonly boards: Float64Array
}

const EXTENTS = new WeakMap<Occluders, Extents>()

function extentsOf(occluders: Occluders): Extents {
  const known = EXTENTS.get(occluders)
  if (known) return known
  const uprights = Float64Array.from(
    occluders.uprights.flatMap(({ a, b }) => [
      Math.min(a.x, b.x),
      Math.max(a.x, b.x),
      Math.min(a.y, b.y),
      Math.max(a.y, b.y),
    ]),
  )
  const boards = Float64Array.from(
    occluders.boards.flatMap(({ outline }) => {
      const { left, right, bottom, top } = boundsOf(outline)!
      return [left, right, bottom, top]
    }),
  )
  const made = { uprights, boards }
  EXTENTS.set(occluders, made)
  return made
}

function meeting<T>(all: readonly T[], extents: Float64Array, { left, right, bottom, top }: Box): T[] {
  const found: T[] = []
  for (let i = 0; i < all.length; i++) {
    const k = 4 * i
    if (extents[k]! > right || extents[k + 1]! < left || extents[k + 2]! > top || extents[k + 3]! < bottom) {
      continue
    }
    found.push(all[i]!)
  }
  return found
}

/** The occluders that meet a box on plan; what stands between two points of it is among them. */
export function occludersWithin(occluders: Occluders, box: Box): Occluders {
  const { uprights, boards } = extentsOf(occluders)
  return {
    uprights: meeting(occluders.uprights, uprights, box),
    boards: meeting(occluders.boards, boards, box),
    solids: [],
  }
}

/** The box about some points, `marginM` wider on every side. */
export function boxAbout(points: readonly PlanPoint[], marginM: number): Box {
  const { left, right, bottom, top } = boundsOf(points)!
  return { left: left - marginM, right: right + marginM, bottom: bottom - marginM, top: top + marginM }
}
