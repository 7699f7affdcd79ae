import { boundsOf, contains, type PlanPoint } from '../geometry'
import type { Board, Occluders, Upright } from './occluders'

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
  const held = EXTENTS.get(occluders)
  if (held) return held
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

/** One bin a degree of bearing. */
const BINS = 360
const DEG = 180 / Math.PI
const NOTHING: Occluders = { uprights: [], boards: [], solids: [] }

type ByBearing = (x: number, y: number) => Occluders

/** The last place asked about on each floor: what is tried of a camera is tried where it stands. */
const LAST = new WeakMap<Occluders, { readonly x: number; readonly y: number; readonly found: ByBearing }>()

/**
 * The occluders by the bearing at which they stand from a place: a ray that leaves it in the direction (x, y)
 * can meet only those of its bin.
 */
export function byBearing(occluders: Occluders, from: PlanPoint): ByBearing {
  const held = LAST.get(occluders)
  if (held && held.x === from.x && held.y === from.y) return held.found
  const found = binned(occluders, from)
  LAST.set(occluders, { x: from.x, y: from.y, found })
  return found
}

function binned({ uprights, boards }: Occluders, from: PlanPoint): ByBearing {
  const bins = new Map<number, { uprights: Upright[]; boards: Board[]; solids: [] }>()
  const binOf = (x: number, y: number) => Math.floor((Math.atan2(y, x) * DEG + 360) % 360) % BINS
  const binAt = (index: number) => {
    const key = ((index % BINS) + BINS) % BINS
    let bin = bins.get(key)
    if (!bin) {
      bin = { uprights: [], boards: [], solids: [] }
      bins.set(key, bin)
    }
    return bin
  }
  /** Bins that a segment spans, one more on either side; all of them where the point stands on it. */
  const spanned = (a: PlanPoint, b: PlanPoint): [first: number, count: number] => {
    const [ax, ay, bx, by] = [a.x - from.x, a.y - from.y, b.x - from.x, b.y - from.y]
    const turn = Math.atan2(ax * by - ay * bx, ax * bx + ay * by) * DEG
    if (Math.abs(turn) > 179 || Math.hypot(ax, ay) < 1e-9 || Math.hypot(bx, by) < 1e-9) return [0, BINS]
    const first = turn >= 0 ? binOf(ax, ay) : binOf(bx, by)
    return [first - 1, Math.min(BINS, Math.ceil(Math.abs(turn)) + 3)]
  }
  for (const upright of uprights) {
    const [first, count] = spanned(upright.a, upright.b)
    for (let i = 0; i < count; i++) binAt(first + i).uprights.push(upright)
  }
  for (const board of boards) {
    const { outline } = board
    const spans = outline.map((corner, i) => spanned(corner, outline[(i + 1) % outline.length]!))
    const all = contains(outline, from) || spans.some(([, count]) => count === BINS)
    const within = new Set<number>()
    for (const [first, count] of all ? [[0, BINS] as const] : spans) {
      for (let i = 0; i < count; i++) within.add((((first + i) % BINS) + BINS) % BINS)
    }
    for (const index of within) binAt(index).boards.push(board)
  }
  return (x, y) => bins.get(binOf(x, y)) ?? NOTHING
}
