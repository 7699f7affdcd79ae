import { contours } from 'd3-contour'
import { areaM2, boundsOf, middleOf, type Bounds, type Outline, type PlanPoint } from '../geometry'
import { LEVELS, type Edition, type Floor, type LevelId } from '../job/choices'
import type { FloorBackground, PlanThing, ThingOf } from '../job/plan'
import { whoSees, type Asked } from './ask'
import { eachSeen, scratchFor, type Eye, type SurveyCamera } from './footprint'
import { cellCount, cellMiddle, fillOutline, FINEST_CELL_M, gridOver, type Grid } from './grid'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { firstBetween, occludersOf } from './occluders'
import { nameOf, pointsOf, type Occluders } from '../plan'

export interface SurveyRequest {
  readonly floor: Floor
  readonly things: readonly PlanThing[]
  readonly backgrounds: readonly FloorBackground[]
  readonly cameras: readonly SurveyCamera[]
  /** Height of the surveyed plane: 0 for the ground, a face's for faces. */
  readonly planeM: number
  readonly edition: Edition
}

/** What a cell is: outside what matters, ground that matters, or taken up by something solid. */
export const OUTSIDE = 0
export const WATCHED = 1
export const SOLID = 2

export interface AreaResult {
  readonly thingId: string
  readonly name: string
  readonly level: LevelId
  readonly sizeM2: number
  /** Shares of the area, 0 to 1: at its level; at its level by two cameras or more. */
  readonly met: number
  readonly metByTwo: number
  /** Why the rest is not: too few pixels, hidden, in nobody's picture. They add up with `met` to 1. */
  readonly short: number
  readonly hidden: number
  readonly outOfPicture: number
  /** The camera that meets most of it, and what hides most of what is hidden. */
  readonly bestMark: string | null
  readonly hiddenBy: string | null
  /** Lowest density (px/m) in the part that gets too few pixels. */
  readonly shortAtPxM: number
}

export interface TargetResult {
  readonly thingId: string
  readonly name: string
  readonly level: LevelId
  /** Cameras that see it, best first, and what blocks those that have it in their picture. */
  readonly asked: Asked
}

export interface PrivacyResult {
  readonly thingId: string
  readonly name: string
  /** Cameras that look into it, with the share of it that each sees and the best density there. */
  readonly seenBy: readonly {
    readonly mark: string
    readonly deviceId: string
    readonly share: number
    readonly bestPxM: number
  }[]
}

export interface BlindSpot {
  readonly sizeM2: number
  readonly middle: PlanPoint
  /** Outer ring first, then holes. */
  readonly rings: readonly Outline[]
}

export interface ContourLine {
  readonly level: LevelId
  readonly densityPxM: number
  readonly rings: readonly Outline[]
}

export interface Survey {
  readonly floor: Floor
  readonly planeM: number
  readonly grid: Grid
  readonly marks: readonly string[]
  /** For each cell: best density (px/m), how many cameras see it, what it is. */
  readonly best: Float32Array
  readonly count: Uint8Array
  readonly ground: Uint8Array
  readonly areas: readonly AreaResult[]
  readonly targets: readonly TargetResult[]
  readonly privacy: readonly PrivacyResult[]
  /** Largest first. */
  readonly blindSpots: readonly BlindSpot[]
  readonly watchedM2: number
  readonly blindM2: number
  readonly contours: readonly ContourLine[]
}

