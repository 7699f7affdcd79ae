import type { Narrow } from '../parts'
import { nameOf } from '../plan'
import type { CableWay } from './cables'
import { passedMm, thickMm } from './holes'
import type { Lane } from './network'

/** A cable in a lane, between two shares of it. */
interface Lies {
  readonly cable: CableWay
  readonly low: number
  readonly high: number
}

/**
 * Of every cable, by its id, the pathways that have less room than all that lies there with it: those that
 * somebody measured, each where it is fullest.
 */
export function narrowsOf(cables: readonly CableWay[]): ReadonlyMap<string, readonly Narrow[]> {
  const lanes = new Map<Lane, Lies[]>()
  for (const cable of cables)
    for (const { on } of 'way' in cable.found ? cable.found.way.traces : []) {
      if (!on || on.lane.pathway.freeMm === 0) continue
      const [low, high] = [Math.min(on.from, on.to), Math.max(on.from, on.to)]
      lanes.set(on.lane, [...(lanes.get(on.lane) ?? []), { cable, low, high }])
    }
  const narrows = new Map<string, Map<Lane, Narrow>>()
  for (const [lane, lying] of lanes)
    for (const together of togetherIn(lying)) {
      const narrow = narrowIn(lane, together)
      if (!narrow) continue
      for (const { id } of together) {
        const of = narrows.get(id) ?? new Map<Lane, Narrow>()
        const known = of.get(lane)
        if (!known || known.passMm < narrow.passMm) of.set(lane, narrow)
        narrows.set(id, of)
      }
    }
  return new Map([...narrows].map(([id, of]) => [id, [...of.values()]]))
}

/** What lies beside each other, from every place at which a cable begins; what comes back is there twice. */
const togetherIn = (lying: readonly Lies[]): readonly (readonly CableWay[])[] =>
  [...new Set(lying.map(({ low }) => low))].map((at) =>
    lying.flatMap(({ cable, low, high }) => (low <= at && at < high ? [cable] : [])),
  )

function narrowIn({ pathway }: Lane, together: readonly CableWay[]): Narrow | null {
  const passMm = passedMm(together)
  if (passMm <= pathway.freeMm) return null
  return {
    along: nameOf(pathway),
    cables: together.length,
    thickMm: thickMm(together),
    passMm,
    freeMm: pathway.freeMm,
  }
}
