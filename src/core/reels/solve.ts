import type { Highs } from 'highs'
import { boxByBox, quickPlan } from './fill'
import { knapsack } from './knapsack'
import {
  FRESH,
  leastBegun,
  leastBeside,
  leastFresh,
  nextLessBegun,
  openedBy,
  opensLess,
  type Load,
  type Opened,
  type Packing,
} from './packing'
import { Programme, type Worth } from './programme'

/** A plan and what no plan gets below. */
export interface Solved {
  readonly loads: readonly Load[]
  readonly opened: Opened
  readonly least: Opened
}

/** So many looks for loads; a plan that is not proved by then is given with what is. */
const MOST_ROUNDS = 300
/** What of a load is in the cheapest mixture for it to be taken whole: tried one after the other. */
const SURE = [0.8, 0.95]
/** Of so many cuts it is tried to finish the mixture with quick loads. */
const FINISHED_FROM = 100
/** Of more cuts than the integer programme is asked of, so much of the least is near enough. */
const NEAR_ENOUGH = 1.01
/** Up to so many cuts the integer programme is asked. */
const EXACT_UP_TO = 120

/**
 * The fewest new boxes, then the least of what is begun. Quick plans first; where length alone does not prove
 * one, a linear programme over loads finds loads that are worth it and a bound (P. C. Gilmore, R. E. Gomory,
 * Operations Research 9, 1961), and whole loads are taken from its mixture. Without a solver a plan is given
 * with what length alone proves. Yields how far it is, 0 to 1.
 */
export function* solveSteps(packing: Packing, highs: Highs | null): Generator<number, Solved> {
  yield 0
  let loads = quickPlan(packing, highs !== null)
  let fresh = leastFresh(packing)
  let mixed: readonly Load[] = []
  const opened = () => openedBy(packing, loads)
  function* better(aim: Aim, from: number, to: number) {
    const first = mixed.length > 0 ? mixed : fullest(packing)
    const found = yield* within(overLoads(packing, aim, highs!, loads, first), from, to)
    loads = found.loads
    mixed = [...mixed, ...found.mixed]
    return found.least
  }
  if (opened().fresh > fresh && highs) {
    const least = yield* better(fewestFresh(packing), 0, 0.5)
    fresh = Math.min(opened().fresh, Math.max(fresh, least))
  }
  yield 0.5
  let begun = leastBeside(packing, fresh)
  const aim = leastOfBegun(packing, fresh)
  if (highs && !aim.isNear(aim.costs(opened()), begun)) begun = Math.max(begun, yield* better(aim, 0.5, 0.8))
  const proved = opened().fresh <= fresh
  if (highs && !proved) yield* better(leastOfBegun(packing, opened().fresh), 0.8, 1)
  // Of a plan with more new boxes than the fewest, what it opens beside them may be less.
  const least = { fresh, begun: proved ? Math.min(opened().begun, begun) : begun }
  return { loads, opened: opened(), least }
}

/** Steps of a part: from one share of the whole to another. */
function* within<T>(steps: Generator<number, T>, from: number, to: number): Generator<number, T> {
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value
    yield from + (to - from) * step.value
  }
}

/** What is to be as little as it can, and which costs there can be: they come in steps. */
interface Aim {
  readonly worth: Worth
  /** What it costs at the least, by length alone. */
  readonly byLength: number
  readonly costs: (opened: Opened) => number
  /** The first cost that is not below. */
  readonly from: (least: number) => number
  /** The last cost below. */
  readonly below: (cost: number) => number
  /** Whether a cost is near enough to the least that is known. */
  readonly isNear: (cost: number, least: number) => boolean
}

const fewestFresh = (packing: Packing): Aim => ({
  worth: { fresh: 1, begun: packing.begun.map(() => 0), mostFresh: null },
  byLength: leastFresh(packing),
  costs: ({ fresh }) => fresh,
  from: (least) => Math.ceil(least - 1e-6),
  below: (cost) => cost - 1,
  isNear: (cost, least) => cost <= least,
})

const leastOfBegun = (packing: Packing, mostFresh: number): Aim => ({
  worth: { fresh: 0, begun: packing.begun, mostFresh },
  byLength: leastBeside(packing, mostFresh),
  costs: ({ fresh, begun }) => (fresh > mostFresh ? Infinity : begun),
  from: (least) => leastBegun(packing, least - 1e-4),
  below: (cost) => nextLessBegun(packing, cost),
  isNear: (cost, least) => {
    if (packing.sizes.length <= EXACT_UP_TO) return cost <= least
    const fresh = mostFresh * packing.fresh
    return fresh + cost <= NEAR_ENOUGH * (fresh + least)
  },
})

/** New boxes as full as they get, one with each cut as its longest. */
const fullest = ({ sizes, fresh }: Packing): readonly Load[] =>
  knapsack(sizes, sizes, fresh)
    .loads(fresh)
    .map((cuts) => ({ box: FRESH, cuts }))

interface Found {
  readonly loads: readonly Load[]
  readonly least: number
  /** The loads of the cheapest mixture. */
  readonly mixed: readonly Load[]
}

