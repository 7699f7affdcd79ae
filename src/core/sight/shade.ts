import { contains, nearestOn, type PlanPoint } from '../geometry'
import { clustersOf } from './narrowed'
import type { Point } from './projection'
import type { Board, Occluders, Upright } from '../plan'

/** Ways up into the sky: unit vectors in the frame of the plan, three numbers each, all with a rising z. */
export type Ways = Float64Array

/** One bin a degree of bearing. */
const BINS = 360
const DEG = 180 / Math.PI
/** What stands closer to the lens than this belongs to it. */
const LENS_M = 0.02

const binOf = (x: number, y: number) => Math.floor((Math.atan2(y, x) * DEG + 360) % 360) % BINS

/** Ways that are asked about from a place: sorted by their bearings once, for whatever may stand there. */
export interface Asked {
  readonly from: Point
  readonly ways: Ways
  /** Which of the ways (indices), and the bin of each. */
  readonly chosen: readonly number[]
  readonly binOfEach: Uint16Array
  /** The flattest way of each bin, as rise over run, infinite where none is asked; and of all. */
  readonly least: Float64Array
  readonly flattest: number
  readonly wedge: Wedge
}

export function askedOf(from: Point, ways: Ways, chosen: readonly number[]): Asked {
  const binOfEach = new Uint16Array(chosen.length)
  const least = new Float64Array(BINS).fill(Infinity)
  let flattest = Infinity
  for (const [i, way] of chosen.entries()) {
    const [x, y] = [ways[3 * way]!, ways[3 * way + 1]!]
    const tan = ways[3 * way + 2]! / Math.hypot(x, y)
    const bin = binOf(x, y)
    binOfEach[i] = bin
    least[bin] = Math.min(least[bin]!, tan)
    flattest = Math.min(flattest, tan)
  }
  return { from, ways, chosen, binOfEach, least, flattest, wedge: wedgeOf(ways, chosen) }
}

/** What may stand in the ways of one bearing. `tan` is the steepest way that meets it, as rise over run. */
interface Bin {
  readonly uprights: { readonly upright: Upright; readonly tan: number }[]
  readonly boards: Board[]
}

/**
 * Which of the ways that are asked about end at something on the plan: 1 where blocked. The answer is that of
 * a ray cast at everything; what lies too low, or at another bearing, is left out of it first.
 */
export function blocked(
  occluders: Occluders,
  { from, ways, chosen, binOfEach, ...asked }: Asked,
): Uint8Array {
  const found = new Uint8Array(chosen.length)
  if (chosen.length === 0) return found
  const bins = new Map<number, Bin>()
  sortIn(bins, occluders, { from, ...asked })
  if (bins.size === 0) return found
  for (let i = 0; i < chosen.length; i++) {
    const bin = bins.get(binOfEach[i]!)
    if (!bin) continue
    const k = 3 * chosen[i]!
    found[i] = meets(bin, from, ways[k]!, ways[k + 1]!, ways[k + 2]!) ? 1 : 0
  }
  return found
}

type Sorted = Pick<Asked, 'from' | 'least' | 'flattest' | 'wedge'>

/** The bin of a bearing, made when something first stands there; null where no way is asked about. */
function binAt(bins: Map<number, Bin>, least: Float64Array, index: number): Bin | null {
  if (least[index] === Infinity) return null
  const known = bins.get(index)
  if (known) return known
  const made = { uprights: [], boards: [] }
  bins.set(index, made)
  return made
}

function sortIn(bins: Map<number, Bin>, occluders: Occluders, asked: Sorted): void {
  const { from, flattest, wedge } = asked
  for (const { x, y, radiusM, topM, uprights, boards } of clustersOf(occluders)) {
    const gapM = Math.hypot(x - from.x, y - from.y) - radiusM
    if (topM < from.z || (gapM > 0 && (topM - from.z) / gapM < flattest)) continue
    if (wedge.missesCircle(x - from.x, y - from.y, radiusM)) continue
    sortUprights(bins, uprights, asked)
    sortBoards(bins, boards, asked)
  }
}

function sortUprights(
  bins: Map<number, Bin>,
  uprights: readonly Upright[],
  { from, least, flattest, wedge }: Sorted,
): void {
  for (const upright of uprights) {
    const rise = upright.toM - from.z
    if (rise < 0) continue
    const { a, b } = upright
    if (wedge.misses(a.x - from.x, a.y - from.y, b.x - from.x, b.y - from.y)) continue
    const tan = rise / nearestOn(a, b, from).distanceM
    if (tan < flattest) continue
    const [first, count] = spanned(from, a, b)
    for (let i = 0; i < count; i++) {
      const index = (first + i + BINS) % BINS
      if (tan >= least[index]!) binAt(bins, least, index)?.uprights.push({ upright, tan })
    }
  }
}

