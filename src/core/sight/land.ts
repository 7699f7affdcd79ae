import Delaunator from 'delaunator'
import { between, boundsOf, distanceM, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import type { PlanThing, ThingOf } from '../plan'
import { cellCount, cellMiddle, type Grid } from './grid'
import type { Point } from './projection'

/**
 * How the ground of a floor lies, from the levels drawn on it: flat triangles between them (Delaunay), and
 * beyond them as high as their nearest edge.
 */
export interface Land {
  readonly leastM: number
  readonly mostM: number
  readonly facets: readonly Facet[]
  /** The edges behind which something may be hidden. */
  readonly brows: readonly (readonly [Point, Point])[]
  /** The edges round the facets; where there is none, the lines and points themselves. */
  readonly rim: readonly (readonly [Point, Point])[]
  /** The facets that meet a square of the plan, by its column and row. */
  readonly squares: ReadonlyMap<string, readonly Facet[]>
}

type Facet = readonly [Point, Point, Point]

/** A drawn line is taken up so often, m: triangles keep to it. */
const ALONG_M = 2
const SQUARE_M = 8
/** Bends no deeper than this are none, m. */
const FLAT_M = 1e-6

const KNOWN = new WeakMap<readonly PlanThing[], Map<Floor, Land | null>>()

/** The land of a floor; null where no level is drawn: it is flat. Made once for one list of things. */
export function landOf(things: readonly PlanThing[], floor: Floor): Land | null {
  const floors = KNOWN.get(things) ?? new Map<Floor, Land | null>()
  KNOWN.set(things, floors)
  const known = floors.get(floor)
  if (known !== undefined) return known
  const made = make(things.filter((thing) => thing.floor === floor))
  floors.set(floor, made)
  return made
}

function make(things: readonly PlanThing[]): Land | null {
  const lines = things.flatMap((thing) => (thing.kind === 'level' ? [withHeights(thing)] : []))
  if (lines.length === 0) return null
  const points = lines.flatMap(takenUp)
  const { triangles, halfedges, hull } = Delaunator.from(
    points,
    ({ x }) => x,
    ({ y }) => y,
  )
  const facets = Array.from({ length: triangles.length / 3 }, (_, i): Facet => {
    const [a, b, c] = [triangles[3 * i]!, triangles[3 * i + 1]!, triangles[3 * i + 2]!]
    return [points[a]!, points[b]!, points[c]!]
  })
  const corners = bends([...hull].map((at) => points[at]!))
  const round = corners.map((a, i) => [a, corners[(i + 1) % corners.length]!] as const)
  const alone = lines.flatMap((line) => line.map((a, i) => [a, line[i + 1] ?? a] as const))
  const heights = points.map(({ z }) => z)
  return {
    leastM: Math.min(...heights),
    mostM: Math.max(...heights),
    facets,
    brows: browsOf(points, triangles, halfedges),
    rim: facets.length === 0 ? alone : round,
    squares: squaresOf(facets),
  }
}

/** The points of a level with their heights: from that of its start evenly to that of its end. */
function withHeights({ path, groundM: startM, endM }: ThingOf<'level'>): Point[] {
  const lengths = path.map((at, i) => (i === 0 ? 0 : distanceM(path[i - 1]!, at)))
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  let along = 0
  return path.map((at, i) => {
    along += lengths[i]!
    return { ...at, z: whole === 0 ? startM : startM + (along / whole) * (endM - startM) }
  })
}

/** The points of a line, and more between them where they lie far apart. */
function takenUp(line: readonly Point[]): Point[] {
  return line.flatMap((a, i) => {
    const b = line[i + 1]
    if (!b) return [a]
    const pieces = Math.max(1, Math.ceil(distanceM(a, b) / ALONG_M))
    return Array.from({ length: pieces }, (_, k) => ({
      ...between(a, b, k / pieces),
      z: a.z + (k / pieces) * (b.z - a.z),
    }))
  })
}

/** A ring without the points at which it neither turns nor bends. */
function bends(ring: readonly Point[]): readonly Point[] {
  return ring.filter((b, i) => {
    const [a, c] = [ring[(i + ring.length - 1) % ring.length]!, ring[(i + 1) % ring.length]!]
    const whole = distanceM(a, c)
    const share = whole === 0 ? 0 : distanceM(a, b) / whole
    const straight = whole > 0 && distanceM(b, between(a, c, share)) < FLAT_M
    return !straight || Math.abs(b.z - (a.z + share * (c.z - a.z))) > FLAT_M
  })
}

const squareOf = (x: number, y: number) => `${Math.floor(x / SQUARE_M)} ${Math.floor(y / SQUARE_M)}`

function squaresOf(facets: readonly Facet[]): Map<string, Facet[]> {
  const squares = new Map<string, Facet[]>()
  for (const facet of facets) {
    const { left, right, bottom, top } = boundsOf(facet)!
    for (let x = Math.floor(left / SQUARE_M); x <= Math.floor(right / SQUARE_M); x++) {
      for (let y = Math.floor(bottom / SQUARE_M); y <= Math.floor(top / SQUARE_M); y++) {
        const key = `${x} ${y}`
        squares.set(key, [...(squares.get(key) ?? []), facet])
      }
    }
  }
  return squares
}

/** How much of its height a point of a facet's plane has from the second corner and from the third. */
function sharesAt([a, b, c]: Facet, x: number, y: number): readonly [ofB: number, ofC: number] | null {
  const area = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
  if (area === 0) return null
  const ofB = ((x - a.x) * (c.y - a.y) - (c.x - a.x) * (y - a.y)) / area
  const ofC = ((b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y)) / area
  return [ofB, ofC]
}

/** The height that the plane of a facet has at a point, m; null where the facet has no area. */
function planeAt(facet: Facet, { x, y }: PlanPoint): number | null {
  const [a, b, c] = facet
  const shares = sharesAt(facet, x, y)
  return shares && a.z + shares[0] * (b.z - a.z) + shares[1] * (c.z - a.z)
}

/** Points that lie so little beside a facet lie on it: a share of its height. */
const BESIDE = 1e-9

function covers(facet: Facet, { x, y }: PlanPoint): boolean {
  const [ofB, ofC] = sharesAt(facet, x, y) ?? [-1, -1]
  return ofB >= -BESIDE && ofC >= -BESIDE && ofB + ofC <= 1 + BESIDE
}

/** How high the ground lies at a point, m above what the floor's heights count from. */
export function groundM(land: Land | null | undefined, at: PlanPoint): number {
  if (!land) return 0
  for (const facet of land.squares.get(squareOf(at.x, at.y)) ?? []) {
    if (covers(facet, at)) return planeAt(facet, at)!
  }
  return rimM(land, at)
}

/** The height of the nearest point of the rim. Written out: cells ask for it by the ten thousand. */
function rimM({ rim }: Land, { x, y }: PlanPoint): number {
  let [nearest, height] = [Infinity, 0]
  for (const [a, b] of rim) {
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const long = dx * dx + dy * dy
    const along = long === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / long))
    const [offX, offY] = [x - a.x - along * dx, y - a.y - along * dy]
    const off = offX * offX + offY * offY
    if (off >= nearest) continue
    nearest = off
    height = a.z + along * (b.z - a.z)
  }
  return height
}

