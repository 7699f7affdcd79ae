import type { PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { pointsBetween, type Lane } from './network'
import type { Way } from './way'

/** Cables that lie beside each other on a piece of their ways. */
export interface Bundle {
  readonly floor: Floor
  readonly points: readonly PlanPoint[]
  readonly count: number
}

/** All ways put together: every piece once, with how many cables lie in it. */
export function bundlesOf(ways: readonly Way[]): readonly Bundle[] {
  const passed = new Map<Lane, { readonly from: number; readonly to: number }[]>()
  const beside = new Map<string, Bundle>()
  for (const { floor, points, on } of ways.flatMap(({ traces }) => traces)) {
    if (on) {
      const piece = { from: Math.min(on.from, on.to), to: Math.max(on.from, on.to) }
      const known = passed.get(on.lane)
      if (known) known.push(piece)
      else passed.set(on.lane, [piece])
    } else {
      const key = JSON.stringify([floor, points])
      beside.set(key, { floor, points, count: (beside.get(key)?.count ?? 0) + 1 })
    }
  }
  const along = [...passed].flatMap(([lane, pieces]) => {
    const cuts = [...new Set(pieces.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
    return cuts.slice(1).flatMap((to, i): Bundle[] => {
      const from = cuts[i]!
      const count = pieces.filter((piece) => piece.from <= from && piece.to >= to).length
      if (count === 0) return []
      return [{ floor: lane.pathway.floor, points: pointsBetween(lane, from, to), count }]
    })
  })
  return [...along, ...beside.values()]
}
