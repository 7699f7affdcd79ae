import {
  along,
  bearingDeg,
  between,
  boundsOf,
  contains,
  distanceM,
  middleOf,
  type PlanPoint,
} from '../geometry'
import { LEVELS } from '../job/choices'
import type { PlanThing, Site, ThingOf } from '../job/plan'
import type { Camera } from '../parts'
import { depressionDeg } from './elevation'
import type { Eye } from './eye'
import { eachSeen } from './footprint'
import { scratchFor } from './look'
import { cellCount, fillOutline, gridOver } from './grid'
import { lensFor } from './lens'
import { SIGHT_LIMITS } from './limits'
import type { World } from './floors'
import { groundM } from './land'
import { settingOf } from './occluders'
import { imagerOf } from './projection'
import { sunInPicture } from './sun'
import { nameOf } from '../plan'

export interface PositionQuestion {
  readonly area: ThingOf<'area'>
  /** Edges it may be fixed to: walls, soffit edges, obstacles. */
  readonly edges: readonly PlanThing[]
  readonly things: readonly PlanThing[]
  readonly floorHeightsM: World['floorHeightsM']
  readonly site: Site | null
  readonly camera: Camera
  readonly heightM: number
  readonly portrait: boolean
  readonly tiltRangeDeg: readonly [min: number, max: number]
  readonly headEnd: PlanPoint | null
}

export interface Position {
  readonly on: string
  readonly x: number
  readonly y: number
  readonly heightM: number
  readonly panDeg: number
  readonly tiltDeg: number
  readonly focalMm: number
  /**
   * Share of the area at its level, steepest usual look at a face, hours of sun a year, metres of cable on
   * plan.
   */
  readonly covered: number
  readonly faceAngleDeg: number
  readonly sunHours: number | null
  readonly cableM: number | null
  /** 0 to 1, by the weights below. */
  readonly score: number
}

/** How far a lens stands off what it is fixed to, on plan, and hangs below a soffit. */
export const STAND_OFF_M = SIGHT_LIMITS.standOffM.value
const STEP_M = 1
const KEPT = 6
const APART_M = 2

interface Spot {
  readonly on: PlanThing
  readonly at: PlanPoint
  readonly heightM: number
}

/** Every spot along the edges, a metre apart, on both sides of a wall. */
function spots({ edges, heightM }: PositionQuestion): Spot[] {
  return edges.flatMap((on): Spot[] => {
    if (on.kind === 'obstacle') {
      const { form } = on
      const ring =
        form.is === 'round'
          ? Array.from({ length: 8 }, (_, i) => along(form.at, i * 45, form.radiusM + STAND_OFF_M))
          : outlineSpots(form.outline)
      return on.baseM + on.heightM < heightM ? [] : ring.map((at) => ({ on, at, heightM }))
    }
    if (
      (on.kind !== 'wall' && on.kind !== 'soffit') ||
      (on.kind === 'wall' && on.baseM + on.heightM < heightM)
    )
      return [] // too low to carry it
    const lengthM = distanceM(on.from, on.to)
    const steps = Math.max(1, Math.round(lengthM / STEP_M))
    const side = bearingDeg(on.from, on.to) - 90
    return Array.from({ length: steps }, (_, i) => between(on.from, on.to, (i + 0.5) / steps)).flatMap(
      (at): Spot[] =>
        on.kind === 'soffit'
          ? [{ on, at: along(at, side, on.depthM / 2), heightM: on.undersideM - STAND_OFF_M }]
          : [-STAND_OFF_M, on.thicknessM + STAND_OFF_M].map((out) => ({
              on,
              at: along(at, side, out),
              heightM,
            })),
    )
  })
}

function outlineSpots(outline: readonly PlanPoint[]): PlanPoint[] {
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    const steps = Math.max(1, Math.round(distanceM(a, b) / STEP_M))
    const side = bearingDeg(a, b) + 90
    return Array.from({ length: steps }, (_, k) => between(a, b, (k + 0.5) / steps)).map((at) => {
      const out = along(at, side, STAND_OFF_M)
      return contains(outline, out) ? along(at, side, -STAND_OFF_M) : out
    })
  })
}

