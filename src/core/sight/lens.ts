import { along, type PlanPoint } from '../geometry'
import { LEVELS, type LevelId } from '../job/choices'
import type { Sight } from '../job/job'
import type { ThingOf } from '../job/plan'
import type { Camera } from '../parts'
import { print, type UnitSystem } from '../units'
import { onLand } from './eye'
import type { World } from './floors'
import { groundM, landOf } from './land'
import { densityAt, imagerOf, inFrame, project, type Point, type Pose } from './projection'

const RAD = Math.PI / 180

export interface LensQuestion {
  /**
   * Everything that must be in the picture at the level: corners of an area, or one target; metres on plan
   * and above the floor.
   */
  readonly points: readonly Point[]
  readonly level: LevelId
  /** Where the lens stands. */
  readonly from: Point
  readonly portrait: boolean
  /** Tilts (degrees below level) that the joint allows. */
  readonly tiltRangeDeg: readonly [min: number, max: number]
  readonly units: UnitSystem
}

export interface LensAnswer {
  readonly cameraId: string
  readonly name: string
  readonly verdict: 'good' | 'stop'
  /**
   * Shortest focal length (mm) that reaches the level everywhere, and longest that still shows everything.
   */
  readonly leastMm: number
  readonly mostMm: number
  /** The focal length to set: in the middle of what serves and the lens can do; null when nothing does. */
  readonly setMm: number | null
  readonly panDeg: number
  readonly tiltDeg: number
  readonly says: string
}

/**
 * Where to point so that all points lie evenly about the axis: middle of their bearings and of their
 * depressions.
 */
export function aimAt(
  points: readonly Point[],
  from: Point,
  [least, most]: readonly [min: number, max: number],
): { readonly panDeg: number; readonly tiltDeg: number } {
  const bearings = points
    .map(({ x, y }) => (Math.atan2(x - from.x, y - from.y) / RAD + 360) % 360)
    .sort((a, b) => a - b)
  // The widest gap between neighbouring bearings lies behind the camera; the middle of the rest is ahead.
  const gaps = bearings.map(
    (b, i) => (bearings[(i + 1) % bearings.length]! - b + 360) % 360 || (bearings.length === 1 ? 360 : 0),
  )
  const widest = gaps.indexOf(Math.max(...gaps))
  const start = bearings[(widest + 1) % bearings.length]!
  const panDeg = (start + (360 - gaps[widest]!) / 2) % 360
  const downs = points.map(({ x, y, z }) => Math.atan2(from.z - z, Math.hypot(x - from.x, y - from.y)) / RAD)
  return { panDeg, tiltDeg: Math.min(most, Math.max(least, (Math.min(...downs) + Math.max(...downs)) / 2)) }
}

/**
 * Which focal lengths of a camera show all points at the level, aimed at their middle. A pinhole's density
 * grows with the focal length (from ρ·D·w/Nx) and its picture narrows (w/2f), so what serves lies between
 * the two; when the one passes the other no single lens does both.
 */
