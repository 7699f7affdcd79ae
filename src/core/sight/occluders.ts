import { along, bearingDeg, between, contains, distanceM, type Outline, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import type { PlanThing, ThingOf } from '../job/plan'
import { SIGHT_LIMITS } from './limits'
import type { Point } from './projection'

/**
 * What blocks the view on one floor: upright rectangles over plan segments, and level boards over outlines.
 */
export interface Upright {
  readonly a: PlanPoint
  readonly b: PlanPoint
  readonly fromM: number
  readonly toM: number
  readonly thing: PlanThing
}

export interface Board {
  readonly outline: Outline
  readonly heightM: number
  readonly thing: PlanThing
}

/** Where something stands, so that no ground is there to be seen. */
export interface Solid {
  readonly outline: Outline
  readonly fromM: number
  readonly toM: number
}

export interface Occluders {
  readonly uprights: readonly Upright[]
  readonly boards: readonly Board[]
  readonly solids: readonly Solid[]
}

/** Faces of the prism that stands for a round obstacle. */
const ROUND_FACES = 16

const REMEMBERED = new WeakMap<readonly PlanThing[], Map<Floor, Occluders>>()

/** What blocks the view on a floor; computed once for one and the same list of things. */
export function occludersOf(things: readonly PlanThing[], floor: Floor): Occluders {
  const floors = REMEMBERED.get(things) ?? new Map<Floor, Occluders>()
  REMEMBERED.set(things, floors)
  const held = floors.get(floor)
  if (held) return held
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

const OF_THING = new WeakMap<PlanThing, Occluders>()

/** What of one thing blocks the view; computed once. */
export function occluderOf(thing: PlanThing): Occluders {
  const held = OF_THING.get(thing)
  if (held) return held
  const made = standing(thing)
  OF_THING.set(thing, made)
  return made
}

const NOTHING: Occluders = { uprights: [], boards: [], solids: [] }

function standing(thing: PlanThing): Occluders {
  switch (thing.kind) {
    case 'wall':
      return { ...NOTHING, uprights: wallPieces(thing) }
    case 'soffit': {
      const { from, to, undersideM, lipM } = thing
      const [fromM, toM] = [undersideM - lipM, undersideM + SIGHT_LIMITS.fasciaM.value]
      return {
        uprights: [{ a: from, b: to, fromM, toM, thing }],
        boards: [{ outline: soffitBoard(thing), heightM: undersideM, thing }],
        solids: [],
      }
    }
    case 'obstacle': {
      const outline = obstacleOutline(thing)
      const [fromM, toM] = [thing.baseM, thing.baseM + thing.heightM]
      const levels = fromM > 0 ? [toM, fromM] : [toM]
      return {
        uprights: outline.map((a, i) => ({ a, b: outline[(i + 1) % outline.length]!, fromM, toM, thing })),
        boards: levels.map((heightM) => ({ outline, heightM, thing })),
        solids: [{ outline, fromM, toM }],
      }
    }
    default:
      return NOTHING
  }
}

/**
 * A wall without its openings: what stands before, between and after them, below their sills and above
 * their heads.
 */
function wallPieces(wall: ThingOf<'wall'>): Upright[] {
  const lengthM = distanceM(wall.from, wall.to)
  const at = (alongM: number) => between(wall.from, wall.to, Math.min(1, Math.max(0, alongM / lengthM)))
  const pieces: Upright[] = []
  const [fromM, toM] = [wall.baseM, wall.baseM + wall.heightM]
  const stand = (start: number, end: number, low: number, high: number) => {
    if (end - start > 1e-9 && high - low > 1e-9)
      pieces.push({ a: at(start), b: at(end), fromM: low, toM: high, thing: wall })
  }
  // Openings may overlap: between two neighbouring jambs the openings over that stretch stay the same.
  const jambs = [
    ...new Set([0, lengthM, ...wall.openings.flatMap(({ alongM, widthM }) => [alongM, alongM + widthM])]),
  ]
    .filter((m) => m >= 0 && m <= lengthM)
    .sort((p, q) => p - q)
  for (const [i, start] of jambs.slice(0, -1).entries()) {
    const end = jambs[i + 1]!
    const middle = (start + end) / 2
    const gaps = wall.openings
      .filter(({ alongM, widthM }) => alongM < middle && alongM + widthM > middle)
      .map(({ sillM, headM }) => [sillM, headM] as const)
      .sort((p, q) => p[0] - q[0])
    let low = fromM
    for (const [sill, head] of gaps) {
      stand(start, end, low, Math.min(toM, sill))
      low = Math.max(low, head)
    }
    stand(start, end, low, toM)
  }
  return pieces
}

/**
 * The board of a soffit on plan: from its outer edge back to the wall, which lies to the left of the edge.
 */
export function soffitBoard({
  from,
  to,
  depthM,
}: Pick<ThingOf<'soffit'>, 'from' | 'to' | 'depthM'>): Outline {
  const back = bearingDeg(from, to) - 90
  return [from, to, along(to, back, depthM), along(from, back, depthM)]
}

/** An obstacle on plan; a round one as a prism that encloses it. */
export function obstacleOutline({ form }: Pick<ThingOf<'obstacle'>, 'form'>): Outline {
  if (form.is === 'block') return form.outline
  const reach = form.radiusM / Math.cos(Math.PI / ROUND_FACES)
  return Array.from({ length: ROUND_FACES }, (_, i) => along(form.at, (360 / ROUND_FACES) * i, reach))
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

/** How a thing is called in a sentence: by its name, or by its kind. */
export function nameOf(thing: Pick<PlanThing, 'name' | 'kind'>): string {
  if (thing.name !== '') return thing.name
  return {
    'wall': 'a wall',
    'soffit': 'a soffit edge',
    'obstacle': 'an obstacle',
    'premises': 'the premises',
    'area': 'an area of interest',
    'privacy': 'a privacy area',
    'target': 'a target',
    'walk': 'a walk',
    'head end': 'the head end',
  }[thing.kind]
}
