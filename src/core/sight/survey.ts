import { type Edition, type Floor, type LevelId } from '../job/choices'
import type { FloorBackground, PlanThing } from '../job/plan'
import { whoSees, type Asked } from './ask'
import { eachSeen, scratchFor, type SurveyCamera } from './footprint'
import { cellCount, gridOver, type Grid } from './grid'
import { occludersOf } from './occluders'
import { nameOf } from '../plan'
import { extent, groundOf, SOLID } from './ground'
import { blindSpots, contourLines, type BlindSpot, type ContourLine } from './rings'
import { surveyArea, surveyPrivacy, type AreaResult, type PrivacyResult } from './watched'

export interface SurveyRequest {
  readonly floor: Floor
  readonly things: readonly PlanThing[]
  readonly backgrounds: readonly FloorBackground[]
  readonly cameras: readonly SurveyCamera[]
  /** Height of the surveyed plane: 0 for the ground, a face's for faces. */
  readonly planeM: number
  readonly edition: Edition
}

export interface TargetResult {
  readonly thingId: string
  readonly name: string
  readonly level: LevelId
  /** Cameras that see it, best first, and what blocks those that have it in their picture. */
  readonly asked: Asked
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
