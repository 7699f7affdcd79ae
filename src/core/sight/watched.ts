import { areaM2, boundsOf, type Outline } from '../geometry'
import { LEVELS, type Edition, type LevelId } from '../job/choices'
import type { ThingOf } from '../job/plan'
import type { Eye, SurveyCamera } from './eye'
import { eachSeen } from './footprint'
import { scratchFor } from './look'
import { cellCount, cellMiddle, fillOutline, FINEST_CELL_M, gridOver, type Grid } from './grid'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { groundM } from './land'
import { hiddenBy, type Setting } from './occluders'
import { nameOf } from '../plan'
import { OUTSIDE, takeOut, WATCHED } from './ground'

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

/** Cells of a small area are finer, so that a doorway is not judged by three of them. */
export function areaGrid({ outline }: { readonly outline: Outline }): Grid {
  const cellM = Math.min(FINEST_CELL_M, Math.sqrt(areaM2(outline)) / 16)
  return gridOver(boundsOf(outline)!, cellM)
}

/** Nobody may be made out: coarser will do. */
export const privacyGrid = ({ outline }: { readonly outline: Outline }): Grid =>
  gridOver(boundsOf(outline)!, Math.max(0.1, Math.sqrt(areaM2(outline)) / 12))

export function surveyArea(
  area: ThingOf<'area'>,
  cameras: readonly SurveyCamera[],
  setting: Setting,
): AreaResult {
  const { outline, targetHeightM, level } = area
  const need = LEVELS[level].densityPxM
  const grid = areaGrid(area)
  const cells = cellCount(grid)
  const inside = new Uint8Array(cells)
  fillOutline(grid, inside, outline, WATCHED)
  takeOut(setting.solids, setting.land, grid, targetHeightM, inside, OUTSIDE)
  const best = new Float32Array(cells)
  const at = new Uint8Array(cells)
  const hiddenFrom = new Int16Array(cells).fill(-1) // the camera that would see it best, were it not hidden
  const hiddenPxM = new Float32Array(cells)
  const metBy = new Array<number>(cameras.length).fill(0)
  const scratch = scratchFor(grid)
  for (const [index, { eye }] of cameras.entries()) {
    eachSeen(eye, setting, grid, targetHeightM, scratch, (cell, density, hidden) => {
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
        const at = cellMiddle(grid, cell)
        const z = targetHeightM + groundM(setting.land, at)
        const hit = hiddenBy(setting, cameras[hiddenFrom[cell]!]!.eye.pose, { ...at, z })
        if (hit) hiders.set(hit.name, (hiders.get(hit.name) ?? 0) + 1)
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

export function surveyPrivacy(
  thing: ThingOf<'privacy'>,
  cameras: readonly SurveyCamera[],
  setting: Setting,
  edition: Edition,
): PrivacyResult {
  const seenBy = cameras.flatMap(({ mark, deviceId, eye }) => {
    const { share, bestPxM } = lookingInto(thing, eye, setting)
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
  setting: Setting,
): { readonly share: number; readonly bestPxM: number } {
  const grid = privacyGrid({ outline })
  const inside = new Uint8Array(cellCount(grid))
  fillOutline(grid, inside, outline, WATCHED)
  const all = inside.reduce((sum, cell) => sum + cell, 0)
  let [seen, bestPxM] = [0, 0]
  eachSeen(eye, setting, grid, SIGHT_LIMITS.faceHeightM.value, scratchFor(grid), (cell, density, hidden) => {
    if (hidden || inside[cell] !== WATCHED) return
    seen++
    bestPxM = Math.max(bestPxM, density)
  })
  return { share: all === 0 ? 0 : seen / all, bestPxM }
}
