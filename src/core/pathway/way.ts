import FlatQueue from 'flatqueue'
import { distanceM, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { SPACES, type JacketNeed } from '../job/spaces'
import { nameOf } from '../plan'
import { FREELY, type Forced } from '../route/plan'
import { PATHWAY_LIMITS } from './limits'
import {
  alongLane,
  broughtOnto,
  notStood,
  pointsBetween,
  type Goal,
  type Lane,
  type LedTo,
  type Measures,
  type Network,
  type Pathway,
  type Spot,
  type Step,
  type Stop,
} from './network'

/** A stretch of a way through one pathway. */
export interface Leg {
  readonly pathway: Pathway
  /** On the plan and upright, m: what is laid is both together. Below 0 where it falls. */
  readonly lengthM: number
  readonly riseM: number
}

/** A piece of a way as it is drawn: along a lane, or from one to another. */
export interface Trace {
  readonly floor: Floor
  readonly points: readonly PlanPoint[]
  /** The lane and the shares of it that are passed; null beside the lanes. */
  readonly on: { readonly lane: Lane; readonly from: number; readonly to: number } | null
}

/** The way of a cable from a device to the head end, or to the equipment that it ends at. */
export interface Way {
  readonly legs: readonly Leg[]
  readonly traces: readonly Trace[]
  /** Rises and falls with it, m. */
  readonly lengthM: number
  readonly minutes: number
  readonly besideMainsM: number
}

export type Found = { readonly way: Way } | { readonly none: string }

/** What a cable is, for its way: a jacket that stands what the spaces ask, and what it is led to. */
export interface Laid {
  readonly stands: readonly JacketNeed[]
  /** What it ends at; left out where that is the head end. */
  readonly to?: LedTo
  /** Through what and around what somebody wants it; left out or null where the least labour will do. */
  readonly forced?: Forced | null
}

/** A way that can be chosen, and how a cable is told to take it; null where it does so by itself. */
export interface Choice {
  readonly way: Way
  readonly forced: Forced | null
}

/** What was asked before, and what came of it. */
interface Asked {
  readonly from: Spot
  readonly laid: Laid
  readonly found: Found
}

const sameSpot = (a: Spot, b: Spot): boolean =>
  a.floor === b.floor && a.at.x === b.at.x && a.at.y === b.at.y && a.heightM === b.heightM

const sameEnd = (a: LedTo | undefined, b: LedTo | undefined): boolean =>
  a === b || (!!a && !!b && typeof a === 'object' && typeof b === 'object' && sameSpot(a.spot, b.spot))

const NO_BANS: ReadonlySet<string> = new Set()
/** Other ways are looked for around so many legs: each is a look through the whole network. */
const MOST_OTHERS = 5
/** So many looks are kept. */
const MOST_TREES = 24
const laidM = ({ lengthM, riseM }: Leg): number => lengthM + Math.abs(riseM)

/**
 * Cheapest ways over one network: whoever asks for many devices asks one finder, which looks from the head
 * ends once for every kind of jacket (Dijkstra).
 */
export class WayFinder {
  private readonly trees = new Map<string, Tree>()
  private readonly found = new WeakMap<object, Asked>()

  constructor(readonly network: Network) {}

  /** The way of least labour from a spot to where it ends, around the pathways of the ids `around`. */
  find(from: Spot, laid: Laid, around: ReadonlySet<string> = NO_BANS): Found {
    const { stands, to = null } = laid
    const { network } = this
    if (network.crowded) return { none: 'More pathways lie over each other than can be looked through.' }
    if (network.lanes.length === 0) return { none: 'No pathway is drawn that a cable can take.' }
    if (goalsOf(network, to).length === 0)
      return {
        none: `${to === null ? 'No head end' : 'Nothing that it ends at'} is drawn within reach of a pathway.`,
      }
    const tree = this.tree(laid, around)
    const near = network.near(from).flatMap((lane) => {
      const stop = passable(lane, stands, around) && broughtOnto(lane, from)
      return stop ? [stop] : []
    })
    if (near.length === 0) return { none: 'No pathway that its cable may take comes near it.' }
    let best: { readonly enters: Stop; readonly by: Stop; readonly minutes: number } | null = null
    for (const enters of near)
      for (const by of [
        ...besides(network, enters),
        ...tree.ends.filter(({ lane }) => lane === enters.lane),
      ]) {
        const reached = tree.of.get(by)
        if (!reached) continue
        const minutes =
          broughtTo(from, enters).minutes + alongLane(enters.lane, enters.share, by.share).minutes
        if (!best || minutes + reached.minutes < best.minutes)
          best = { enters, by, minutes: minutes + reached.minutes }
      }
    if (!best)
      return {
        none: `The pathways near it do not lead to ${to === null ? 'a head end' : 'what it ends at'}.`,
      }
    return { way: wayOf(from, best.enters, best.by, [], tree, best.minutes) }
  }

  /** The way of least labour that goes along one pathway somewhere; null where none does. */
  findThrough(from: Spot, laid: Laid, through: string, around: ReadonlySet<string> = NO_BANS): Way | null {
    const { network } = this
    if (network.crowded || around.has(through)) return null
    const { stands } = laid
    const tree = this.tree(laid, around)
    const enters = network.near(from).flatMap((lane) => {
      const stop = passable(lane, stands, around) && broughtOnto(lane, from)
      return stop ? [stop] : []
    })
    const best = alongOne(network, from, enters, through, tree, (lane) => passable(lane, stands, around))
    return best && wayOf(from, best.enters, best.by, best.steps, tree, best.minutes)
  }

  /** The way of least labour that goes where somebody wants it, or of all where nobody does. */
  findForced(from: Spot, laid: Laid): Found {
    const { through, around } = laid.forced ?? FREELY
    const bans = new Set(around)
    if (through === null) return this.find(from, laid, bans)
    const way = this.findThrough(from, laid, through, bans)
    if (way) return { way }
    const lane = this.network.lanes.find(({ pathway }) => pathway.id === through)
    if (lane)
      return { none: `No way to where it ends goes through ${nameOf(lane.pathway)}, as it is wanted.` }
    return { none: 'The pathway that it is wanted to go through cannot be passed, or is not drawn any more.' }
  }

  /** The same for a thing that is asked about again: looked for once while it stays the same. */
  findAgain(of: object, from: Spot, laid: Laid): Found {
    const known = this.found.get(of)
    const same =
      known?.laid.stands === laid.stands &&
      known.laid.forced === laid.forced &&
      sameEnd(known.laid.to, laid.to) &&
      sameSpot(known.from, from)
    if (same) return known.found
    const found = this.findForced(from, laid)
    this.found.set(of, { from, laid, found })
    return found
  }

  /**
   * The best way, then others that each go around one of its longest legs, the least labour first; each with
   * what it would be forced by.
   */
  ways(from: Spot, laid: Laid, most = 3): readonly Choice[] {
    const best = this.find(from, laid)
    if (!('way' in best)) return []
    const longest = [...best.way.legs].sort((a, b) => laidM(b) - laidM(a))
    const used = new Set(longest.map(({ pathway }) => pathway.id))
    const others = [...used].slice(0, MOST_OTHERS).flatMap((id): Choice[] => {
      const found = this.find(from, laid, new Set([id]))
      return 'way' in found ? [{ way: found.way, forced: { through: null, around: [id] } }] : []
    })
    const words = ({ legs }: Way) => legs.map(({ pathway }) => pathway.id).join(' ')
    const known = new Map<string, Choice>()
    for (const one of [{ way: best.way, forced: null }, ...others])
      if (!known.has(words(one.way))) known.set(words(one.way), one)
    return [...known.values()].sort((a, b) => a.way.minutes - b.way.minutes).slice(0, most)
  }

  private tree({ stands, to = null }: Laid, around: ReadonlySet<string>): Tree {
    const key = JSON.stringify([[...stands].sort(), [...around].sort(), to])
    const known = this.trees.get(key)
    if (known) return known
    const tree = treeOf(this.network, to, (lane) => passable(lane, stands, around))
    if (this.trees.size >= MOST_TREES) this.trees.clear()
    this.trees.set(key, tree)
    return tree
  }
}

const passable = ({ pathway }: Lane, stands: readonly JacketNeed[], around: ReadonlySet<string>): boolean =>
  !around.has(pathway.id) && notStood(pathway, stands).length === 0

/** How a stop is left towards the goal: on to the next stop, or off the lanes to the goal itself. */
interface Reached {
  readonly minutes: number
  readonly next: Stop | null
  /** From the next stop to here: the tree grows away from the goal. */
  readonly back: Step | null
  readonly goal: Spot | null
  /** What is passed on to the next stop, once somebody asked: ways share most of a tree. */
  passed: Passed | null
}
interface Tree {
  readonly of: ReadonlyMap<Stop, Reached>
  /** Where a device that is led to is brought to lanes: no stops of theirs; each is reached along its own. */
  readonly ends: readonly Stop[]
}

/** Where cables that are led to something come off the lanes to it. */
const goalsOf = ({ goals, near }: Network, to: LedTo): readonly Omit<Goal, 'to'>[] =>
  to === null || typeof to === 'string'
    ? goals.filter((one) => one.to === to)
    : near(to.spot).flatMap((lane) => {
        const stop = broughtOnto(lane, to.spot)
        return stop ? [{ spot: to.spot, stop }] : []
      })

/** From every stop the way of least labour to what cables are led to. */
function treeOf(network: Network, to: LedTo, may: (lane: Lane) => boolean): Tree {
  const shut = new Set(network.lanes.filter((lane) => !may(lane)))
  const tree = new Map<Stop, Reached>()
  const done = new Set<Stop>()
  const open = new FlatQueue<Stop>()
  const reach = (stop: Stop, minutes: number, next: Stop | null, back: Step | null, goal: Spot | null) => {
    const known = tree.get(stop)
    if (known && known.minutes <= minutes) return
    tree.set(stop, { minutes, next, back, goal, passed: null })
    open.push(stop, minutes)
  }
  const goals = goalsOf(network, to).filter(({ stop }) => !shut.has(stop.lane))
  for (const { spot, stop } of goals) reach(stop, broughtTo(spot, stop).minutes, null, null, spot)
  const ends = goals.flatMap(({ stop }) => (network.steps.has(stop) ? [] : [stop]))
  for (const stop of ends)
    for (const by of besides(network, stop)) {
      const step = { ...alongLane(stop.lane, stop.share, by.share), to: by, along: true }
      reach(by, tree.get(stop)!.minutes + step.minutes, stop, step, null)
    }
  for (let stop = open.pop(); stop; stop = open.pop()) {
    if (done.has(stop)) continue
    done.add(stop)
    const { minutes } = tree.get(stop)!
    for (const step of network.steps.get(stop) ?? [])
      if (!done.has(step.to) && !shut.has(step.to.lane))
        reach(step.to, minutes + step.minutes, stop, step, null)
  }
  return { of: tree, ends }
}

interface Along {
  readonly minutes: number
  readonly enters: Stop
  readonly by: Stop
  /** From where the lane is left for the first time, until the rest is as from there. */
  readonly steps: readonly Step[]
}

/**
 * The least labour from where a cable enters, along the pathway of the id `through`, and on by the tree:
 * every stop is reached once before that pathway and once after it.
 */
function alongOne(
  network: Network,
  from: Spot,
  enters: readonly Stop[],
  through: string,
  tree: Tree,
  may: (lane: Lane) => boolean,
): Along | null {
  const reached: readonly [Set<Stop>, Set<Stop>] = [new Set(), new Set()]
  const open = new FlatQueue<readonly [stop: Stop, after: boolean, by: Along]>()
  const goesAlong = ({ pathway }: Lane) => pathway.id === through
  for (const stop of enters)
    for (const by of besides(network, stop)) {
      const minutes = broughtTo(from, stop).minutes + alongLane(stop.lane, stop.share, by.share).minutes
      const after = goesAlong(stop.lane) && stop.share !== by.share
      open.push([by, after, { minutes, enters: stop, by, steps: [] }], minutes)
    }
  let best: Along | null = null
  for (let first = open.pop(); first; first = open.pop()) {
    const [stop, after, way] = first
    if (best && way.minutes >= best.minutes) break
    const known = reached[after ? 1 : 0]
    if (known.has(stop)) continue
    known.add(stop)
    const rest = after ? tree.of.get(stop) : undefined
    if (rest && (!best || way.minutes + rest.minutes < best.minutes))
      best = { ...way, minutes: way.minutes + rest.minutes }
    for (const step of network.steps.get(stop) ?? []) {
      if (!may(step.to.lane)) continue
      const minutes = way.minutes + step.minutes
      const isAfter = after || (step.along && goesAlong(stop.lane))
      open.push([step.to, isAfter, { ...way, minutes, steps: [...way.steps, step] }], minutes)
    }
  }
  return best
}

/** From a spot beside a lane to a stop of it: nobody leaves the pathways for less than they cost. */
function broughtTo(spot: Spot, stop: Stop): Measures {
  const [lengthM, riseM] = [distanceM(spot.at, stop.at), stop.heightM - spot.heightM]
  const perM = Math.max(PATHWAY_LIMITS.offMinPerM.value, stop.lane.pathway.minutesPerM)
  return { lengthM, riseM, minutes: perM * (lengthM + Math.abs(riseM)) }
}

/** The stops of its lane before and after a point of it. */
function besides({ stops: ofLanes }: Network, { lane, share }: Stop): readonly Stop[] {
  const stops = ofLanes.get(lane)!
  const after = stops.findIndex((stop) => stop.share >= share)
  if (after < 0) return [stops.at(-1)!]
  return after === 0 ? [stops[0]!] : [stops[after - 1]!, stops[after]!]
}

type Piece = Omit<Measures, 'minutes'> & { readonly lane: Lane }

/** What is laid from one place of a way to the next, and how it is drawn if it has a length on the plan. */
interface Passed {
  readonly piece: Piece
  readonly trace: Trace | null
}

function along(lane: Lane, from: number, to: number): Passed {
  const { lengthM, riseM } = alongLane(lane, from, to)
  const piece = { lengthM, riseM, lane }
  if (from === to) return { piece, trace: null }
  const points = pointsBetween(lane, from, to)
  return { piece, trace: { floor: lane.pathway.floor, points, on: { lane, from, to } } }
}

function across(
  { lengthM, riseM }: Omit<Measures, 'minutes'>,
  lane: Lane,
  floor: Floor,
  points: readonly [PlanPoint, PlanPoint],
): Passed {
  const isDrawn = distanceM(...points) > 0
  return { piece: { lengthM, riseM, lane }, trace: isDrawn ? { floor, points, on: null } : null }
}

/** From a stop over a step of it. */
const over = (from: Stop, { to, lengthM, riseM, along: isAlong }: Step): Passed =>
  isAlong
    ? along(from.lane, from.share, to.share)
    : across({ lengthM, riseM }, to.lane, from.floor, [from.at, to.at])

function wayOf(from: Spot, enters: Stop, by: Stop, first: readonly Step[], tree: Tree, minutes: number): Way {
  const passed = [
    across(broughtTo(from, enters), enters.lane, from.floor, [from.at, enters.at]),
    along(by.lane, enters.share, by.share),
  ]
  let stop = by
  for (const step of first) {
    passed.push(over(stop, step))
    stop = step.to
  }
  for (let at = tree.of.get(stop)!; ; at = tree.of.get(stop)!) {
    const { next, back, goal } = at
    if (goal) {
      const { lengthM, riseM } = broughtTo(goal, stop)
      passed.push(across({ lengthM, riseM: -riseM }, stop.lane, goal.floor, [stop.at, goal.at]))
      break
    }
    at.passed ??= over(stop, { ...back!, to: next!, riseM: -back!.riseM })
    passed.push(at.passed)
    stop = next!
  }
  const legs = legsOf(passed.map(({ piece }) => piece))
  const total = (of: readonly Leg[]) => of.reduce((sum, leg) => sum + laidM(leg), 0)
  return {
    legs,
    traces: passed.flatMap(({ trace }) => trace ?? []),
    lengthM: total(legs),
    minutes,
    besideMainsM: total(legs.filter(({ pathway }) => pathway.besideMains)),
  }
}

/** Pieces in the same pathway as one leg, unless one rises where the other falls: both are laid. */
function legsOf(pieces: readonly Piece[]): readonly Leg[] {
  const legs: { -readonly [K in keyof Leg]: Leg[K] }[] = []
  for (const { lane, lengthM, riseM } of pieces) {
    if (lengthM === 0 && riseM === 0) continue
    const { pathway } = lane
    const before = legs.at(-1)
    if (before?.pathway === pathway && before.riseM * riseM >= 0) {
      before.lengthM += lengthM
      before.riseM += riseM
    } else legs.push({ pathway, lengthM, riseM })
  }
  return legs
}

/** What a leg is called: by its pathway's name where it has one, and by its space. */
export function legName({ pathway: { name, space } }: Leg): string {
  const { name: called } = SPACES[space]
  return name === '' ? called : `${name}, ${called.toLowerCase()}`
}
