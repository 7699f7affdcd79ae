import { distanceM, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { SPACES } from '../job/spaces'
import { nameOf, type PlanThing, type ThingOf } from '../plan'
import { PATHWAY_LIMITS } from './limits'
import { pointsBetween, pullStop, type Lane } from './network'
import type { Trace, Way } from './way'

/** A straight piece of a conduit as a cable passes it, m: on the plan and up. */
export interface Straight {
  readonly dx: number
  readonly dy: number
  readonly dz: number
  /** Where it begins. */
  readonly floor: Floor
  readonly at: PlanPoint
  readonly heightM: number
}

/** What a cable is drawn through in one pull, from the device on. */
export interface Section {
  readonly stretches: readonly Stretch[]
  readonly straights: readonly Straight[]
}

/** A lane from one share of it to another. */
export interface Stretch {
  readonly lane: Lane
  readonly from: number
  readonly to: number
}

export type PullPoint = ThingOf<'pull point'>
export const isPullPoint = (thing: PlanThing): thing is PullPoint => thing.kind === 'pull point'

/**
 * The pulls that a way is made in: through conduits and ducts that follow each other, parted where a pull
 * point lies. Out of them a cable is reached anywhere.
 */
export function sectionsOf({ traces }: Way, points: readonly PullPoint[]): readonly Section[] {
  const sections: Stretch[][] = []
  let open: Stretch[] = []
  const end = () => {
    if (open.length > 0) sections.push(open)
    open = []
  }
  for (const trace of traces) {
    if (!trace.on) {
      if (!joins(trace)) end()
      continue
    }
    const { on } = trace
    if (!SPACES[on.lane.pathway.space].tube) end()
    else
      for (const [i, stretch] of partedBy(on, points).entries()) {
        if (i > 0) end()
        if (stretch.from !== stretch.to) open.push(stretch)
      }
  }
  end()
  return sections.map((stretches) => ({ stretches, straights: stretches.flatMap(straightsOf) }))
}

/** From one pathway to the next, not off them to a device. */
const joins = ({ points }: Trace): boolean =>
  points.slice(1).every((point, i) => distanceM(points[i]!, point) <= PATHWAY_LIMITS.joinM.value + 1e-9)

/** A stretch in pieces between its pull points; the first and last are empty where one lies at its end. */
export function partedBy({ lane, from, to }: Stretch, points: readonly PullPoint[]): Stretch[] {
  const longM = lane.lengthM + Math.abs(lane.riseM)
  const [low, high] = [Math.min(from, to), Math.max(from, to)]
  const slack = longM > 0 ? PATHWAY_LIMITS.joinM.value / longM : 0
  const shares = points.flatMap((point) => {
    const stop = pullStop(lane, point)
    return stop && stop.share >= low - slack && stop.share <= high + slack ? [stop.share] : []
  })
  const within = shares.map((share) => {
    if (share <= low + slack) return low
    return share >= high - slack ? high : share
  })
  const cuts = [...new Set(within)].sort((a, b) => (from < to ? a - b : b - a))
  const stops = [from, ...cuts, to]
  return stops.slice(1).map((share, i) => ({ lane, from: stops[i]!, to: share }))
}

/** What goes straight up is one piece; else a piece from each point of the path to the next. */
export function straightsOf({ lane, from, to }: Stretch): readonly Straight[] {
  const { pathway, riseM, lengthM } = lane
  const { floor } = pathway
  const heightAt = (share: number) => pathway.heightM + share * riseM
  if (lengthM === 0)
    return [{ dx: 0, dy: 0, dz: (to - from) * riseM, floor, at: pathway.path[0]!, heightM: heightAt(from) }]
  const points = pointsBetween(lane, from, to)
  const way = Math.sign(to - from)
  let heightM = heightAt(from)
  return points.slice(1).flatMap((point, i) => {
    const at = points[i]!
    const dz = (way * riseM * distanceM(at, point)) / lengthM
    const straight = { dx: point.x - at.x, dy: point.y - at.y, dz, floor, at, heightM }
    heightM += dz
    return lengthOf(straight) > 1e-9 ? [straight] : []
  })
}

/** How long a piece is as it lies, m. */
export const lengthOf = ({ dx, dy, dz }: Straight): number => Math.hypot(dx, dy, dz)

/** How many cables lie in a lane from one share of it to the next; the last count is 0. */
export type Crowd = readonly { readonly from: number; readonly count: number }[]

/** By lane, how many cables lie where in it. */
export function crowdsOf(stretches: readonly Stretch[]): ReadonlyMap<Lane, Crowd> {
  const changes = new Map<Lane, Map<number, number>>()
  for (const { lane, from, to } of stretches) {
    const of = changes.get(lane) ?? new Map<number, number>()
    const [low, high] = [Math.min(from, to), Math.max(from, to)]
    of.set(low, (of.get(low) ?? 0) + 1)
    of.set(high, (of.get(high) ?? 0) - 1)
    changes.set(lane, of)
  }
  return new Map(
    [...changes].map(([lane, of]) => {
      let count = 0
      const rising = [...of].sort(([a], [b]) => a - b)
      return [lane, rising.map(([from, change]) => ({ from, count: (count += change) }))]
    }),
  )
}

/** The most cables that lie together at one place of a section. */
export function togetherIn({ stretches }: Section, crowds: ReadonlyMap<Lane, Crowd>): number {
  let most = 1
  for (const { lane, from, to } of stretches) {
    const [low, high] = [Math.min(from, to), Math.max(from, to)]
    const crowd = crowds.get(lane) ?? []
    crowd.forEach((piece, i) => {
      const ends = crowd[i + 1]?.from ?? piece.from
      if (piece.from < high && ends > low) most = Math.max(most, piece.count)
    })
  }
  return most
}

/** What a section goes through, by name. */
export function namesOf({ stretches }: Section): readonly string[] {
  const names = stretches.map(({ lane: { pathway } }) =>
    pathway.name === '' ? SPACES[pathway.space].name : nameOf(pathway),
  )
  return names.filter((name, i) => name !== names[i - 1])
}
