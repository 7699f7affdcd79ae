import { SPACES } from '../job/spaces'
import { nameOf } from '../plan'
import type { Conduit, ConduitGrowth } from '../parts'
import { ROUTE_LIMITS } from '../route'
import type { Lane, Pathway } from './network'
import { lengthOf, partedBy, straightsOf, type PullPoint, type Straight } from './sections'

/** Straight on: what turns less than this has no elbow that holds it. Common practice, no source. */
const STRAIGHT_DEG = 1

/** The longest straight piece of a lane between elbows and pull points, as it lies, m. */
export function longestStraightM(lane: Lane, points: readonly PullPoint[]): number {
  let longest = 0
  for (const stretch of partedBy({ lane, from: 0, to: 1 }, points)) {
    let [run, before]: [number, Straight | null] = [0, null]
    for (const straight of straightsOf(stretch)) {
      run = (before && goesOn(before, straight) ? run : 0) + lengthOf(straight)
      longest = Math.max(longest, run)
      before = straight
    }
  }
  return longest
}

/** Whether one straight piece goes on from another without an elbow. */
export function goesOn(a: Straight, b: Straight): boolean {
  const along = (a.dx * b.dx + a.dy * b.dy + a.dz * b.dz) / (lengthOf(a) * lengthOf(b))
  return along >= Math.cos((STRAIGHT_DEG * Math.PI) / 180)
}

/** Under ground all along: the soil holds it, and is never as cold or as warm. Common practice, no source. */
const isBuried = ({ space, floor, endFloor, heightM, endM }: Pathway): boolean =>
  space === 'buried duct' || (heightM < 0 && endM < 0 && (endFloor ?? floor) === floor)

/** What a conduit grows from its coldest to its warmest in its longest straight piece. */
export function growthOf(
  lane: Lane,
  points: readonly PullPoint[],
  conduits: ReadonlyMap<string, Conduit>,
): ConduitGrowth {
  const { pathway } = lane
  const perM = conduits.get(pathway.conduitId ?? '')?.growsMmPerMC
  const free = pathway.expansionFitted || isBuried(pathway)
  const straightM = longestStraightM(lane, points)
  const { coldestC, temperatureC: warmestC } = pathway
  const perMm = straightM * (warmestC - coldestC)
  return {
    pathwayId: pathway.id,
    name: pathway.name === '' ? SPACES[pathway.space].name : nameOf(pathway),
    conduitName: pathway.name || pathway.id,
    straightM,
    coldestC,
    warmestC,
    growsMm: free || perM === undefined ? null : perM * perMm,
    mostMmPerMC: free || perMm <= 0 ? null : ROUTE_LIMITS.expansionMm.value / perMm,
  }
}