export function lensFor(
  camera: Pick<Camera, 'id' | 'name' | 'sensor' | 'lens'>,
  question: LensQuestion,
): LensAnswer {
  const { points, level, from, portrait, tiltRangeDeg, units } = question
  const aim = aimAt(points, from, tiltRangeDeg)
  const pose: Pose = { ...from, ...aim, rollDeg: 0 }
  const need = LEVELS[level].densityPxM
  const name = LEVELS[level].name.toLowerCase()
  const answer = { cameraId: camera.id, name: camera.name, ...aim }
  const [shortest, longest] = camera.lens.focalMm
  const mm = (focal: number) => print({ value: focal, kind: 'focal' }, units)
  if (camera.lens.kind === 'f-theta') {
    const imager = imagerOf(camera, shortest, portrait)
    const worst = Math.min(...points.map((point) => densityAt(imager, pose, point)))
    const shown = points.every((point) => {
      const at = project(imager, pose, point)
      return at !== null && inFrame(imager, at)
    })
    const good = shown && worst >= need
    const px = (value: number) => print({ value, kind: 'density' }, units)
    const enough = good
      ? `Its fixed lens gives ${px(worst)} at the worst point.`
      : `Its fixed lens gives only ${px(worst)} at the worst point; ${name} asks for ${px(need)}.`
    const says = shown ? enough : 'Not all of it fits in its picture.'
    return {
      ...answer,
      verdict: good ? 'good' : 'stop',
      leastMm: shortest,
      mostMm: longest,
      setMm: good ? shortest : null,
      says,
    }
  }
  const unit = imagerOf(camera, 1, portrait)
  let [leastMm, mostMm] = [0, Infinity]
  for (const point of points) {
    const perMm = densityAt(unit, pose, point)
    leastMm = Math.max(leastMm, perMm > 0 ? need / perMm : Infinity)
    const at = project(unit, pose, point)
    mostMm = Math.min(
      mostMm,
      at === null ? 0 : unit.widthPx / 2 / Math.abs(at.u - unit.widthPx / 2),
      at === null ? 0 : unit.heightPx / 2 / Math.abs(at.v - unit.heightPx / 2),
    )
  }
  const [low, high] = [Math.max(leastMm, shortest), Math.min(mostMm, longest)]
  if (low <= high) {
    return {
      ...answer,
      verdict: 'good',
      leastMm,
      mostMm,
      setMm: Math.min(high, Math.max(low, Math.round(((low + high) / 2) * 10) / 10)),
      says:
        mm(low) === mm(high)
          ? `${mm(low)} reaches ${name} over all of it.`
          : `${mm(low)} to ${mm(high)} reach ${name} over all of it.`,
    }
  }
  const says = whyNone(name, leastMm, mostMm, camera.lens.focalMm, mm)
  return { ...answer, verdict: 'stop', leastMm, mostMm, setMm: null, says }
}

/** Why no setting of a lens serves: the level wants at least so much, all of it fits up to so much. */
function whyNone(
  name: string,
  leastMm: number,
  mostMm: number,
  [shortest, longest]: readonly [number, number],
  mm: (focalMm: number) => string,
): string {
  if (leastMm > mostMm && mostMm < shortest && leastMm <= longest) {
    return (
      `Some of it does not fit even at ${mm(shortest)}: stand farther back, turn the picture, ` +
      'or share it between two cameras.'
    )
  }
  if (leastMm > mostMm) {
    return (
      `The two disagree: ${name} at the far end wants ${mm(leastMm)}, but beyond ${mm(mostMm)} ` +
      'the ends fall out of the picture. Two cameras, a nearer spot, or more pixels.'
    )
  }
  if (leastMm > longest) return `${cap(name)} wants ${mm(leastMm)}; this lens ends at ${mm(longest)}.`
  return `All of it fits only below ${mm(mostMm)}; this lens starts at ${mm(shortest)}.`
}

/** What a device is asked to show: an area, a target on the plan, or the target of its own sight. */
export function lensQuestion(
  sight: Sight,
  tiltRangeDeg: readonly [min: number, max: number],
  units: UnitSystem,
  what: ThingOf<'area'> | ThingOf<'target'> | null,
  world: World,
): LensQuestion {
  const { place, heightM, portrait, targetDistanceM, targetHeightM, level } = onLand(world, sight)
  const land = place && landOf(world.things, place.floor)
  const standing = (at: PlanPoint, aboveM: number) => ({ ...at, z: groundM(land, at) + aboveM })
  const from = { x: place?.x ?? 0, y: place?.y ?? 0, z: heightM }
  const asked = { from, portrait, tiltRangeDeg, units }
  if (what?.kind === 'area')
    return {
      ...asked,
      level: what.level,
      points: what.outline.map((point) => standing(point, what.targetHeightM)),
    }
  if (what?.kind === 'target')
    return { ...asked, level: what.level, points: [standing(what.at, what.targetHeightM)] }
  return {
    ...asked,
    level,
    points: [{ ...along(from, place?.panDeg ?? 0, targetDistanceM), z: targetHeightM }],
  }
}

/** The answer of every camera, its own first, then those that serve. */
export function lensesFor(
  cameras: Iterable<Camera>,
  ownId: string,
  question: LensQuestion,
): readonly LensAnswer[] {
  const weight = ({ cameraId, verdict }: LensAnswer) => {
    if (cameraId === ownId) return 0
    return verdict === 'good' ? 1 : 2
  }
  return [...cameras].map((camera) => lensFor(camera, question)).sort((a, b) => weight(a) - weight(b))
}

const cap = (words: string) => words[0]!.toUpperCase() + words.slice(1)
