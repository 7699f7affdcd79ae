import type { TubePull, PullSpot } from '../parts'
import { bestPullN, ROUTE_LIMITS } from '../route'
import { lengthOf, type Straight } from './sections'

/** How hard a cable pulls through conduits, and where a pull point helps. */

const RAD = Math.PI / 180
const GRAVITY = 9.81

/** The turn from one piece to the next, degrees. */
function turnDeg(a: Straight, b: Straight): number {
  const cross = Math.hypot(a.dy * b.dz - a.dz * b.dy, a.dz * b.dx - a.dx * b.dz, a.dx * b.dy - a.dy * b.dx)
  return Math.atan2(cross, a.dx * b.dx + a.dy * b.dy + a.dz * b.dz) / RAD
}

/** All turns together, degrees. */
export const bendsDeg = (straights: readonly Straight[]): number =>
  straights.slice(1).reduce((sum, next, i) => sum + turnDeg(straights[i]!, next), 0)

export const lengthM = (straights: readonly Straight[]): number =>
  straights.reduce((sum, one) => sum + lengthOf(one), 0)

/** The same way back. */
const reversed = (straights: readonly Straight[]): Straight[] =>
  straights.toReversed().map((one) => ({ ...one, dx: -one.dx, dy: -one.dy, dz: -one.dz }))

/** Weight of a metre of cable, N, by its diameter. */
export const weightNPerM = (diameterMm: number): number =>
  ROUTE_LIMITS.cableDensity.value * (Math.PI / 4) * diameterMm ** 2 * 1e-3 * GRAVITY

/**
 * Tension, N, of a cable of so much weight (N/m) that comes out at the last end: along a straight weight and
 * friction add, in a bend it grows by e to the friction times the angle (capstan). Fed in without drag.
 */
export function pulledOutN(straights: readonly Straight[], weight: number, friction: number): number {
  let tension = 0
  for (const [i, one] of straights.entries()) {
    if (i > 0) tension *= Math.exp(friction * turnDeg(straights[i - 1]!, one) * RAD)
    tension = Math.max(0, tension + weight * (friction * Math.hypot(one.dx, one.dy) + one.dz))
  }
  return tension
}

/** What one cable of a pull is, and how many lie together. */
export interface Pulled {
  readonly diameterMm: number
  readonly pullN: number
  readonly together: number
  readonly only: TubePull['only']
}

/** Drawn out at either end, N. */
export function pullsN(
  straights: readonly Straight[],
  { diameterMm, together }: Pick<Pulled, 'diameterMm' | 'together'>,
): TubePull['pullN'] {
  const { pullFriction, crowding } = ROUTE_LIMITS
  const weight = weightNPerM(diameterMm) * (together > 1 ? crowding.value : 1)
  return {
    toHeadEnd: pulledOutN(straights, weight, pullFriction.value),
    toDevice: pulledOutN(reversed(straights), weight, pullFriction.value),
  }
}

const SLIP = 1e-6

/** Whether it can be drawn in one pull: its length, its bends, and from the better end its tension. */
function inOnePull(straights: readonly Straight[], pulled: Pulled): boolean {
  const { pullM, pullBendsDeg } = ROUTE_LIMITS
  if (lengthM(straights) > pullM.value + SLIP) return false
  if (bendsDeg(straights) > pullBendsDeg.value + SLIP) return false
  return bestPullN({ pullN: pullsN(straights, pulled), only: pulled.only }) <= pulled.pullN
}

/** Pull points are looked for at the bends, and every so far between them, m. */
const EVERY_M = 0.5

/**
 * Where pull points bring every pull within what it may be: each as far on as it goes, so that there are as
 * few as can be; none where it is. Null where none help.
 */
export function pointsAt(straights: readonly Straight[], pulled: Pulled): readonly PullSpot[] | null {
  const spots: PullSpot[] = []
  let left = straights
  let goneM = 0
  while (!inOnePull(left, pulled)) {
    const starts = left.map((_, i) => lengthM(left.slice(0, i)))
    const totalM = lengthM(left)
    const steps = Array.from({ length: Math.floor(totalM / EVERY_M) }, (_, i) => (i + 1) * EVERY_M)
    const places = [...new Set([...steps, ...starts])].sort((a, b) => a - b)
    // A pull grows with its length: the first place at which it is too much is found by halving.
    let [low, high] = [0, places.length - 1]
    while (low < high) {
      const middle = Math.ceil((low + high) / 2)
      if (inOnePull(parted(left, places[middle]!)[0], pulled)) low = middle
      else high = middle - 1
    }
    const alongM = places[low]!
    if (alongM <= 0) return null
    const [, rest] = parted(left, alongM)
    const [next] = rest
    if (!next) return null
    goneM += alongM
    spots.push({ alongM: goneM, floor: next.floor, at: next.at, heightM: next.heightM })
    left = rest
  }
  return spots
}

/** A line of straights in two, so far along it. */
function parted(straights: readonly Straight[], alongM: number): [Straight[], Straight[]] {
  const [before, after]: [Straight[], Straight[]] = [[], []]
  let goneM = 0
  for (const one of straights) {
    const share = (alongM - goneM) / lengthOf(one)
    goneM += lengthOf(one)
    if (share >= 1 - 1e-9) before.push(one)
    else if (share <= 1e-9) after.push(one)
    else {
      before.push(scaled(one, share))
      const { x, y } = one.at
      const rest = scaled(one, 1 - share)
      after.push({
        ...rest,
        at: { x: x + share * one.dx, y: y + share * one.dy },
        heightM: one.heightM + share * one.dz,
      })
    }
  }
  return [before, after]
}

const scaled = (one: Straight, by: number): Straight => ({
  ...one,
  dx: one.dx * by,
  dy: one.dy * by,
  dz: one.dz * by,
})
