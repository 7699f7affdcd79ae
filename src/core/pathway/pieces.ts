import { distanceM, type PlanPoint } from '../geometry'
import type { Lane } from './network'
import type { Trace, Way } from './way'

/** A piece of one or more ways, between neighbouring places at which some way comes or goes. */
export interface Piece {
  /** Null beside the pathways. */
  readonly lane: Lane | null
  /** As it lies along its pathway; beside the pathways on the plan, m. */
  readonly lengthM: number
  /** The ways that pass it, by their place in the list. */
  readonly ways: Set<number>
}

/** A piece as a way passes it: `back` where that is from its second end to its first. */
export interface Passage {
  readonly piece: number
  readonly back: boolean
}

/** All ways as pieces, every piece once, and every way as what it passes from where it ends outwards. */
export function piecesOf(ways: readonly Way[]): {
  readonly pieces: readonly Piece[]
  readonly walks: readonly (readonly Passage[])[]
} {
  const pieces: Piece[] = []
  const add = (lane: Lane | null, lengthM: number): number =>
    pieces.push({ lane, lengthM, ways: new Set() }) - 1
  const lanes = cutLanes(ways, add)
  const besides = new Map<string, number>()
  const agains = new Map<string, number>()

  const walks = ways.map(({ traces }, way) => {
    const walk: Passage[] = []
    const pass = (piece: number, back: boolean) => {
      let [passed, time] = [piece, 1]
      // What a way passes twice is two pieces beside each other.
      for (; pieces[passed]!.ways.has(way); time++)
        passed = known(agains, `${piece} ${time}`, () => add(pieces[piece]!.lane, pieces[piece]!.lengthM))
      pieces[passed]!.ways.add(way)
      walk.push({ piece: passed, back })
    }
    for (const { floor, points, on } of traces.toReversed())
      if (on) {
        const { first, places } = lanes.get(on.lane)!
        const [start, end] = [places.get(on.to)!, places.get(on.from)!]
        for (let at = start; at < end; at++) pass(first + at, false)
        for (let at = start; at > end; at--) pass(first + at - 1, true)
      } else {
        const outwards = points.toReversed()
        const back = comesAfter(outwards[0]!, points[0]!)
        const key = JSON.stringify([floor, back ? points : outwards])
        pass(
          known(besides, key, () => add(null, lengthOf(points))),
          back,
        )
      }
    return walk
  })
  return { pieces, walks }
}

function known<K>(of: Map<K, number>, key: K, make: () => number): number {
  const found = of.get(key)
  if (found !== undefined) return found
  const made = make()
  of.set(key, made)
  return made
}

/** By lane, the first of its pieces, and by share the place of every cut in it. */
function cutLanes(ways: readonly Way[], add: (lane: Lane, lengthM: number) => number) {
  const cuts = new Map<Lane, Set<number>>()
  for (const { on } of ways.flatMap(({ traces }): readonly Trace[] => traces)) {
    if (!on) continue
    const shares = cuts.get(on.lane) ?? new Set()
    cuts.set(on.lane, shares.add(on.from).add(on.to))
  }
  return new Map(
    [...cuts].map(([lane, set]) => {
      const shares = [...set].sort((a, b) => a - b)
      const longM = lane.lengthM + Math.abs(lane.riseM)
      const added = shares.slice(1).map((share, i) => add(lane, (share - shares[i]!) * longM))
      return [lane, { first: added[0] ?? 0, places: new Map(shares.map((share, i) => [share, i])) }]
    }),
  )
}

const comesAfter = (a: PlanPoint, b: PlanPoint): boolean => (a.x === b.x ? a.y > b.y : a.x > b.x)

const lengthOf = (points: readonly PlanPoint[]): number =>
  points.slice(1).reduce((sum, point, i) => sum + distanceM(points[i]!, point), 0)