/** Cells of about the same height: a part of a grid, and where its cells lie in it and in the whole. */
export interface Step {
  /** At most half a step from the height of each of its cells, m. */
  readonly heightM: number
  readonly window: Grid
  readonly cells: Uint32Array
  readonly inWindow: Uint32Array
}

/** The ground under the middle of every cell of a grid, m, and the steps it goes in. */
export interface LandOver {
  readonly heights: Float32Array
  readonly steps: readonly Step[]
  /** Which step each cell is of. */
  readonly stepOf: Uint16Array
}

const GRIDS = new WeakMap<Land, Map<string, LandOver>>()
/** A floor, its areas and its window: more grids of one land are not remembered. */
const MOST_GRIDS = 40

/** The ground over a grid; made once. */
export function landOver(land: Land, grid: Grid): LandOver {
  const grids = GRIDS.get(land) ?? new Map<string, LandOver>()
  GRIDS.set(land, grids)
  const key = Object.values(grid).join(' ')
  const known = grids.get(key)
  if (known) return known
  if (grids.size >= MOST_GRIDS) grids.clear()
  const heights = heightsOver(land, grid)
  const over = { heights, ...stepsOf(land, grid, heights) }
  grids.set(key, over)
  return over
}

/** The ground under the middle of every cell, facet by facet; beyond them from their rim. */
function heightsOver(land: Land, grid: Grid): Float32Array {
  const heights = new Float32Array(cellCount(grid)).fill(NaN)
  const { left, bottom, cellM, columns, rows } = grid
  for (const facet of facetsOver(land, grid)) {
    const box = boundsOf(facet)!
    const start = planeAt(facet, { x: 0, y: 0 })
    if (start === null) continue
    const east = planeAt(facet, { x: 1, y: 0 })! - start
    const north = planeAt(facet, { x: 0, y: 1 })! - start
    const low = Math.max(0, Math.ceil((box.bottom - bottom) / cellM - 0.5))
    const high = Math.min(rows - 1, Math.floor((box.top - bottom) / cellM - 0.5))
    for (let row = low; row <= high; row++) {
      const y = bottom + (row + 0.5) * cellM
      const [from, to] = spanAt(facet, y)
      const first = Math.max(0, Math.ceil((from - left) / cellM - 0.5 - 1e-9))
      const last = Math.min(columns - 1, Math.floor((to - left) / cellM - 0.5 + 1e-9))
      for (let column = first; column <= last; column++)
        heights[row * columns + column] = start + east * (left + (column + 0.5) * cellM) + north * y
    }
  }
  for (let cell = 0; cell < heights.length; cell++)
    if (Number.isNaN(heights[cell])) heights[cell] = rimM(land, cellMiddle(grid, cell))
  return heights
}

