import { between, boundsOf, distanceM, nearestOn, type Bounds, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { SPACES, type JacketNeed } from '../job/spaces'
import type { PlanThing, ThingOf } from '../plan'
import { ROUTE_LIMITS } from '../route'
import { riseM, type World } from '../sight'
import { PATHWAY_LIMITS } from './limits'

/** Pathways as a graph: stops along them, joined along a pathway and from one to another. */

export type Pathway = ThingOf<'pathway'>

/** A place that cables come from, go to or pass. */
export interface Spot {
  readonly floor: Floor
  readonly at: PlanPoint
  /** Above its floor, m. */
  readonly heightM: number
}

/** A point of a pathway, and the share of the pathway that leads up to it. */
export interface Stop extends Spot {
  readonly lane: Lane
  readonly share: number
}

/** A pathway that can be passed. */
export interface Lane {
  readonly pathway: Pathway
  /** On the plan, m; 0 where it goes straight up. */
  readonly lengthM: number
  /** How far each of its points lies along it on the plan, m. */
  readonly lengths: readonly number[]
  readonly bounds: Bounds
  /** From its start to its end, m; below 0 where it falls. */
  readonly riseM: number
  readonly endFloor: Floor
}

/** On the plan and upright, m, and its labour, minutes. */
export interface Measures {
  readonly lengthM: number
  readonly riseM: number
  readonly minutes: number
}

/** From one stop to the next. */
export interface Step extends Measures {
  readonly to: Stop
  /** Along its lane, not from one point to another that it meets. */
  readonly along: boolean
}

/** What cannot be passed, and why. */
export interface Shut {
  readonly pathway: Pathway
  readonly why: string
}

/** A device that a run is led to, where it stands. */
export interface DeviceEnd {
  readonly deviceId: string
  readonly spot: Spot
}

/** What a cable is led to: equipment by the id of its thing, a device, or null for the head end. */
export type LedTo = string | DeviceEnd | null

/** A place that cables are led to, at a lane: equipment by the id of its thing, null for a head end. */
export interface Goal {
  readonly to: string | null
  readonly spot: Spot
  readonly stop: Stop
}

export interface Network {
  /** None where there is more to look through than anybody waits for. */
  readonly lanes: readonly Lane[]
  readonly crowded: boolean
  /** Lanes that may be within reach of a spot; none that are is missing. */
  readonly near: (spot: Spot) => readonly Lane[]
  readonly shut: readonly Shut[]
  /** Where every place that cables are led to is brought to a lane. */
  readonly goals: readonly Goal[]
  /** The stops of every lane, in order: apart from it, so that a way told elsewhere takes none with it. */
  readonly stops: ReadonlyMap<Lane, readonly Stop[]>
  readonly steps: ReadonlyMap<Stop, readonly Step[]>
}

/** The graph of everything drawn. Pure; its time grows as drawn points times the pathways near each. */
export function networkOf(world: World, mostLooks = PATHWAY_LIMITS.mostLooks.value): Network {
  const shut = shutOn(world)
  const isShut = new Set(shut.map(({ pathway }) => pathway))
  const lanes = world.things.filter(isPathway).flatMap((pathway): Lane[] => {
    const endFloor = pathway.endFloor ?? pathway.floor
    const up = riseM(world, pathway.floor, endFloor)
    if (up === null || isShut.has(pathway)) return []
    const lengths = lengthsTo(pathway.path)
    const bounds = boundsOf(pathway.path)!
    const lengthM = lengths.at(-1)!
    return [{ pathway, lengthM, lengths, bounds, riseM: up + pathway.endM - pathway.heightM, endFloor }]
  })
  const stops: StopsOf = new Map(lanes.map((lane) => [lane, drawnStops(lane)]))
  const joinM = PATHWAY_LIMITS.joinM.value
  const near = lanesBy(lanes, PATHWAY_LIMITS.reachM.value)
  const meeting = lanesBy(lanes, joinM)
  const met = new Map<Stop, Set<Stop>>()
  let looks = 0
  const drawn = new Map([...stops].map(([lane, of]) => [lane, [...of]]))
  for (const stop of [...drawn.values()].flat())
    for (const lane of meeting(stop)) {
      if (++looks > mostLooks) return { ...NOTHING, shut, crowded: true }
      // A pathway meets itself where it comes back to a point of its own.
      const there = lane === stop.lane ? drawn.get(lane)! : [nearestStop(lane, stop, joinM)]
      for (const one of there) {
        if (!one || !meet(stop, one)) continue
        const other = kept(one, stops)
        if (other === stop || met.get(other)?.has(stop)) continue
        met.set(stop, (met.get(stop) ?? new Set()).add(other))
      }
    }
  const goals = world.things.flatMap((thing): Goal[] => {
    const to = thing.kind === 'equipment' ? thing.id : null
    const spot = goalSpot(thing)
    if (!spot) return []
    return near(spot).flatMap((lane) => {
      const there = broughtOnto(lane, spot)
      return there ? [{ to, spot, stop: kept(there, stops) }] : []
    })
  })
  const steps = new Map<Stop, Step[]>()
  // Written out: tens of thousands of them are made, and a spread costs ten times as much.
  const join = (a: Stop, b: Stop, { lengthM, riseM, minutes }: Measures, along: boolean) => {
    add(steps, a, { to: b, lengthM, riseM, minutes, along })
    add(steps, b, { to: a, lengthM, riseM: -riseM, minutes, along })
  }
  for (const [stop, others] of met) for (const other of others) join(stop, other, fromTo(stop, other), false)
  for (const [lane, of] of stops) {
    of.sort((a, b) => a.share - b.share)
    of.slice(1).forEach((next, i) => join(of[i]!, next, alongLane(lane, of[i]!.share, next.share), true))
  }
  return { lanes, crowded: false, near, shut, goals, stops, steps }
}

/** From a stop of one lane to one that it meets. */
function fromTo(a: Stop, b: Stop): Measures {
  const [one, other] = [a.lane.pathway, b.lane.pathway]
  const [lengthM, riseM] = [distanceM(a.at, b.at), b.heightM - a.heightM]
  const change = one.space === other.space ? 0 : PATHWAY_LIMITS.changeMin.value
  const perM = Math.max(one.minutesPerM, other.minutesPerM)
  return { lengthM, riseM, minutes: change + perM * (lengthM + Math.abs(riseM)) }
}

const NOTHING: Network = {
  lanes: [],
  crowded: false,
  near: () => [],
  shut: [],
  goals: [],
  stops: new Map(),
  steps: new Map(),
}

/** From one share of a lane to another: on the plan and upright, m, and its labour, minutes. */
export function alongLane(lane: Lane, from: number, to: number): Measures {
  const { pathway } = lane
  const [lengthM, rise] = [Math.abs(to - from) * lane.lengthM, (to - from) * lane.riseM]
  const mains = pathway.besideMains ? PATHWAY_LIMITS.besideMainsMinPerM.value : 0
  return { lengthM, riseM: rise, minutes: (pathway.minutesPerM + mains) * (lengthM + Math.abs(rise)) }
}

/** The nearest point of a lane to a spot, on a floor that both are on; null where none is within reach. */
function nearestStop(lane: Lane, spot: Spot, reachM: number): Stop | null {
  const { pathway, endFloor, bounds } = lane
  const { x, y } = spot.at
  const farM = reachM + SLIP_M
  if (x < bounds.left - farM || x > bounds.right + farM) return null
  if (y < bounds.bottom - farM || y > bounds.top + farM) return null
  const onStart = pathway.floor === spot.floor
  if (!onStart && endFloor !== spot.floor) return null
  const there = stopAt(lane, onStart ? nearestShare(lane, spot) : 1, spot.floor)
  return distanceM(there.at, spot.at) <= farM ? there : null
}

/** Where a device or the head end is brought to a lane; null where it is too far from it. */
export function broughtOnto(lane: Lane, spot: Spot): Stop | null {
  const reachM = PATHWAY_LIMITS.reachM.value
  const there = nearestStop(lane, spot, reachM)
  if (!there) return null
  const awayM = distanceM(there.at, spot.at) + Math.abs(there.heightM - spot.heightM)
  return awayM <= reachM + SLIP_M ? there : null
}

/** Where a pull point lies on a lane; null where it does not. */
export function pullStop(lane: Lane, spot: Spot): Stop | null {
  const there = nearestStop(lane, spot, PATHWAY_LIMITS.joinM.value)
  const close = there && Math.abs(there.heightM - spot.heightM) <= PATHWAY_LIMITS.joinRiseM.value + SLIP_M
  return close ? there : null
}

/** What the space of a pathway asks of a jacket that does not stand it. */
export const notStood = ({ space }: Pathway, stands: readonly JacketNeed[]): readonly JacketNeed[] =>
  SPACES[space].asks.filter((need) => !stands.includes(need))

/** The points of a lane between two shares of it, both with it. */
export function pointsBetween(lane: Lane, from: number, to: number): PlanPoint[] {
  const [low, high] = from < to ? [from, to] : [to, from]
  const { lengths } = lane
  const inside = lane.pathway.path.filter(
    (_, i) => lengths[i]! > low * lane.lengthM + SLIP_M && lengths[i]! < high * lane.lengthM - SLIP_M,
  )
  const points = [pointAt(lane, low), ...inside, pointAt(lane, high)]
  return from < to ? points : points.reverse()
}

/** Lanes by the squares of the plan that they come so near to, m: a spot looks in its own alone. */
function lanesBy(lanes: readonly Lane[], reachM: number): Network['near'] {
  const cell = (value: number) => Math.floor(value / SQUARE_M)
  const square = (x: number, y: number) => x * MOST_SQUARES + y
  const floors = new Map<Floor, Map<number, Lane[]>>()
  const on = (floor: Floor) => {
    const known = floors.get(floor) ?? new Map<number, Lane[]>()
    floors.set(floor, known)
    return known
  }
  for (const lane of lanes) {
    const { path, floor } = lane.pathway
    const both = floor === lane.endFloor ? [on(floor)] : [on(floor), on(lane.endFloor)]
    for (const [i, point] of path.slice(0, Math.max(1, path.length - 1)).entries()) {
      const { left, right, bottom, top } = boundsOf([point, path[i + 1] ?? point])!
      const farM = reachM + SLIP_M
      for (let x = cell(left - farM); x <= cell(right + farM); x++)
        for (let y = cell(bottom - farM); y <= cell(top + farM); y++)
          for (const squares of both) {
            const known = squares.get(square(x, y))
            if (!known) squares.set(square(x, y), [lane])
            // Pieces of a lane follow each other: it is the last one where it is there.
            else if (known.at(-1) !== lane) known.push(lane)
          }
    }
  }
  return ({ floor, at }) => floors.get(floor)?.get(square(cell(at.x), cell(at.y))) ?? NO_LANES
}
const SQUARE_M = 4
/** More in a row than a plan has. */
const MOST_SQUARES = 1_000_000
const NO_LANES: readonly Lane[] = []

/** What is lost in reckoning, m. */
const SLIP_M = 1e-9

const isPathway = (thing: PlanThing): thing is Pathway => thing.kind === 'pathway'

/** Where cables that end at a thing end; null where none do. */
function goalSpot(thing: PlanThing): Spot | null {
  if (thing.kind === 'equipment') return { floor: thing.floor, at: thing.at, heightM: thing.heightM }
  if (thing.kind !== 'head end') return null
  return { floor: thing.floor, at: thing.at, heightM: PATHWAY_LIMITS.headEndM.value }
}

/** The pathways that no cable can pass. */
export const shutOn = (world: World): readonly Shut[] =>
  world.things.filter(isPathway).flatMap((pathway) => {
    const why = whyShut(pathway, riseM(world, pathway.floor, pathway.endFloor ?? pathway.floor))
    return why === null ? [] : [{ pathway, why }]
  })

function whyShut({ temperatureC }: Pathway, up: number | null): string | null {
  if (up === null) return 'How high the floors at its ends lie is not entered.'
  return temperatureC > ROUTE_LIMITS.hottestC.value ? 'It is too hot for cable.' : null
}

function add(steps: Map<Stop, Step[]>, from: Stop, step: Step): void {
  const known = steps.get(from)
  if (known) known.push(step)
  else steps.set(from, [step])
}

const meet = (a: Stop, b: Stop): boolean =>
  a.floor === b.floor &&
  distanceM(a.at, b.at) <= PATHWAY_LIMITS.joinM.value + SLIP_M &&
  Math.abs(a.heightM - b.heightM) <= PATHWAY_LIMITS.joinRiseM.value + SLIP_M

type StopsOf = Map<Lane, Stop[]>

/** A stop kept with its lane; the same one where the lane has it already. */
function kept(stop: Stop, stops: StopsOf): Stop {
  const of = stops.get(stop.lane)!
  const known = of.find(({ share, floor }) => floor === stop.floor && Math.abs(share - stop.share) < 1e-12)
  if (!known) of.push(stop)
  return known ?? stop
}

/** How far every point of a path lies along it on the plan, m. */
function lengthsTo(path: readonly PlanPoint[]): number[] {
  let lengthM = 0
  return path.map((point, i) => (lengthM += i === 0 ? 0 : distanceM(path[i - 1]!, point)))
}

function pointAt({ pathway: { path }, lengths, lengthM }: Lane, share: number): PlanPoint {
  const alongM = share * lengthM
  const i = lengths.findIndex((length, at) => at > 0 && length >= alongM - SLIP_M)
  if (i < 1) return path[0]!
  const pieceM = lengths[i]! - lengths[i - 1]!
  return between(path[i - 1]!, path[i]!, pieceM > 0 ? (alongM - lengths[i - 1]!) / pieceM : 1)
}

/** The stop at a share of a lane, its height told from one of its floors. */
function stopAt(lane: Lane, share: number, floor: Floor): Stop {
  const { pathway, riseM: up } = lane
  const heightM = floor === pathway.floor ? pathway.heightM + share * up : pathway.endM - (1 - share) * up
  return { lane, share, at: pointAt(lane, share), floor, heightM }
}

/** Its drawn points; both ends of what goes straight up. The last is on the floor that it leads to. */
function drawnStops(lane: Lane): Stop[] {
  const { lengths } = lane
  const shares = lane.lengthM === 0 ? [0, 1] : lengths.map((alongM) => alongM / lane.lengthM)
  return shares.map((share) => stopAt(lane, share, share === 1 ? lane.endFloor : lane.pathway.floor))
}

/** The share of a lane that comes nearest to a spot: on the plan, or in height where it goes straight up. */
function nearestShare(lane: Lane, { at, heightM }: Spot): number {
  const { path, heightM: startM } = lane.pathway
  if (lane.lengthM === 0)
    return lane.riseM === 0 ? 0 : Math.min(1, Math.max(0, (heightM - startM) / lane.riseM))
  const { lengths } = lane
  let [share, leastM] = [0, Infinity]
  for (let i = 1; i < path.length; i++) {
    const near = nearestOn(path[i - 1]!, path[i]!, at)
    if (near.distanceM >= leastM) continue
    leastM = near.distanceM
    share = (lengths[i - 1]! + near.share * (lengths[i]! - lengths[i - 1]!)) / lane.lengthM
  }
  return Math.min(1, share)
}
