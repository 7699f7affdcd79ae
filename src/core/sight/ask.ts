import { between, distanceM, type PlanPoint } from '../geometry'
import { LEVELS, type Edition, type LevelId } from '../job/choices'
import { depressionDeg } from './elevation'
import { levelReached } from './levels'
import { SIGHT_LIMITS } from './limits'
import { groundM } from './land'
import { hiddenBy, type Setting } from './occluders'
import { densityAt, inFrame, project } from './projection'
import type { SurveyCamera } from './eye'

/** What one camera makes of one point. */
export interface Seen {
  readonly deviceId: string
  readonly mark: string
  readonly densityPxM: number
  readonly level: LevelId | null
}

export interface Asked {
  /** Cameras that see the point, best first. */
  readonly seen: readonly Seen[]
  /** Cameras that have it in their picture but something stands in between. */
  readonly hidden: readonly { readonly mark: string; readonly by: string }[]
}

/** Who sees a point so high above its ground, how well: exact, not from the cells of a survey. */
export function whoSees(
  point: PlanPoint,
  heightM: number,
  cameras: readonly SurveyCamera[],
  setting: Setting,
  edition: Edition,
): Asked {
  const at = { ...point, z: heightM + groundM(setting.land, point) }
  const seen: Seen[] = []
  const hidden: { mark: string; by: string }[] = []
  for (const {
    deviceId,
    mark,
    eye: { imager, pose },
  } of cameras) {
    const pictured = project(imager, pose, at)
    if (!pictured || !inFrame(imager, pictured)) continue
    const hit = hiddenBy(setting, pose, at)
    if (hit) hidden.push({ mark, by: hit.name })
    else {
      const densityPxM = densityAt(imager, pose, at)
      seen.push({ deviceId, mark, densityPxM, level: levelReached(densityPxM, edition) })
    }
  }
  return { seen: seen.sort((a, b) => b.densityPxM - a.densityPxM), hidden }
}

/** A camera on a walk, with the shutter that smears it. */
export interface WalkCamera extends SurveyCamera {
  readonly shutterS: number
}

export interface WalkSeen {
  readonly mark: string
  readonly deviceId: string
  /** Seconds in view, of these seconds with the face towards the camera, and the best moment. */
  readonly inViewS: number
  readonly facingS: number
  readonly bestPxM: number
  readonly bestAtS: number
  readonly bestLevel: LevelId | null
  readonly faceAngleDeg: number
  readonly blurPx: number
  /** Density (px/m) at each moment; 0 while out of view. */
  readonly densities: readonly number[]
}

export interface Walked {
  readonly lengthM: number
  readonly timesS: readonly number[]
  readonly at: readonly PlanPoint[]
  /** Cameras that see any of it, in order of first sight. */
  readonly cameras: readonly WalkSeen[]
  /** Stretches that nobody sees. */
  readonly gaps: readonly {
    readonly fromS: number
    readonly toS: number
    readonly lengthM: number
    readonly from: PlanPoint
    readonly to: PlanPoint
  }[]
}

const MOST_MOMENTS = 1200

/** Walks a path at the usual speed and says what each camera sees of the face, moment by moment. */
export function walk(
  path: readonly PlanPoint[],
  cameras: readonly WalkCamera[],
  setting: Setting,
  edition: Edition,
): Walked {
  const speed = SIGHT_LIMITS.walkingMS.value
  const legs = path
    .slice(1)
    .map((to, i) => ({ from: path[i]!, to, lengthM: distanceM(path[i]!, to) }))
    .filter(({ lengthM }) => lengthM > 0)
  const lengthM = legs.reduce((sum, leg) => sum + leg.lengthM, 0)
  const count = Math.max(2, Math.min(MOST_MOMENTS, Math.ceil(lengthM / speed / 0.1) + 1))
  const stepM = lengthM / (count - 1)
  const at: PlanPoint[] = []
  const heading: PlanPoint[] = []
  let [leg, before] = [0, 0]
  for (let i = 0; i < count; i++) {
    const gone = Math.min(i * stepM, lengthM)
    while (leg < legs.length - 1 && gone > before + legs[leg]!.lengthM) before += legs[leg++]!.lengthM
    const now = legs[leg]!
    at.push(between(now.from, now.to, Math.min(1, (gone - before) / now.lengthM)))
    heading.push({ x: (now.to.x - now.from.x) / now.lengthM, y: (now.to.y - now.from.y) / now.lengthM })
  }
  const timesS = at.map((_, i) => (i * stepM) / speed)
  const stepS = stepM / speed
  const watched = new Uint8Array(count)
  const results: (WalkSeen & { first: number })[] = []
  const faces = at.map((point) => ({
    ...point,
    z: SIGHT_LIMITS.faceHeightM.value + groundM(setting.land, point),
  }))
  for (const camera of cameras) {
    const { imager, pose } = camera.eye
    let [views, facing, best, first] = [0, 0, -1, -1]
    const densities = at.map((point, i) => {
      const face = faces[i]!
      const pictured = project(imager, pose, face)
      if (!pictured || !inFrame(imager, pictured) || hiddenBy(setting, pose, face)) return 0
      watched[i] = 1
      views++
      if (first < 0) first = i
      const towards = distanceM(point, pose)
      const cos =
        towards === 0
          ? 1
          : ((pose.x - point.x) * heading[i]!.x + (pose.y - point.y) * heading[i]!.y) / towards
      if (cos >= Math.cos((SIGHT_LIMITS.turnedFaceDeg.value * Math.PI) / 180)) facing++
      return densityAt(imager, pose, face)
    })
    if (views === 0) continue
    densities.forEach((density, i) => {
      if (best < 0 || density > densities[best]!) best = i
    })
    const bestPxM = densities[best]!
    results.push({
      mark: camera.mark,
      deviceId: camera.deviceId,
      inViewS: views * stepS,
      facingS: facing * stepS,
      bestPxM,
      bestAtS: timesS[best]!,
      bestLevel: levelReached(bestPxM, edition),
      faceAngleDeg: depressionDeg(pose.z, faces[best]!.z, distanceM(at[best]!, pose)),
      blurPx: speed * camera.shutterS * bestPxM,
      densities,
      first,
    })
  }
  const gaps: Walked['gaps'][number][] = []
  for (let i = 0; i < count; i++) {
    if (watched[i]) continue
    const start = i
    while (i + 1 < count && !watched[i + 1]) i++
    gaps.push({
      fromS: timesS[start]!,
      toS: timesS[i]!,
      lengthM: (i - start) * stepM,
      from: at[start]!,
      to: at[i]!,
    })
  }
  return {
    lengthM,
    timesS,
    at,
    cameras: results.sort((a, b) => a.first - b.first).map(({ first: _, ...rest }) => rest),
    gaps: gaps.filter((gap) => gap.lengthM > 0.2),
  }
}

/** Name of a level, or how far below the lowest it is. */
export const levelName = (level: LevelId | null): string =>
  level === null ? 'below every level' : LEVELS[level].name.toLowerCase()