/**
 * Tries every spot; yields the share done, so that it can be watched and stopped. Best first, none within
 * two metres of another.
 */
export function* positionSteps(question: PositionQuestion): Generator<number, readonly Position[]> {
  const { area, camera, portrait, tiltRangeDeg, site, headEnd } = question
  const setting = settingOf(question, area.floor)
  const need = LEVELS[area.level].densityPxM
  const grid = gridOver(boundsOf(area.outline)!, Math.max(0.1, Math.sqrt(1 + areaOf(area)) / 24))
  const inside = new Uint8Array(cellCount(grid))
  fillOutline(grid, inside, area.outline, 1)
  const all = Math.max(
    1,
    inside.reduce((sum, cell) => sum + cell, 0),
  )
  const scratch = scratchFor(grid)
  const points = area.outline.map((point) => ({
    ...point,
    z: area.targetHeightM + groundM(setting.land, point),
  }))
  const middle = middleOf(area.outline)
  const tried: Position[] = []
  const candidates = spots(question)
  for (const [index, { on, at, heightM }] of candidates.entries()) {
    const lens = lensFor(camera, {
      points,
      level: area.level,
      from: { ...at, z: heightM },
      portrait,
      tiltRangeDeg,
      units: 'metric',
    })
    const [shortest, longest] = camera.lens.focalMm
    const focalMm = lens.setMm ?? Math.min(longest, Math.max(shortest, lens.mostMm))
    const eye: Eye = {
      imager: imagerOf(camera, focalMm, portrait),
      pose: { ...at, z: heightM, panDeg: lens.panDeg, tiltDeg: lens.tiltDeg, rollDeg: 0 },
    }
    let met = 0
    eachSeen(eye, setting, grid, area.targetHeightM, scratch, (cell, density, hidden) => {
      if (!hidden && inside[cell] === 1 && density >= need) met++
    })
    if (met > 0) {
      const covered = met / all
      const faceAngleDeg = depressionDeg(heightM, SIGHT_LIMITS.faceHeightM.value, distanceM(at, middle))
      const sunHours = site ? sunInPicture(eye, setting, site).hoursAYear : null
      const cableM = headEnd ? distanceM(at, headEnd) : null
      tried.push({
        on: nameOf(on),
        ...at,
        heightM,
        panDeg: lens.panDeg,
        tiltDeg: lens.tiltDeg,
        focalMm,
        covered,
        faceAngleDeg,
        sunHours,
        cableM,
        score: scoreOf(covered, faceAngleDeg, sunHours, cableM),
      })
    }
    yield (index + 1) / candidates.length
  }
  const kept: Position[] = []
  for (const one of tried.sort((a, b) => b.score - a.score))
    if (kept.length < KEPT && kept.every((other) => distanceM(one, other) >= APART_M)) kept.push(one)
  return kept
}

const areaOf = ({ outline }: ThingOf<'area'>): number => {
  const box = boundsOf(outline)!
  return (box.right - box.left) * (box.top - box.bottom)
}

/**
 * Each part falls from 1 to 0: face angle from its limit to twice it, sun over a hundred hours, cable over
 * the fixed link.
 */
function scoreOf(
  covered: number,
  faceAngleDeg: number,
  sunHours: number | null,
  cableM: number | null,
): number {
  const limit = SIGHT_LIMITS.faceAngleDeg.value
  const face = 1 - Math.min(1, Math.max(0, (faceAngleDeg - limit) / limit))
  const sun = sunHours === null ? 1 : 1 - Math.min(1, sunHours / 100)
  const cable = cableM === null ? 1 : 1 - Math.min(1, cableM / 90)
  const { coveredWeight, faceWeight, sunWeight, cableWeight } = SIGHT_LIMITS
  return (
    (coveredWeight.value * covered +
      faceWeight.value * face +
      sunWeight.value * sun +
      cableWeight.value * cable) /
    100
  )
}
