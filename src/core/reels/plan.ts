import type { Highs } from 'highs'
import type { CableBox } from '../job/job'
import type { Cable } from '../parts'
import { REEL_LIMITS } from './limits'
import { FRESH, leastFresh, type Packing } from './packing'
import { solveSteps } from './solve'

/** A length that is still to be cut, for what bears the mark. */
export interface Cut {
  readonly mark: string
  readonly name: string
  readonly cutM: number
}

/** Everything of one cable that is still to be cut, and what there is of it. */
export interface CableNeed {
  readonly cable: Cable
  readonly cuts: readonly Cut[]
  readonly begun: readonly CableBox[]
}

/** A box that is opened, and what is cut from it, in this order. */
export interface BoxPlan {
  /** The begun box, or null for a new one. */
  readonly boxId: string | null
  /** What is written on it, or where it stands in the plan: "New 1". */
  readonly name: string
  readonly lengthM: number
  readonly cuts: readonly Cut[]
  readonly leftM: number
}

/** Which cut is made from which box, for one cable. */
export interface CablePlan {
  readonly cable: Pick<Cable, 'id' | 'name'>
  readonly boxes: readonly BoxPlan[]
  /** Begun boxes that stay as they are. */
  readonly untouched: readonly CableBox[]
  /** Longer than any box: a cable has no joint. */
  readonly tooLong: readonly Cut[]
  /** New boxes, and the fewest that any plan has. */
  readonly newBoxes: number
  readonly fewestNew: number
  /** What was in begun boxes that are opened, m, and the least that a plan with so few new ones opens. */
  readonly begunM: number
  readonly leastBegunM: number
}

const steps = (lengthM: number): number => lengthM / REEL_LIMITS.stepM.value
const metres = (length: number): number => Math.round(length * REEL_LIMITS.stepM.value * 1000) / 1000
/** Nothing is cut too short, and no box holds more than it does; a millionth of a step is not counted. */
const up = (lengthM: number): number => Math.ceil(steps(lengthM) - 1e-6)
const down = (lengthM: number): number => Math.floor(steps(lengthM) + 1e-6)

/** The plan of one cable; put together quickly where `highs` is null. Yields how far it is, 0 to 1. */
export function* cablePlanSteps(
  { cable, cuts: asked, begun: there }: CableNeed,
  highs: Highs | null,
): Generator<number, CablePlan> {
  const cuts = [...asked].sort((a, b) => b.cutM - a.cutM || a.mark.localeCompare(b.mark))
  const fresh = down(cable.drumM)
  const lefts = there.map(({ leftM }) => down(leftM))
  const { held, tooLong, made } = longerThanNew(cuts, fresh, lefts)
  const short = cuts.filter((cut) => !made.has(cut))
  const packing: Packing = { sizes: short.map(({ cutM }) => up(cutM)), begun: lefts, fresh }
  const solver = short.length <= REEL_LIMITS.mostCuts.value ? highs : null
  const { loads, opened, least } = yield* solveSteps(packing, solver)
  const ofBegun = there.map((box, at) => ({
    boxId: box.id,
    name: box.name,
    lengthM: box.leftM,
    cuts: [...held[at]!, ...loads.flatMap((load) => (load.box === at ? inOrder(load.cuts, short) : []))],
  }))
  const ofNew = loads
    .filter(({ box }) => box === FRESH)
    .map((load, i) => ({
      boxId: null,
      name: `New ${i + 1}`,
      lengthM: cable.drumM,
      cuts: inOrder(load.cuts, short),
    }))
  const boxes = [...ofBegun, ...ofNew].filter((box) => box.cuts.length > 0).map(withLeft)
  const all = cuts.filter((cut) => !tooLong.includes(cut))
  const everything = {
    sizes: all.map(({ cutM }) => up(cutM)),
    begun: there.map(({ leftM }) => down(leftM)),
    fresh,
  }
  const touched = new Set(boxes.map(({ boxId }) => boxId))
  // Where one lies in a begun box that is longer than a new one, length alone is a proof.
  const proof = made.size > 0 ? { fresh: Math.min(opened.fresh, leastFresh(everything)), begun: 0 } : least
  return {
    cable: { id: cable.id, name: cable.name },
    boxes,
    untouched: there.filter(({ id }) => !touched.has(id)),
    tooLong,
    newBoxes: opened.fresh,
    fewestNew: proof.fresh,
    begunM: boxes.reduce((sum, { boxId, lengthM }) => sum + (boxId === null ? 0 : lengthM), 0),
    leastBegunM: metres(proof.begun),
  }
}

const inOrder = (places: readonly number[], cuts: readonly Cut[]): readonly Cut[] =>
  places.toSorted((a, b) => a - b).map((at) => cuts[at]!)

function withLeft(box: Omit<BoxPlan, 'leftM'>): BoxPlan {
  const taken = box.cuts.reduce((sum, { cutM }) => sum + up(cutM), 0)
  return { ...box, leftM: Math.max(0, metres(down(box.lengthM) - taken)) }
}

/**
 * Cuts that are longer than a new box: each from the begun box that holds it with least to spare, from whose
 * length in `lefts` it is taken off; those that none holds are too long.
 */
function longerThanNew(cuts: readonly Cut[], fresh: number, lefts: number[]) {
  const held: Cut[][] = lefts.map(() => [])
  const tooLong: Cut[] = []
  const made = new Set<Cut>()
  for (const cut of cuts) {
    const size = up(cut.cutM)
    if (size <= fresh) continue
    made.add(cut)
    const [box] = [...lefts.keys()].filter((at) => lefts[at]! >= size).sort((a, b) => lefts[a]! - lefts[b]!)
    if (box === undefined) tooLong.push(cut)
    else {
      held[box]!.push(cut)
      lefts[box]! -= size
    }
  }
  return { held, tooLong, made }
}

/** The plans of every cable of a job, one after the other. Yields how far it is, 0 to 1. */
export function* boxPlanSteps(
  needs: readonly CableNeed[],
  highs: Highs | null,
): Generator<number, readonly CablePlan[]> {
  const plans: CablePlan[] = []
  for (const [at, need] of needs.entries()) {
    const one = cablePlanSteps(need, highs)
    for (let step = one.next(); ; step = one.next()) {
      if (step.done) {
        plans.push(step.value)
        break
      }
      yield (at + step.value) / needs.length
    }
  }
  return plans
}
