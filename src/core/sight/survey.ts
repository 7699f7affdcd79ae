import { type Edition, type Floor, type LevelId } from '../job/choices'
import type { FloorBackground, PlanThing } from '../job/plan'
import { whoSees, type Asked } from './ask'
import type { SurveyCamera } from './eye'
import { lookOver } from './footprint'
import { scratchFor } from './look'
import { gridOver, type Grid } from './grid'
import type { Traced } from './contour'
import type { World } from './floors'
import { settingOf } from './occluders'
import { isOfCables, nameOf } from '../plan'
import { extent, groundOf } from './ground'
import { blindSpots, contourLines, type BlindSpot, type ContourLine } from './rings'
import { SIGHT_LIMITS } from './limits'
import { eyeWords, MOST_REMEMBERED, remembered, togetherSteps, type Together } from './together'
import {
  areaGrid,
  privacyGrid,
  surveyArea,
  surveyPrivacy,
  type AreaResult,
  type PrivacyResult,
} from './watched'

export interface SurveyRequest {
  readonly floor: Floor
  readonly things: readonly PlanThing[]
  readonly floorHeightsM: World['floorHeightsM']
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

/** What a survey remembers for the next one, so that only what changed is worked out again. */
export class SurveyMemory {
  kept: Kept | null = null
}

interface Kept {
  /** Everything that the cameras look at, told apart from anything else. */
  readonly place: string
  readonly together: Together
  readonly cameras: readonly SurveyCamera[]
  readonly ground: Uint8Array
  readonly areas: ReadonlyMap<string, AreaResult>
  readonly privacy: ReadonlyMap<string, PrivacyResult>
  readonly lines: Traced
  readonly blind: Traced
}

/** The whole survey at once; see `surveySteps` for one that can be watched and stopped. */
export function survey(request: SurveyRequest, memory = new SurveyMemory()): Survey {
  const steps = surveySteps(request, memory)
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
  }
}

/**
 * The survey, a piece at a time: yields the share done (0 to 1), so that whoever runs it can show it and
 * stop. With the memory of the one before, only cameras that changed look again; the outcome is the same.
 */
export function* surveySteps(request: SurveyRequest, memory = new SurveyMemory()): Generator<number, Survey> {
  const { floor, cameras, planeM, edition } = request
  const things = request.things.filter((thing) => thing.floor === floor)
  const setting = settingOf(request, floor)
  const grid = gridOver(
    extent(
      things,
      request.backgrounds.filter((b) => b.floor === floor),
      cameras,
    ),
  )
  // Nothing of other floors has a say while nobody said how high this one lies.
  const apart = floor !== 'ground' && request.floorHeightsM[floor] === null
  const others = apart ? [] : request.things.filter((thing) => thing.floor !== floor)
  const seen = [things, others].map((list) => list.filter((thing) => !isOfCables(thing)))
  const place = JSON.stringify([floor, planeM, edition, grid, seen, request.floorHeightsM])
  const before = memory.kept?.place === place ? memory.kept : null
  const pieces = cameras.length + things.length + 1
  let done = 0
  const ground = before?.ground ?? groundOf(things, setting, grid, planeM)
  const looking = togetherSteps(before?.together ?? null, { grid, setting, ground, planeM, cameras })
  let looked = looking.next()
  for (; !looked.done; looked = looking.next()) yield ++done / pieces
  const together = looked.value
  done = cameras.length
  const { best } = together
  // More than 255 cameras count as 255.
  const count = new Uint8Array(new Uint8ClampedArray(together.count).buffer)
  const changed = changedCameras(before?.cameras ?? [], cameras)
  const sameMarks = before !== null && whoWords(before.cameras) === whoWords(cameras)
  /** Whether nothing of an earlier outcome can be another now: nobody who changed looks or looked there. */
  const stands = (over: Grid, atM: number) =>
    sameMarks && !changed.some(({ eye }) => lookOver(eye, nothing, over, atM, scratchFor(over)) > 0)
  const nothing = { uprights: [], boards: [], solids: [], land: setting.land ?? null }
  const areas: AreaResult[] = []
  const targets: TargetResult[] = []
  const privacy: PrivacyResult[] = []
  for (const thing of things) {
    if (thing.kind === 'area') {
      const known = before?.areas.get(thing.id)
      const holds = known && stands(areaGrid(thing), thing.targetHeightM)
      areas.push(holds ? known : surveyArea(thing, cameras, setting))
    }
    if (thing.kind === 'target')
      targets.push({
        thingId: thing.id,
        name: nameOf(thing),
        level: thing.level,
        asked: whoSees(thing.at, thing.targetHeightM, cameras, setting, edition),
      })
    if (thing.kind === 'privacy') {
      const known = before?.privacy.get(thing.id)
      const holds = known && stands(privacyGrid(thing), SIGHT_LIMITS.faceHeightM.value)
      privacy.push(holds ? known : surveyPrivacy(thing, cameras, setting, edition))
    }
    yield ++done / pieces
  }
  const byId = <T extends { readonly thingId: string }>(all: readonly T[]) =>
    new Map(all.map((one) => [one.thingId, one]))
  const lines = contourLines(grid, best, edition, before?.lines ?? null)
  const blind = blindSpots(grid, ground, count, before?.blind ?? null)
  memory.kept =
    remembered(together) > MOST_REMEMBERED
      ? null
      : {
          place,
          together,
          cameras,
          ground,
          areas: byId(areas),
          privacy: byId(privacy),
          lines: lines.traced,
          blind: blind.traced,
        }
  return {
    floor,
    planeM,
    grid,
    marks: cameras.map(({ mark }) => mark),
    // Whoever gets the survey may give it away.
    best: best.slice(),
    count,
    ground: ground.slice(),
    areas,
    targets,
    privacy,
    blindSpots: blind.blindSpots,
    watchedM2: blind.watchedM2,
    blindM2: blind.blindM2,
    contours: lines.contours,
  }
}

/** Cameras that stand or look otherwise than before, as they were and as they are. */
function changedCameras(before: readonly SurveyCamera[], now: readonly SurveyCamera[]): SurveyCamera[] {
  const words = (all: readonly SurveyCamera[]) => new Map(all.map((one) => [one.deviceId, eyeWords(one)]))
  const [was, is] = [words(before), words(now)]
  return [...before, ...now].filter(({ deviceId }) => was.get(deviceId) !== is.get(deviceId))
}

const whoWords = (cameras: readonly SurveyCamera[]): string =>
  JSON.stringify(cameras.map(({ deviceId, mark }) => [deviceId, mark]))
