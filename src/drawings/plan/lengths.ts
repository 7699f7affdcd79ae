import { distanceM, type PlanPoint } from '@/core/geometry'
import { print, type UnitSystem } from '@/core/units'
import { besideSide, RANK, type Naming } from './naming'
import type { ViewBox } from './view'

/** So short on the screen a side carries no length, px. */
const SHORT_PX = 34

/** The length of every side, beside it. */
export function lengthsOf(
  id: string,
  points: readonly PlanPoint[],
  closed: boolean,
  view: ViewBox,
  units: UnitSystem,
): Naming[] {
  return points.flatMap((a, i) => {
    const ends = i + 1 < points.length || (closed && points.length > 2)
    const b = points[(i + 1) % points.length]!
    const lengthM = distanceM(a, b)
    if (!ends || lengthM * view.perMetre < SHORT_PX) return []
    const words = print({ value: lengthM, kind: 'length' }, units)
    return [{ id: `${id}:side:${i}`, words, ...besideSide(a, b, view), rank: RANK.lengths, colour: 'soft' }]
  })
}
