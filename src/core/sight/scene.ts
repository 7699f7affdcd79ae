import { between, distanceM, middleOf, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import type { PlanThing } from '../job/plan'
import type { Eye } from './eye'
import { FLOORS_UP, riseM, type World } from './floors'
import { groundM, type Land } from './land'
import { settingOf } from './occluders'
import { project, rayThrough, type Imager, type Point, type Pose } from './projection'
import { nameOf } from '../plan'

/** One flat patch of the simulated picture, in pixels from its upper left corner. */
export interface Patch {
  readonly kind: 'ground' | 'mark' | 'wall' | 'soffit' | 'obstacle' | 'person'
  readonly spots: readonly (readonly [u: number, v: number])[]
  readonly name: string
}

export interface SimulatedPicture {
  readonly widthPx: number
  readonly heightPx: number
  /** Far to near, to be painted in order. */
  readonly patches: readonly Patch[]
}

const PIECE_M = 1.5
const NEAR_M = 0.05
const HORIZON_M = 4000

/**
 * What the camera would show: ground, lines every five metres, what stands on the plan, people at targets
 * and in areas.
 */
export function simulate(
  { imager, pose }: Eye,
  world: World,
  place: { readonly floor: PlanThing['floor'] },
  target: Point,
): SimulatedPicture {
  const { things } = world
  const { uprights, boards, land } = settingOf(world, place.floor)
  const upright: (Patch & { away: number })[] = []
  const add = (kind: Patch['kind'], corners: readonly Point[], name: string) => {
    const spots = pictured(imager, pose, corners)
    if (spots.length < 3) return
    const middle = corners.reduce(
      (sum, p) => ({
        x: sum.x + p.x / corners.length,
        y: sum.y + p.y / corners.length,
        z: sum.z + p.z / corners.length,
      }),
      { x: 0, y: 0, z: 0 },
    )
    upright.push({
      kind,
      spots,
      name,
      away: Math.hypot(middle.x - pose.x, middle.y - pose.y, middle.z - pose.z),
    })
  }
  for (const { a, b, fromM, toM, thing } of uprights) {
    const pieces = Math.max(1, Math.ceil(distanceM(a, b) / PIECE_M))
    const kind = thing.kind === 'wall' || thing.kind === 'soffit' ? thing.kind : 'obstacle'
    for (let i = 0; i < pieces; i++) {
      const [p, q] = [between(a, b, i / pieces), between(a, b, (i + 1) / pieces)]
      add(
        kind,
        [
          { ...p, z: fromM },
          { ...q, z: fromM },
          { ...q, z: toM },
          { ...p, z: toM },
        ],
        nameOf(thing),
      )
    }
  }
  for (const { outline, heightM, thing } of boards)
    add(
      thing.kind === 'soffit' ? 'soffit' : 'obstacle',
      outline.map((p) => ({ ...p, z: heightM })),
      nameOf(thing),
    )
  for (const at of people(
    things.filter(({ floor }) => floor === place.floor),
    target,
  ))
    for (const part of person({ ...at, z: groundM(land, at) }, pose)) add('person', part, 'a person')
  return {
    widthPx: imager.widthPx,
    heightPx: imager.heightPx,
    patches: [
      ...ground(imager, pose, lowestM(world, place.floor, land)),
      ...landPatches(imager, pose, land),
      ...upright.sort((a, b) => b.away - a.away).map(({ away: _, ...patch }) => patch),
    ],
  }
}

function people(things: readonly PlanThing[], target: Point): PlanPoint[] {
  return [
    target,
    ...things.flatMap((thing) => {
      if (thing.kind === 'target') return [thing.at]
      return thing.kind === 'area' ? [middleOf(thing.outline)] : []
    }),
  ]
}

/**
 * A person 1.75 m tall as boards that face the camera: head, body, legs. Head height from common body
 * proportions.
 */
function person(at: Point, pose: Pose): Point[][] {
  const away = Math.max(distanceM(at, pose), 1e-6)
  const [sx, sy] = [(at.y - pose.y) / away, -(at.x - pose.x) / away]
  const board = (shape: readonly (readonly [side: number, z: number])[]) =>
    shape.map(([side, z]) => ({ x: at.x + sx * side, y: at.y + sy * side, z: at.z + z }))
  const head = Array.from(
    { length: 10 },
    (_, i) => [0.085 * Math.cos((i * Math.PI) / 5), 1.62 + 0.12 * Math.sin((i * Math.PI) / 5)] as const,
  )
  return [
    board([
      [-0.14, 0],
      [-0.03, 0],
      [0, 0.8],
      [0.03, 0],
      [0.14, 0],
      [0.17, 0.85],
      [-0.17, 0.85],
    ]),
    board([
      [-0.19, 0.82],
      [0.19, 0.82],
      [0.23, 1.4],
      [0.07, 1.5],
      [-0.07, 1.5],
      [-0.23, 1.4],
    ]),
    board(head),
  ]
}

/** The lowest of what a floor is looked at in: ground is drawn there as far as one sees, m. */
function lowestM(world: World, floor: Floor, land: Land | null | undefined): number {
  const drawn = FLOORS_UP.filter((other) => world.things.some((one) => one.floor === other))
  return Math.min(0, land?.leastM ?? 0, ...drawn.map((other) => riseM(world, floor, other) ?? 0))
}

/** Land that slopes or steps, facet by facet. */
const landPatches = (imager: Imager, pose: Pose, land: Land | null | undefined): Patch[] =>
  (land?.facets ?? []).flatMap((facet): Patch[] => {
    const spots = pictured(imager, pose, facet)
    return spots.length < 3 ? [] : [{ kind: 'ground', spots, name: 'the ground' }]
  })

/** The ground up to the horizon, and lines on it every five metres ahead and aside. */
function ground(imager: Imager, pose: Pose, atM: number): Patch[] {
  const below = frameBelowHorizon(imager, { ...pose, z: pose.z - atM })
  if (below.length < 3) return []
  const patches: Patch[] = [{ kind: 'ground', spots: below, name: 'the ground' }]
  const line = (a: Point, b: Point) => {
    const spots = pictured(imager, pose, [a, b], true)
    if (spots.length > 1) patches.push({ kind: 'mark', spots, name: '' })
  }
  const [cx, cy] = [Math.round(pose.x / 5) * 5, Math.round(pose.y / 5) * 5]
  for (let i = -60; i <= 60; i += 5) {
    line({ x: cx + i, y: cy - 60, z: atM }, { x: cx + i, y: cy + 60, z: atM })
    line({ x: cx - 60, y: cy + i, z: atM }, { x: cx + 60, y: cy + i, z: atM })
  }
  return patches
}

/** The part of the frame whose rays go down, found by walking its border. */
function frameBelowHorizon(imager: Imager, pose: Pose): [number, number][] {
  const { widthPx: w, heightPx: h } = imager
  const corners: [number, number][] = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ]
  const border = corners.flatMap(([u, v], i) => {
    const [nu, nv] = corners[(i + 1) % 4]!
    return Array.from({ length: 24 }, (_, k): [number, number] => [
      u + ((nu - u) * k) / 24,
      v + ((nv - v) * k) / 24,
    ])
  })
  const dips = border.map(([u, v]) => rayThrough(imager, pose, u, v).z)
  const level = -pose.z / HORIZON_M
  return border.flatMap((spot, i): [number, number][] => {
    const j = (i + 1) % border.length
    const [a, b] = [dips[i]!, dips[j]!]
    const own: [number, number][] = a <= level ? [spot] : []
    if (a <= level === b <= level) return own
    const t = (level - a) / (b - a)
    return [...own, [spot[0] + (border[j]![0] - spot[0]) * t, spot[1] + (border[j]![1] - spot[1]) * t]]
  })
}

