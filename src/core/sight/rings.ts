import {
  boundsOf,
  contains,
  middleOf,
  signedAreaM2,
  type Bounds,
  type Outline,
  type PlanPoint,
} from '../geometry'
import { LEVELS, type Edition, type LevelId } from '../job/choices'
import { oncePer } from '../once'
import { ringsOf, traced, type Traced } from './contour'
import { type Grid } from './grid'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { WATCHED } from './ground'
import type { Survey } from './survey'

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

/** The places where a value of the grid is at least a threshold: each its outer ring, then its holes. */
export const ringsAt = (grid: Grid, values: ArrayLike<number>, threshold: number, smooth: boolean) =>
  placesOf(ringsOf(grid, values, threshold, smooth))

/** What is measured of a ring: once, for most stay as they are while a camera moves. */
interface Measures {
  /** Below 0 with the clock. */
  readonly signedM2: number
  readonly box: Bounds
  readonly middle: PlanPoint
}
const measuresOf = oncePer(
  (ring: Outline): Measures => ({
    signedM2: signedAreaM2(ring),
    box: boundsOf(ring)!,
    middle: middleOf(ring),
  }),
)
const sizeM2 = (ring: Outline): number => Math.abs(measuresOf(ring).signedM2)

/** Rings put together: each outer one with its holes. */
function placesOf(all: readonly PlanPoint[][]): PlanPoint[][][] {
  const rings = all.filter((ring) => ring.length > 2)
  const outer = rings
    .filter((ring) => measuresOf(ring).signedM2 < 0)
    .map((ring) => ({ rings: [ring], box: measuresOf(ring).box }))
    .sort((a, b) => sizeM2(a.rings[0]!) - sizeM2(b.rings[0]!))
  for (const hole of rings.filter((ring) => measuresOf(ring).signedM2 > 0)) {
    const [{ x, y }] = hole as [PlanPoint]
    // An island may lie in the hole of a larger one: what a hole is cut from is the smallest round it.
    outer
      .find(
        ({ box, rings: [ring] }) =>
          x > box.left && x < box.right && y > box.bottom && y < box.top && contains(ring!, { x, y }),
      )
      ?.rings.push(hole)
  }
  return outer.map((one) => one.rings)
}

/** Where nobody looks; with what was traced before on the same grid, what changed anew. */
export function blindSpots(
  grid: Grid,
  ground: Uint8Array,
  count: Uint8Array,
  before: Traced | null,
): Pick<Survey, 'blindSpots' | 'watchedM2' | 'blindM2'> & { readonly traced: Traced } {
  const blind = new Uint8Array(ground.length)
  let [watched, unseen] = [0, 0]
  // Without branches: a hand drags while it runs.
  for (let i = 0; i < blind.length; i++) {
    const isWatched = ground[i] === WATCHED ? 1 : 0
    const isBlind = isWatched & (count[i] === 0 ? 1 : 0)
    watched += isWatched
    unseen += isBlind
    blind[i] = isBlind
  }
  const cellM2 = grid.cellM * grid.cellM
  const now = traced(before, { grid, values: blind, thresholds: [0.5], smooth: false })
  const spots = placesOf(now.rings[0]!.map(({ ring }) => ring))
    .map(
      (rings): BlindSpot => ({
        rings,
        middle: measuresOf(rings[0]!).middle,
        sizeM2: rings.reduce((sum, ring, i) => sum + (i === 0 ? 1 : -1) * sizeM2(ring), 0),
      }),
    )
    .filter(({ sizeM2 }) => sizeM2 >= SIGHT_LIMITS.leastBlindM2.value)
    .sort((a, b) => b.sizeM2 - a.sizeM2)
  return { blindSpots: spots, watchedM2: watched * cellM2, blindM2: unseen * cellM2, traced: now }
}

/** The lines of an edition's levels; with what was traced before on the same grid, what changed anew. */
export function contourLines(
  grid: Grid,
  best: Float32Array,
  edition: Edition,
  before: Traced | null,
): { readonly contours: readonly ContourLine[]; readonly traced: Traced } {
  const levels = levelsOf(edition)
  const thresholds = levels.map((level) => LEVELS[level].densityPxM)
  const now = traced(before, { grid, values: best, thresholds, smooth: true })
  const contours = levels.map((level, at) => ({
    level,
    densityPxM: thresholds[at]!,
    rings: now.rings[at]!.map(({ ring }) => ring).filter((ring) => ring.length > 3),
  }))
  return { contours, traced: now }
}