function sortBoards(
  bins: Map<number, Bin>,
  boards: readonly Board[],
  { from, least, flattest }: Sorted,
): void {
  for (const board of boards) {
    if (board.heightM <= from.z) continue
    const { outline } = board
    const edges = outline.map((corner, i) => [corner, outline[(i + 1) % outline.length]!] as const)
    const inside = contains(outline, from)
    const nearest = Math.min(...edges.map(([a, b]) => nearestOn(a, b, from).distanceM))
    if (!inside && (board.heightM - from.z) / nearest < flattest) continue
    for (const index of spannedBy(from, edges, inside)) binAt(bins, least, index)?.boards.push(board)
  }
}

/** The bearings that are asked about. What is given from the place may lie beside all of them. */
interface Wedge {
  readonly misses: (ax: number, ay: number, bx: number, by: number) => boolean
  readonly missesCircle: (x: number, y: number, radiusM: number) => boolean
}

const ALL_ROUND: Wedge = { misses: () => false, missesCircle: () => false }

/** How far a wedge is taken wider on either side, and beyond what angle it is none. */
const WIDER_RAD = 2 / DEG
const WEDGE_RAD = 170 / DEG

function wedgeOf(ways: Ways, chosen: readonly number[]): Wedge {
  let [mx, my] = [0, 0]
  for (const way of chosen) {
    mx += ways[3 * way]!
    my += ways[3 * way + 1]!
  }
  let [right, left] = [0, 0]
  for (const way of chosen) {
    const [x, y] = [ways[3 * way]!, ways[3 * way + 1]!]
    const turn = Math.atan2(mx * y - my * x, mx * x + my * y)
    right = Math.min(right, turn)
    left = Math.max(left, turn)
  }
  right -= WIDER_RAD
  left += WIDER_RAD
  if (left - right > WEDGE_RAD) return ALL_ROUND
  const middle = Math.atan2(my, mx)
  const [rx, ry] = [Math.cos(middle + right), Math.sin(middle + right)]
  const [lx, ly] = [Math.cos(middle + left), Math.sin(middle + left)]
  return {
    misses: (ax, ay, bx, by) =>
      (rx * ay - ry * ax < 0 && rx * by - ry * bx < 0) || (lx * ay - ly * ax > 0 && lx * by - ly * bx > 0),
    missesCircle: (x, y, radiusM) => rx * y - ry * x < -radiusM || lx * y - ly * x > radiusM,
  }
}

/** Bins that a segment spans, one more on either side; all of them where the place stands on it. */
function spanned(from: PlanPoint, a: PlanPoint, b: PlanPoint): readonly [first: number, count: number] {
  const [ax, ay, bx, by] = [a.x - from.x, a.y - from.y, b.x - from.x, b.y - from.y]
  const turn = Math.atan2(ax * by - ay * bx, ax * bx + ay * by) * DEG
  if (Math.abs(turn) > 179 || Math.hypot(ax, ay) < 1e-9 || Math.hypot(bx, by) < 1e-9) return [0, BINS]
  const first = turn >= 0 ? binOf(ax, ay) : binOf(bx, by)
  return [first - 1, Math.min(BINS, Math.ceil(Math.abs(turn)) + 3)]
}

function spannedBy(
  from: PlanPoint,
  edges: readonly (readonly [PlanPoint, PlanPoint])[],
  inside: boolean,
): Iterable<number> {
  const spans = inside ? [[0, BINS] as const] : edges.map(([a, b]) => spanned(from, a, b))
  const within = new Set<number>()
  for (const [first, count] of spans) for (let i = 0; i < count; i++) within.add((first + i + BINS) % BINS)
  return within
}

/** Whether a way meets something: an upright between its lower and upper edge, or a board from below. */
function meets({ uprights, boards }: Bin, from: Point, x: number, y: number, z: number): boolean {
  const rise = z / Math.hypot(x, y)
  for (const { upright, tan } of uprights) {
    if (tan < rise) continue
    const { a, b, fromM, toM } = upright
    const [sx, sy, qx, qy] = [b.x - a.x, b.y - a.y, a.x - from.x, a.y - from.y]
    const cross = x * sy - y * sx
    if (cross > -1e-12 && cross < 1e-12) continue
    const out = (qx * sy - qy * sx) / cross
    const across = (qx * y - qy * x) / cross
    if (out <= LENS_M || across < 0 || across > 1) continue
    const height = from.z + z * out
    if (height >= fromM && height <= toM) return true
  }
  return boards.some(({ heightM, outline }) => {
    const out = (heightM - from.z) / z
    return out > LENS_M && contains(outline, { x: from.x + x * out, y: from.y + y * out })
  })
}