/**
 * Corners in pixels, cut at the lens and at the frame. Wide lenses bend straight edges: they are followed
 * in pieces.
 */
function pictured(imager: Imager, pose: Pose, corners: readonly Point[], open = false): [number, number][] {
  const forward = rayThrough(imager, pose, imager.widthPx / 2, imager.heightPx / 2)
  const ahead = (p: Point) =>
    (p.x - pose.x) * forward.x + (p.y - pose.y) * forward.y + (p.z - pose.z) * forward.z
  const pieces = imager.kind === 'f-theta' || open ? 12 : 1
  const mix = (a: Point, b: Point, t: number): Point => ({
    x: a.x + (b.x - a.x) * t,
    y: a.y + (b.y - a.y) * t,
    z: a.z + (b.z - a.z) * t,
  })
  const chain: Point[] = []
  for (const [i, a] of corners.entries()) {
    if (open && i === corners.length - 1) {
      chain.push(a)
      break
    }
    const b = corners[(i + 1) % corners.length]!
    for (let k = 0; k < pieces; k++) chain.push(mix(a, b, k / pieces))
  }
  const kept = imager.kind === 'rectilinear' ? cut(chain, open, ahead, mix) : chain
  const spots = kept
    .map((p): [number, number] | null => {
      const at = project(imager, pose, p)
      return at && [at.u, at.v]
    })
    .filter((spot) => spot !== null)
  return inside(spots, imager.widthPx, imager.heightPx, open)
}

function cut(
  chain: readonly Point[],
  open: boolean,
  ahead: (p: Point) => number,
  mix: (a: Point, b: Point, t: number) => Point,
): Point[] {
  return chain.flatMap((a, i) => {
    const da = ahead(a) - NEAR_M
    const own = da >= 0 ? [a] : []
    if (open && i === chain.length - 1) return own
    const b = chain[(i + 1) % chain.length]!
    const db = ahead(b) - NEAR_M
    return da >= 0 === db >= 0 ? own : [...own, mix(a, b, da / (da - db))]
  })
}

/**
 * Sutherland and Hodgman's clipping of a polygon by the four edges of the frame; lines are clipped the same
 * way, open.
 */
function inside(spots: readonly [number, number][], w: number, h: number, open: boolean): [number, number][] {
  const edges: ((s: readonly [number, number]) => number)[] = [
    ([u]) => u,
    ([u]) => w - u,
    ([, v]) => v,
    ([, v]) => h - v,
  ]
  return edges.reduce<[number, number][]>(
    (now, side) =>
      now.flatMap((a, i) => {
        const own: [number, number][] = side(a) >= 0 ? [a] : []
        if (open && i === now.length - 1) return own
        const b = now[(i + 1) % now.length]!
        const [da, db] = [side(a), side(b)]
        if (da >= 0 === db >= 0) return own
        const t = da / (da - db)
        return [...own, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]]
      }),
    [...spots],
  )
}
