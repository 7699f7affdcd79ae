import Delaunator from 'delaunator'
import { between, boundsOf, distanceM, type Bounds, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { whileSame } from '../once'
import type { PlanThing, ThingOf } from '../plan'
import { browsOf, type Brow } from './brows'
import { BEND_M, covers, planeAt, type Facet } from './facet'
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
  readonly brows: readonly Brow[]
  /** The edges round the facets; where there is none, the lines and points themselves. */
  readonly rim: readonly (readonly [Point, Point])[]
  /** The facets that meet a square of the plan, by its column and row, and how large squares are. */
  readonly squares: ReadonlyMap<string, readonly Facet[]>
  readonly squareM: number
}

/** A drawn line is taken up so often, m: triangles keep to it. Seldomer where all lines together are long. */
const ALONG_M = 2
const MOST_ALONG = 8000
/** Of more drawn points than this every second is taken, or every third, and so on; ends always. */
const MOST_POINTS = 20_000
/** Facets are found by squares, at least so large, m, and at most so many along a side. */
const SQUARE_M = 8
const MOST_SQUARES = 64

const KNOWN = new WeakMap<readonly PlanThing[], Map<Floor, Land | null>>()

const madeOf = whileSame<ThingOf<'ground level'>, Land>()

/** The land of a floor; null where no level is drawn: it is flat. Made once while its levels are the same. */
export function landOf(things: readonly PlanThing[], floor: Floor): Land | null {
  const floors = KNOWN.get(things) ?? new Map<Floor, Land | null>()
  KNOWN.set(things, floors)
  const known = floors.get(floor)
  if (known !== undefined) return known
  const levels = things.filter(
    (thing): thing is ThingOf<'ground level'> => thing.kind === 'ground level' && thing.floor === floor,
  )
  const [first] = levels
  const made = first ? madeOf(first, levels, () => make(levels)) : null
  floors.set(floor, made)
  return made
}

function make(levels: readonly ThingOf<'ground level'>[]): Land {
  const drawn = levels.map(withHeights)
  const every = Math.ceil(drawn.reduce((sum, line) => sum + line.length, 0) / MOST_POINTS)
  const lines = drawn.map((line) => line.filter((_, i) => i % every === 0 || i === line.length - 1))
  const wholeM = lines.reduce((sum, line) => sum + lengthM(line), 0)
  const points = lines.flatMap((line) => takenUp(line, Math.max(ALONG_M, wholeM / MOST_ALONG)))
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
  const { left, right, bottom, top } = boundsOf(points)!
  const squareM = Math.max(SQUARE_M, (right - left) / MOST_SQUARES, (top - bottom) / MOST_SQUARES)
  return {
    leastM: points.reduce((least, { z }) => Math.min(least, z), Infinity),
    mostM: points.reduce((most, { z }) => Math.max(most, z), -Infinity),
    facets,
    brows: browsOf(points, triangles, halfedges),
    rim: facets.length === 0 ? alone : round,
    squares: squaresOf(facets, squareM),
    squareM,
  }
}

/** The points of a level with their heights: from that of its start evenly to that of its end. */
function withHeights({ path, groundM: startM, endM }: ThingOf<'ground level'>): Point[] {
  const lengths = path.map((at, i) => (i === 0 ? 0 : distanceM(path[i - 1]!, at)))
  const whole = lengths.reduce((sum, length) => sum + length, 0)
  let along = 0
  return path.map((at, i) => {
    along += lengths[i]!
    return { ...at, z: whole === 0 ? startM : startM + (along / whole) * (endM - startM) }
  })
}

const lengthM = (line: readonly Point[]): number =>
  line.reduce((sum, at, i) => (i === 0 ? 0 : sum + distanceM(line[i - 1]!, at)), 0)

/** The points of a line, and more between them where they lie farther apart than this, m. */
function takenUp(line: readonly Point[], apartM: number): Point[] {
  return line.flatMap((a, i) => {
    const b = line[i + 1]
    if (!b) return [a]
    const pieces = Math.max(1, Math.ceil(distanceM(a, b) / apartM))
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
    const straight = whole > 0 && distanceM(b, between(a, c, share)) < BEND_M
    return !straight || Math.abs(b.z - (a.z + share * (c.z - a.z))) > BEND_M
  })
}

function squaresOf(facets: readonly Facet[], squareM: number): Map<string, Facet[]> {
  const squares = new Map<string, Facet[]>()
  for (const facet of facets) {
    const { left, right, bottom, top } = boundsOf(facet)!
    for (let x = Math.floor(left / squareM); x <= Math.floor(right / squareM); x++) {
      for (let y = Math.floor(bottom / squareM); y <= Math.floor(top / squareM); y++) {
        const square = squares.get(`${x} ${y}`)
        if (square) square.push(facet)
        else squares.set(`${x} ${y}`, [facet])
      }
    }
  }
  return squares
}

/** The facets that meet a stretch of the plan. */
export function facetsIn(
  { facets, squares, squareM }: Land,
  { left, right, bottom, top }: Bounds,
): Iterable<Facet> {
  const [x0, x1] = [Math.floor(left / squareM), Math.floor(right / squareM)]
  const [y0, y1] = [Math.floor(bottom / squareM), Math.floor(top / squareM)]
  if ((x1 - x0 + 1) * (y1 - y0 + 1) > squares.size) return facets
  const found = new Set<Facet>()
  for (let x = x0; x <= x1; x++)
    for (let y = y0; y <= y1; y++) for (const facet of squares.get(`${x} ${y}`) ?? []) found.add(facet)
  return found
}

const squareAt = ({ squares, squareM }: Land, { x, y }: PlanPoint): readonly Facet[] =>
  squares.get(`${Math.floor(x / squareM)} ${Math.floor(y / squareM)}`) ?? []

/** How high the ground lies at a point, m above what the floor's heights count from. */
export function groundM(land: Land | null | undefined, at: PlanPoint): number {
  if (!land) return 0
  for (const facet of squareAt(land, at)) {
    if (covers(facet, at)) return planeAt(facet, at)!
  }
  return rimM(land, at)
}

/** The height of the nearest point of the rim. Written out: cells ask for it by the ten thousand. */
export function rimM({ rim }: Land, { x, y }: PlanPoint): number {
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