function* overLoads(
  packing: Packing,
  aim: Aim,
  highs: Highs,
  start: readonly Load[],
  first: readonly Load[],
): Generator<number, Found> {
  const programme = new Programme(packing, aim.worth, highs)
  const many = packing.sizes.length > EXACT_UP_TO
  let mixed: readonly Load[] = []
  let loads = start
  const cost = () => aim.costs(openedBy(packing, loads))
  // Length alone bounds it before any look does.
  const least = () => Math.max(aim.byLength, aim.from(programme.least))
  const proved = () => aim.isNear(cost(), least())
  const tried = (other: readonly Load[]) => {
    // A solver that gives up answers with anything: what does not make every cut is no plan.
    if (new Set(other.flatMap(({ cuts }) => cuts)).size < packing.sizes.length) return
    if (opensLess(openedBy(packing, other), openedBy(packing, loads)))
      loads = other.filter(({ cuts }) => cuts.length > 0)
  }
  try {
    for (const load of [...start, ...first]) programme.add(load)
    packing.sizes.forEach((_, cut) => programme.add({ box: FRESH, cuts: [cut] }))
    for (let round = 0; round < MOST_ROUNDS && !proved(); round++) {
      const shares = programme.mix()
      mixed = programme.known.filter((_, i) => shares[i]! > 0)
      if (!programme.look(true)) break
      // The bound comes up to what the mixture costs now, and to no more: its step is known.
      if (many && least() >= aim.from(programme.cost)) break
      yield (0.6 * round) / MOST_ROUNDS
    }
    for (const [at, sure] of (many ? SURE : SURE.slice(0, 1)).entries())
      yield* within(wholeOnes(packing, programme, sure, tried, proved), 0.6 + 0.2 * at, 0.8 + 0.2 * at)
    if (proved() || many) return { loads, least: least(), mixed }
    const all = programme.complete(aim.below(cost()))
    const whole = programme.whole(loads)
    if (whole) tried(filledWith(packing, whole.loads).loads)
    // What no plan has that is known costs without end: nothing is proved by it.
    const isLeast = all && whole?.cheapest === true && cost() < Infinity
    return { loads, least: isLeast ? cost() : least(), mixed }
  } finally {
    programme.dispose()
  }
}

/**
 * Takes whole loads from the cheapest mixture, a few at a time, until all cuts are made or `proved`; yields
 * the share.
 */
function* wholeOnes(
  packing: Packing,
  programme: Programme,
  sure: number,
  tried: (loads: readonly Load[]) => void,
  proved: () => boolean,
): Generator<number> {
  const { length: all } = packing.sizes
  const taken: Load[] = []
  let made = filledWith(packing, taken)
  /** True where it makes something more: with all that it holds, unless a part will do. */
  const take = (at: number, partly: boolean): boolean => {
    const load = programme.known[at]!
    if (load.box !== FRESH && taken.some(({ box }) => box === load.box)) return false
    const more = filledWith(packing, [...taken, load])
    const added = more.count - made.count
    if (added === 0 || (!partly && added < load.cuts.length)) return false
    made = more
    taken.push(load)
    programme.take(at)
    return true
  }
  while (made.count < all && !proved()) {
    const shares = programme.mix()
    const likely = [...shares.keys()].sort((a, b) => shares[b]! - shares[a]!)
    let first = true
    for (const at of likely)
      while ((first || shares[at]! >= sure) && take(at, first)) {
        first = false
        shares[at]!--
      }
    if (all - made.count <= FINISHED_FROM) tried([...made.loads, ...finished(packing, made.loads)])
    programme.mix()
    programme.look(false)
    yield made.count / all
  }
  programme.release()
}

/**
 * Loads with each cut made once: in the place of every cut of theirs lies the longest that is left and no
 * longer. How many they make.
 */
function filledWith({ sizes }: Packing, loads: readonly Load[]) {
  const places = loads.flatMap(({ cuts }, load) => cuts.map((cut) => ({ load, cut })))
  const filled: number[][] = loads.map(() => [])
  let [next, count] = [0, 0]
  for (const { load, cut } of places.sort((a, b) => a.cut - b.cut)) {
    next = Math.max(next, cut)
    if (next === sizes.length) break
    filled[load]!.push(next++)
    count++
  }
  return { count, loads: loads.map(({ box }, at): Load => ({ box, cuts: filled[at]! })) }
}

/** Quick loads for the cuts that are not made, out of boxes that are not taken. */
function finished(packing: Packing, taken: readonly Load[]): readonly Load[] {
  const made = new Set(taken.flatMap(({ cuts }) => cuts))
  const open = [...packing.sizes.keys()].filter((cut) => !made.has(cut))
  const used = new Set(taken.map(({ box }) => box))
  const boxes = [...packing.begun.keys()].filter((box) => !used.has(box))
  const rest = {
    sizes: open.map((cut) => packing.sizes[cut]!),
    begun: boxes.map((box) => packing.begun[box]!),
    fresh: packing.fresh,
  }
  return boxByBox(rest, [...boxes.keys()]).map(({ box, cuts }) => ({
    box: box === FRESH ? FRESH : boxes[box]!,
    cuts: cuts.map((cut) => open[cut]!),
  }))
}
