import type { Catalogue, Conduit } from '../parts'
import { ROUTE_LIMITS } from '../route'
import type { CableWay } from './cables'
import { goesOn } from './growth'
import type { Lane } from './network'
import { lengthOf, straightsOf, type Straight } from './sections'

/** What a conduit, a duct or trunking takes that is yet to be put up. */
export interface Fitted {
  readonly conduit: Conduit
  /** The cables that it is put up for. */
  readonly marks: readonly string[]
  readonly lengthM: number
  readonly couplings: number
  readonly elbows: number
  readonly straps: number
}

/** Of everything that is yet to be put up and whose size is known, where a cable is led through it. */
export function fittedFor(
  cables: readonly CableWay[],
  { conduits }: Pick<Catalogue, 'conduits'>,
): readonly Fitted[] {
  const lanes = new Map<Lane, Set<string>>()
  for (const { mark, found } of cables)
    for (const { on } of 'way' in found ? found.way.traces : [])
      if (on?.lane.pathway.yetToPut) lanes.set(on.lane, (lanes.get(on.lane) ?? new Set()).add(mark))
  return [...lanes].flatMap(([lane, marks]) => {
    const conduit = conduits.get(lane.pathway.conduitId ?? '')
    return conduit ? [{ conduit, marks: [...marks], ...takenBy(lane) }] : []
  })
}

/** A straight run between elbows takes a coupling from one piece to the next, and a strap at both ends. */
function takenBy(lane: Lane): Omit<Fitted, 'conduit' | 'marks'> {
  const { conduitPieceM, strapM } = ROUTE_LIMITS
  const runs = runsOf(straightsOf({ lane, from: 0, to: 1 })).map((run) =>
    run.reduce((sum, straight) => sum + lengthOf(straight), 0),
  )
  const total = (of: (lengthM: number) => number) => runs.reduce((sum, lengthM) => sum + of(lengthM), 0)
  const strapped = lane.pathway.space !== 'buried duct'
  return {
    lengthM: total((lengthM) => lengthM),
    couplings: total((lengthM) => up(lengthM / conduitPieceM.value) - 1),
    elbows: Math.max(0, runs.length - 1),
    straps: strapped ? total((lengthM) => up(lengthM / strapM.value) + 1) : 0,
  }
}

/** What is lost in reckoning makes no piece more. */
const up = (count: number): number => Math.max(1, Math.ceil(count - 1e-9))

/** Straight pieces that go on from each other as one. */
export function runsOf(straights: readonly Straight[]): readonly (readonly Straight[])[] {
  const runs: Straight[][] = []
  for (const straight of straights) {
    const before = runs.at(-1)?.at(-1)
    if (before && goesOn(before, straight)) runs.at(-1)!.push(straight)
    else runs.push([straight])
  }
  return runs
}