/** The facets that may lie under a grid. */
function facetsOver(
  { facets, squares }: Land,
  { left, bottom, cellM, columns, rows }: Grid,
): Iterable<Facet> {
  const [x0, y0] = [Math.floor(left / SQUARE_M), Math.floor(bottom / SQUARE_M)]
  const x1 = Math.floor((left + columns * cellM) / SQUARE_M)
  const y1 = Math.floor((bottom + rows * cellM) / SQUARE_M)
  if ((x1 - x0 + 1) * (y1 - y0 + 1) > squares.size) return facets
  const found = new Set<Facet>()
  for (let x = x0; x <= x1; x++)
    for (let y = y0; y <= y1; y++) for (const facet of squares.get(`${x} ${y}`) ?? []) found.add(facet)
  return found
}

/** From where to where a facet is cut by a line across the sheet. */
function spanAt(facet: Facet, y: number): readonly [number, number] {
  let [from, to] = [Infinity, -Infinity]
  for (let i = 0; i < 3; i++) {
    const [a, b] = [facet[i]!, facet[(i + 1) % 3]!]
    if ((a.y < y && b.y < y) || (a.y > y && b.y > y)) continue
    const x = a.y === b.y ? a.x : a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)
    const other = a.y === b.y ? b.x : x
    from = Math.min(from, x, other)
    to = Math.max(to, x, other)
  }
  return [from, to]
}

/** What things hide is worked out for so many steps of the ground's height, none finer than this, m. */
const LAND_STEPS = 24
const FINEST_STEP_M = 0.05

/** How high a step is by which land is taken, m; 0 where it is level. */
export const landStepM = ({ leastM, mostM }: Land): number =>
  mostM === leastM ? 0 : Math.max(FINEST_STEP_M, (mostM - leastM) / LAND_STEPS)

/** What a step is made from: how many cells, where they lie, how high. */
interface Gathered {
  cells: number
  left: number
  right: number
  low: number
  high: number
  leastM: number
  mostM: number
}