/** The whole survey at once; see `surveySteps` for one that can be watched and stopped. */
export function survey(request: SurveyRequest): Survey {
  const steps = surveySteps(request)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

/**
 * The survey, a piece at a time: yields the share done (0 to 1), so that whoever runs it can show it and
 * stop.
 */
export function* surveySteps(request: SurveyRequest): Generator<number, Survey> {
  const { floor, cameras, planeM, edition } = request
  const things = request.things.filter((thing) => thing.floor === floor)
  const occluders = occludersOf(request.things, floor)
  const grid = gridOver(
    extent(
      things,
      request.backgrounds.filter((b) => b.floor === floor),
      cameras,
    ),
  )
  const cells = cellCount(grid)
  const best = new Float32Array(cells)
  const count = new Uint8Array(cells)
  const scratch = scratchFor(grid)
  const pieces = cameras.length + things.length + 1
  let done = 0
  for (const { eye } of cameras) {
    eachSeen(eye, occluders, grid, planeM, scratch, (cell, density, hidden) => {
      if (hidden) return
      if (density > best[cell]!) best[cell] = density
      if (count[cell]! < 255) count[cell]!++
    })
    yield ++done / pieces
  }
  const ground = groundOf(things, occluders, grid, planeM)
  for (let i = 0; i < cells; i++) {
    if (ground[i] !== SOLID) continue
    best[i] = 0
    count[i] = 0
  }
  const areas: AreaResult[] = []
  const targets: TargetResult[] = []
  const privacy: PrivacyResult[] = []
  for (const thing of things) {
    if (thing.kind === 'area') areas.push(surveyArea(thing, cameras, occluders))
    if (thing.kind === 'target')
      targets.push({
        thingId: thing.id,
        name: nameOf(thing),
        level: thing.level,
        asked: whoSees(thing.at, thing.targetHeightM, cameras, occluders, edition),
      })
    if (thing.kind === 'privacy') privacy.push(surveyPrivacy(thing, cameras, occluders, edition))
    yield ++done / pieces
  }
  const blind = blindSpots(grid, ground, count)
  return {
    floor,
    planeM,
    grid,
    marks: cameras.map(({ mark }) => mark),
    best,
    count,
    ground,
    areas,
    targets,
    privacy,
    ...blind,
    contours: contourLines(grid, best, edition),
  }
}

/** How far the sheet reaches beyond what stands on it, and round a camera. */
const MARGIN_M = 3
const ROUND_CAMERA_M = 15

/** Corners of a background as it lies on the plan. */
export function backgroundCorners({
  at,
  widthPx,
  heightPx,
  metresPerPx,
  turnDeg,
}: Pick<FloorBackground, 'at' | 'widthPx' | 'heightPx' | 'metresPerPx' | 'turnDeg'>): Outline {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  const corner = (u: number, v: number): PlanPoint => {
    const [x, y] = [u * metresPerPx, -v * metresPerPx]
    return { x: at.x + x * c + y * s, y: at.y - x * s + y * c }
  }
  return [corner(0, 0), corner(widthPx, 0), corner(widthPx, heightPx), corner(0, heightPx)]
}

function extent(
  things: readonly PlanThing[],
  backgrounds: readonly FloorBackground[],
  cameras: readonly SurveyCamera[],
): Bounds {
  const drawn = boundsOf([...things.flatMap(pointsOf), ...backgrounds.flatMap(backgroundCorners)])
  const round = boundsOf(
    cameras.flatMap(({ eye: { pose } }) => [
      { x: pose.x - ROUND_CAMERA_M, y: pose.y - ROUND_CAMERA_M },
      { x: pose.x + ROUND_CAMERA_M, y: pose.y + ROUND_CAMERA_M },
    ]),
  )
  const of = (side: keyof Bounds, pick: (...values: number[]) => number, margin: number) => {
    const sides = [drawn ? drawn[side] + margin : null, round ? round[side] : null].filter(
      (value) => value !== null,
    )
    return sides.length === 0 ? margin : pick(...sides)
  }
  return {
    left: of('left', Math.min, -MARGIN_M),
    right: of('right', Math.max, MARGIN_M),
    bottom: of('bottom', Math.min, -MARGIN_M),
    top: of('top', Math.max, MARGIN_M),
  }
}

/** What each cell is: the premises and the areas of interest matter; without any, everything drawn does. */
function groundOf(
  things: readonly PlanThing[],
  { solids }: Occluders,
  grid: Grid,
  planeM: number,
): Uint8Array {
  const ground = new Uint8Array(cellCount(grid))
  const matter = things.filter((thing) => thing.kind === 'premises' || thing.kind === 'area')
  // on an empty sheet there is nothing to be blind to
  if (matter.length === 0 && things.length > 0) ground.fill(WATCHED)
  for (const { outline } of matter) fillOutline(grid, ground, outline, WATCHED)
  for (const { outline, fromM, toM } of solids)
    if (planeM >= fromM && planeM < toM) fillOutline(grid, ground, outline, SOLID)
  return ground
}

/** Cells of a small outline are finer, so that a doorway is not judged by three of them. */
function gridOf(outline: Outline): Grid {
  const cellM = Math.min(FINEST_CELL_M, Math.sqrt(areaM2(outline)) / 16)
  return gridOver(boundsOf(outline)!, cellM)
}

function surveyArea(
  area: ThingOf<'area'>,
  cameras: readonly SurveyCamera[],
  occluders: Occluders,
): AreaResult {
  const { outline, targetHeightM, level } = area
  const need = LEVELS[level].densityPxM
  const grid = gridOf(outline)
  const cells = cellCount(grid)
  const inside = new Uint8Array(cells)
  fillOutline(grid, inside, outline, WATCHED)
  for (const solid of occluders.solids)
    if (targetHeightM >= solid.fromM && targetHeightM < solid.toM)
      fillOutline(grid, inside, solid.outline, OUTSIDE)
  const best = new Float32Array(cells)
  const at = new Uint8Array(cells)
  const hiddenFrom = new Int16Array(cells).fill(-1) // the camera that would see it best, were it not hidden
  const hiddenPxM = new Float32Array(cells)
  const metBy = new Array<number>(cameras.length).fill(0)
  const scratch = scratchFor(grid)
  for (const [index, { eye }] of cameras.entries()) {
    eachSeen(eye, occluders, grid, targetHeightM, scratch, (cell, density, hidden) => {
      if (inside[cell] !== WATCHED) return
      if (hidden) {
        if (density > hiddenPxM[cell]!) {
          hiddenPxM[cell] = density
          hiddenFrom[cell] = index
        }
        return
      }
      if (density > best[cell]!) best[cell] = density
      if (density < need) return
      at[cell]!++
      metBy[index]!++
    })
  }
  const tally = { all: 0, met: 0, two: 0, short: 0, hidden: 0, out: 0 }
  let shortAtPxM = Infinity
  const hiders = new Map<string, number>()
  for (let cell = 0; cell < cells; cell++) {
    if (inside[cell] !== WATCHED) continue
    tally.all++
    if (at[cell]! > 0) tally.met++
    if (at[cell]! > 1) tally.two++
    if (at[cell]! > 0) continue
    if (best[cell]! > 0) {
      tally.short++
      shortAtPxM = Math.min(shortAtPxM, best[cell]!)
    } else if (hiddenFrom[cell]! >= 0) {
      tally.hidden++
      if (tally.hidden % 8 === 1) {
        const hit = firstBetween(occluders, cameras[hiddenFrom[cell]!]!.eye.pose, {
          ...cellMiddle(grid, cell),
          z: targetHeightM,
        })
        if (hit) hiders.set(nameOf(hit.thing), (hiders.get(nameOf(hit.thing)) ?? 0) + 1)
      }
    } else tally.out++
  }
  const share = (n: number) => (tally.all === 0 ? 0 : n / tally.all)
  const mostMet = metBy.reduce(
    (most, n, index) => (n > 0 && (most < 0 || n > metBy[most]!) ? index : most),
    -1,
  )
  return {
    thingId: area.id,
    name: nameOf(area),
    level,
    sizeM2: areaM2(outline),
    met: share(tally.met),
    metByTwo: share(tally.two),
    short: share(tally.short),
    hidden: share(tally.hidden),
    outOfPicture: share(tally.out),
    bestMark: cameras[mostMet]?.mark ?? null,
    hiddenBy: [...hiders].sort((p, q) => q[1] - p[1])[0]?.[0] ?? null,
    shortAtPxM: tally.short === 0 ? 0 : shortAtPxM,
  }
}

function surveyPrivacy(
  thing: ThingOf<'privacy'>,
  cameras: readonly SurveyCamera[],
  occluders: Occluders,
  edition: Edition,
): PrivacyResult {
  const seenBy = cameras.flatMap(({ mark, deviceId, eye }) => {
    const { share, bestPxM } = lookingInto(thing, eye, occluders)
    return share > 0 && bestPxM >= LEVELS[levelsOf(edition)[0]!].densityPxM
      ? [{ mark, deviceId, share, bestPxM }]
      : []
  })
  return { thingId: thing.id, name: nameOf(thing), seenBy }
}

/**
 * How much of a privacy area a camera sees at face height (share, 0 to 1), and its best density there
 * (px/m).
 */
export function lookingInto(
  { outline }: Pick<ThingOf<'privacy'>, 'outline'>,
  eye: Eye,
  occluders: Occluders,
): { readonly share: number; readonly bestPxM: number } {
  const grid = gridOver(boundsOf(outline)!, Math.max(0.1, Math.sqrt(areaM2(outline)) / 12))
  const inside = new Uint8Array(cellCount(grid))
  fillOutline(grid, inside, outline, WATCHED)
  const all = inside.reduce((sum, cell) => sum + cell, 0)
  let [seen, bestPxM] = [0, 0]
  eachSeen(
    eye,
    occluders,
    grid,
    SIGHT_LIMITS.faceHeightM.value,
    scratchFor(grid),
    (cell, density, hidden) => {
      if (hidden || inside[cell] !== WATCHED) return
      seen++
      bestPxM = Math.max(bestPxM, density)
    },
  )
  return { share: all === 0 ? 0 : seen / all, bestPxM }
}

/** Rings of the places where a value of the grid is at least a threshold. */
function ringsAt(grid: Grid, values: ArrayLike<number>, threshold: number, smooth: boolean): PlanPoint[][][] {
  const { coordinates } = contours()
    .size([grid.columns, grid.rows])
    .smooth(smooth)
    .contour(values as number[], threshold)
  return coordinates.map((polygon) =>
    polygon.map((ring) =>
      ring
        .slice(0, -1)
        .map(([x, y]) => ({ x: grid.left + x! * grid.cellM, y: grid.bottom + y! * grid.cellM })),
    ),
  )
}

function blindSpots(
  grid: Grid,
  ground: Uint8Array,
  count: Uint8Array,
): Pick<Survey, 'blindSpots' | 'watchedM2' | 'blindM2'> {
  const blind = new Uint8Array(ground.length)
  let [watched, unseen] = [0, 0]
  for (let i = 0; i < blind.length; i++) {
    if (ground[i] !== WATCHED) continue
    watched++
    if (count[i] !== 0) continue
    blind[i] = 1
    unseen++
  }
  const cellM2 = grid.cellM * grid.cellM
  const spots = ringsAt(grid, blind, 0.5, false)
    .map(
      (rings): BlindSpot => ({
        rings,
        middle: middleOf(rings[0]!),
        sizeM2: rings.reduce((sum, ring, i) => sum + (i === 0 ? 1 : -1) * areaM2(ring), 0),
      }),
    )
    .filter(({ sizeM2 }) => sizeM2 >= SIGHT_LIMITS.leastBlindM2.value)
    .sort((a, b) => b.sizeM2 - a.sizeM2)
  return { blindSpots: spots, watchedM2: watched * cellM2, blindM2: unseen * cellM2 }
}

function contourLines(grid: Grid, best: Float32Array, edition: Edition): ContourLine[] {
  return levelsOf(edition).map((level) => {
    const densityPxM = LEVELS[level].densityPxM
    return {
      level,
      densityPxM,
      rings: ringsAt(grid, best, densityPxM, true)
        .flat()
        .filter((ring) => ring.length > 3),
    }
  })
}
