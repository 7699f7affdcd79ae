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
/** A load that is so much of the cheapest mixture is taken whole. */
const SURE = 0.7
/** Of so many cuts it is tried to finish the mixture with quick loads. */
const FINISHED_FROM = 100
/** Of more cuts than the integer programme is asked of, so much of the least is near enough. */
const NEAR_ENOUGH = 1.005
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
  let loads = quickPlan(packing)
  let fresh = leastFresh(packing)
  let first = fullest(packing)
  const opened = () => openedBy(packing, loads)
  if (opened().fresh > fresh && highs) {
    const found = yield* overLoads(packing, fewestFresh(packing), highs, loads, first)
    first = found.mixed
    loads = found.loads
    fresh = Math.min(opened().fresh, Math.max(fresh, found.least))
  }
  yield 0.5
  let begun = leastBeside(packing, fresh)
  const proved = opened().fresh <= fresh
  if (proved && highs && worthALook(packing, opened(), begun)) {
    const found = yield* overLoads(packing, leastOfBegun(packing, fresh), highs, loads, first)
    loads = found.loads
    begun = Math.max(begun, found.least)
  }
  // Of a plan with more new boxes than the fewest, what it opens beside them may be less.
  return {
    loads,
    opened: opened(),
    least: { fresh, begun: proved ? Math.min(opened().begun, begun) : begun },
  }
}

/** Whether it is worth a look if less of what is begun would do. */
function worthALook({ sizes, fresh: box }: Packing, { fresh, begun }: Opened, least: number): boolean {
  if (sizes.length <= EXACT_UP_TO) return begun > least
  return fresh * box + begun > NEAR_ENOUGH * (fresh * box + least)
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
  /** Whether of many cuts only the bound is asked for. */
  readonly boundWhereMany: boolean
}

const fewestFresh = (packing: Packing): Aim => ({
  worth: { fresh: 1, begun: packing.begun.map(() => 0), mostFresh: null },
  byLength: leastFresh(packing),
  costs: ({ fresh }) => fresh,
  from: (least) => Math.ceil(least - 1e-6),
  below: (cost) => cost - 1,
  boundWhereMany: false,
})

const leastOfBegun = (packing: Packing, mostFresh: number): Aim => ({
  worth: { fresh: 0, begun: packing.begun, mostFresh },
  byLength: leastBeside(packing, mostFresh),
  costs: ({ begun }) => begun,
  from: (least) => leastBegun(packing, least - 1e-4),
  below: (cost) => nextLessBegun(packing, cost),
  boundWhereMany: true,
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
  const share = aim.worth.mostFresh === null ? 0 : 0.5
  let loads = start
  const cost = () => aim.costs(openedBy(packing, loads))
  // Length alone bounds it before any look does.
  const least = () => Math.max(aim.byLength, aim.from(programme.least))
  const proved = () => least() >= cost()
  const tried = (other: readonly Load[]) => {
    // A solver that gives up answers with anything: what does not make every cut is no plan.
    if (new Set(other.flatMap(({ cuts }) => cuts)).size < packing.sizes.length) return
    if (opensLess(openedBy(packing, other), openedBy(packing, loads))) loads = other
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
      yield share + (0.3 * round) / MOST_ROUNDS
    }
    if (!proved() && !(many && aim.boundWhereMany)) {
      for (const done of wholeOnes(packing, programme, tried, proved)) yield share + 0.3 + 0.15 * done
    }
    if (proved() || many) return { loads, least: least(), mixed }
    const all = programme.complete(aim.below(cost()))
    const whole = programme.whole(loads)
    if (whole) tried(eachOnce(whole.loads))
    return { loads, least: all && whole?.cheapest ? cost() : least(), mixed }
  } finally {
    programme.dispose()
  }
}

/** Takes whole loads from the cheapest mixture, a few at a time, until all are made; yields the share. */
function* wholeOnes(
  packing: Packing,
  programme: Programme,
  tried: (loads: readonly Load[]) => void,
  proved: () => boolean,
): Generator<number> {
  const taken: Load[] = []
  const made = new Set<number>()
  while (made.size < packing.sizes.length && !proved()) {
    const shares = programme.mix()
    const likely = [...programme.known.keys()].sort((a, b) => shares[b]! - shares[a]!)
    let first = true
    for (const at of likely) {
      if (!first && shares[at]! < SURE) break
      const { box, cuts: all } = programme.known[at]!
      const cuts = all.filter((cut) => !made.has(cut))
      const open = box === FRESH || !taken.some((load) => load.box === box)
      if (!open || cuts.length === 0 || (!first && cuts.length < all.length)) continue
      first = false
      cuts.forEach((cut) => made.add(cut))
      taken.push({ box, cuts })
      programme.take(at)
    }
    if (packing.sizes.length - made.size <= FINISHED_FROM)
      tried([...taken, ...finished(packing, made, taken)])
    programme.mix()
    programme.look(false)
    yield made.size / packing.sizes.length
  }
}

/** Quick loads for the cuts that are not made, out of boxes that are not taken. */
function finished(packing: Packing, made: ReadonlySet<number>, taken: readonly Load[]): readonly Load[] {
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

/** Loads that may share a cut, each cut made once. */
function eachOnce(loads: readonly Load[]): readonly Load[] {
  const made = new Set<number>()
  return loads.flatMap((load) => {
    const cuts = load.cuts.filter((cut) => !made.has(cut))
    cuts.forEach((cut) => made.add(cut))
    return cuts.length > 0 ? [{ ...load, cuts }] : []
  })
}
