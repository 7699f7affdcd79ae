import type { PlanPoint } from '../geometry'
import type { Point } from './projection'

/** A flat triangle of the ground. */
export type Facet = readonly [Point, Point, Point]

/** Bends no deeper than this are none, m. */
export const BEND_M = 1e-6

/** How much of its height a point of a facet's plane has from the second corner and from the third. */
function sharesAt([a, b, c]: Facet, x: number, y: number): readonly [ofB: number, ofC: number] | null {
  const area = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
  if (area === 0) return null
  const ofB = ((x - a.x) * (c.y - a.y) - (c.x - a.x) * (y - a.y)) / area
  const ofC = ((b.x - a.x) * (y - a.y) - (x - a.x) * (b.y - a.y)) / area
  return [ofB, ofC]
}

/** The height that the plane of a facet has at a point, m; null where the facet has no area. */
export function planeAt(facet: Facet, { x, y }: PlanPoint): number | null {
  const [a, b, c] = facet
  const shares = sharesAt(facet, x, y)
  return shares && a.z + shares[0] * (b.z - a.z) + shares[1] * (c.z - a.z)
}

/** Points that lie so little beside a facet lie on it: a share of its height. */
const BESIDE = 1e-9

export function covers(facet: Facet, { x, y }: PlanPoint): boolean {
  const [ofB, ofC] = sharesAt(facet, x, y) ?? [-1, -1]
  return ofB >= -BESIDE && ofC >= -BESIDE && ofB + ofC <= 1 + BESIDE
}
