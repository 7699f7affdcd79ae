import { boundsOf, type PlanPoint } from '../geometry'
import { oncePer } from '../once'
import type { Land } from './land'
import type { Setting } from './occluders'
import type { Board, Occluders, Upright } from '../plan'

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

const extentsOf = oncePer((occluders: Occluders): Extents => {
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
  return { uprights, boards }
})

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
export function occludersWithin(occluders: Setting, box: Box): Setting {
  const { uprights, boards } = extentsOf(occluders)
  const { land } = occluders
  return {
    uprights: meeting(occluders.uprights, uprights, box),
    boards: meeting(occluders.boards, boards, box),
    solids: [],
    ...(land ? { land, brows: land.brows.filter((brow) => meets(brow, box)) } : {}),
  }
}

const meets = ([a, b]: Land['brows'][number], { left, right, bottom, top }: Box): boolean =>
  Math.min(a.x, b.x) <= right &&
  Math.max(a.x, b.x) >= left &&
  Math.min(a.y, b.y) <= top &&
  Math.max(a.y, b.y) >= bottom

/** The box about some points, `marginM` wider on every side. */
export function boxAbout(points: readonly PlanPoint[], marginM: number): Box {
  const { left, right, bottom, top } = boundsOf(points)!
  return { left: left - marginM, right: right + marginM, bottom: bottom - marginM, top: top + marginM }
}

/** Occluders that stand near each other, in a circle about a point: what misses the circle misses them. */
export interface Cluster {
  readonly x: number
  readonly y: number
  readonly radiusM: number
  /** The highest of them. */
  readonly topM: number
  readonly uprights: readonly Upright[]
  readonly boards: readonly Board[]
}

/** How large the squares are by which they are put together, m. */
const CLUSTER_M = 24

export const clustersOf = oncePer((occluders: Occluders): readonly Cluster[] => {
  const squares = new Map<
    string,
    { points: PlanPoint[]; topM: number; uprights: Upright[]; boards: Board[] }
  >()
  const squareOf = (points: readonly PlanPoint[], topM: number) => {
    const { left, bottom } = boundsOf(points)!
    const key = `${Math.floor(left / CLUSTER_M)} ${Math.floor(bottom / CLUSTER_M)}`
    const square = squares.get(key) ?? { points: [], topM, uprights: [], boards: [] }
    squares.set(key, square)
    square.points.push(...points)
    square.topM = Math.max(square.topM, topM)
    return square
  }
  for (const upright of occluders.uprights)
    squareOf([upright.a, upright.b], upright.toM).uprights.push(upright)
  for (const board of occluders.boards) squareOf(board.outline, board.heightM).boards.push(board)
  return [...squares.values()].map(({ points, ...square }): Cluster => {
    const { left, right, bottom, top } = boundsOf(points)!
    const radiusM = Math.hypot(right - left, top - bottom) / 2
    return { ...square, x: (left + right) / 2, y: (bottom + top) / 2, radiusM }
  })
})
