import { SPACES } from '../job/spaces'
import { nameOf } from '../plan'
import type { CableWay } from './cables'
import { weightNPerM } from './drag'
import { runsOf } from './fitted'
import { PATHWAY_LIMITS } from './limits'
import type { Lane } from './network'
import { lengthOf, straightsOf } from './sections'

/** A wire that carries cables from eye to eye. */
export interface Strung {
  readonly name: string
  /** The cables that hang on it. */
  readonly marks: readonly string[]
  readonly spans: number
  /** The longest span, and how far it sags in its middle, m. */
  readonly spanM: number
  readonly sagM: number
  /** To cut, with what is turned back at both ends, m. */
  readonly wireM: number
  /** The pull on an eye of the longest span by weight alone, N. */
  readonly pullN: number
  /** It is not there yet. */
  readonly yetToPut: boolean
}

/** Every wire that cables are led along: an eye at its ends and wherever it turns. */
export function strungFor(cables: readonly CableWay[]): readonly Strung[] {
  const lanes = new Map<Lane, Map<string, CableWay>>()
  for (const cable of cables)
    for (const { on } of 'way' in cable.found ? cable.found.way.traces : []) {
      if (!on || !SPACES[on.lane.pathway.space].strung) continue
      const hang = lanes.get(on.lane) ?? new Map<string, CableWay>()
      lanes.set(on.lane, hang.set(cable.id, cable))
    }
  return [...lanes].map(([lane, hang]): Strung => {
    const all = [...hang.values()]
    const spansM = runsOf(straightsOf({ lane, from: 0, to: 1 })).map((run) =>
      run.reduce((sum, straight) => sum + lengthOf(straight), 0),
    )
    const weight = all.reduce(
      (sum, { cable }) => sum + weightNPerM(cable.diameterMm),
      PATHWAY_LIMITS.wireNPerM.value,
    )
    const spanM = Math.max(...spansM)
    return {
      name: nameOf(lane.pathway),
      marks: all.map(({ mark }) => mark),
      spans: spansM.length,
      spanM,
      sagM: sagM(spanM),
      wireM: spansM.reduce((sum, m) => sum + hungM(m), 2 * PATHWAY_LIMITS.wireTailM.value),
      pullN: spanPullN(spanM, weight),
      yetToPut: lane.pathway.yetToPut,
    }
  })
}

const sagM = (spanM: number): number => (spanM * PATHWAY_LIMITS.sagPercent.value) / 100

/** The length of a wire over a level span, m: a parabola's, L + 8s²/3L. */
export const hungM = (spanM: number): number => spanM + (8 * sagM(spanM) ** 2) / (3 * spanM)

/** The pull at an eye, N, under so much weight, N/m: w·L²/8s along, w·L/2 down. */
export function spanPullN(spanM: number, weightNPerM: number): number {
  const alongN = (weightNPerM * spanM ** 2) / (8 * sagM(spanM))
  return Math.hypot(alongN, (weightNPerM * spanM) / 2)
}