/** Every cell's step, and the steps: gathered first and filled after, a floor has many cells. */
function stepsOf(land: Land, grid: Grid, heights: Float32Array): Pick<LandOver, 'steps' | 'stepOf'> {
  const stepM = landStepM(land)
  const { columns, rows } = grid
  const numbers = new Map<number, number>()
  const gathered: Gathered[] = []
  const stepOf = new Uint16Array(heights.length)
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++, cell++) {
      const height = heights[cell]!
      const key = stepM === 0 ? 0 : Math.round((height - land.leastM) / stepM)
      let index = numbers.get(key)
      if (index === undefined) {
        index = gathered.length
        numbers.set(key, index)
        gathered.push({
          cells: 0,
          left: column,
          right: column,
          low: row,
          high: row,
          leastM: height,
          mostM: height,
        })
      }
      stepOf[cell] = index
      const step = gathered[index]!
      step.cells++
      if (column < step.left) step.left = column
      if (column > step.right) step.right = column
      step.high = row
      if (height < step.leastM) step.leastM = height
      if (height > step.mostM) step.mostM = height
    }
  }
  const steps = gathered.map(({ cells, left, right, low, high, leastM, mostM }) => ({
    heightM: (leastM + mostM) / 2,
    window: {
      left: grid.left + left * grid.cellM,
      bottom: grid.bottom + low * grid.cellM,
      cellM: grid.cellM,
      columns: right - left + 1,
      rows: high - low + 1,
    },
    cells: new Uint32Array(cells),
    inWindow: new Uint32Array(cells),
  }))
  const filled = new Uint32Array(steps.length)
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++, cell++) {
      const index = stepOf[cell]!
      const { cells, inWindow, window } = steps[index]!
      const { left, low } = gathered[index]!
      const at = filled[index]!++
      cells[at] = cell
      inWindow[at] = (row - low) * window.columns + column - left
    }
  }
  return { steps, stepOf }
}

/** Ground that rises so little above a ray does not hide what is behind it, m. */
const CLEAR_M = 0.01

/**
 * How far out (m along it) the ground rises above a ray between two points; null where it never does. Between
 * the edges of facets both are straight: at a brow the ground stands highest above a ray, if anywhere.
 */
export function landBetween(brows: Land['brows'], from: Point, to: Point): number | null {
  const [rx, ry, rz] = [to.x - from.x, to.y - from.y, to.z - from.z]
  let nearest = 1
  for (const [a, b] of brows) {
    const [sx, sy, qx, qy] = [b.x - a.x, b.y - a.y, a.x - from.x, a.y - from.y]
    const cross = rx * sy - ry * sx
    if (cross === 0) continue
    const share = (qx * sy - qy * sx) / cross
    if (share <= 0 || share >= nearest) continue
    const across = (qx * ry - qy * rx) / cross
    if (across < 0 || across > 1) continue
    if (from.z + rz * share < a.z + across * (b.z - a.z) - CLEAR_M) nearest = share
  }
  return nearest === 1 ? null : nearest * Math.hypot(rx, ry, rz)
}

/**
 * Every edge at which the ground bends down on both sides: over a valley or a plain a ray that clears its
 * ends clears it too.
 */
function browsOf(points: readonly Point[], triangles: Uint32Array, halfedges: Int32Array): Land['brows'] {
  const brows: (readonly [Point, Point])[] = []
  const next = (edge: number) => (edge % 3 === 2 ? edge - 2 : edge + 1)
  for (const [edge, other] of halfedges.entries()) {
    if (other < edge) continue // each once; those round the whole have no other side
    const [a, b] = [points[triangles[edge]!]!, points[triangles[next(edge)]!]!]
    const far = points[triangles[next(next(other))]!]!
    const facet: Facet = [a, b, points[triangles[next(next(edge))]!]!]
    const straight = planeAt(facet, far)
    if (straight === null || far.z < straight - FLAT_M) brows.push([a, b])
  }
  return brows
}
