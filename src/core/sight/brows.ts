import { BEND_M, planeAt, type Facet } from './facet'
import type { Point } from './projection'

/** Where the ground hides what lies behind it. */

/** An edge of the ground from which it goes down on both sides, more steeply than a plain. */
export type Brow = readonly [Point, Point]

/** Ground that rises so little above a ray does not hide what is behind it, m. */
const CLEAR_M = 0.01

/**
 * How far out (m along it) the ground rises above a ray between two points; null where it never does. Between
 * the edges of facets both are straight: at a brow the ground stands highest above a ray, if anywhere.
 */
export function landBetween(brows: readonly Brow[], from: Point, to: Point): number | null {
  const [rx, ry, rz] = [to.x - from.x, to.y - from.y, to.z - from.z]
  let nearest = 1
  for (const [a, b] of brows) {
    const [sx, sy, qx, qy] = [b.x - a.x, b.y - a.y, a.x - from.x, a.y - from.y]
    const cross = rx * sy - ry * sx
    if (cross === 0) continue
    const share = (qx * sy - qy * sx) / cross
    if (share <= 0 || share >= nearest) continue
    const across = (qx * ry - qy * rx) / cross
    if (across < 0 || across > 1) continue
    if (from.z + rz * share < a.z + across * (b.z - a.z) - CLEAR_M) nearest = share
  }
  return nearest === 1 ? null : nearest * Math.hypot(rx, ry, rz)
}

/**
 * Every edge at which the ground bends down on both sides: over a valley or a plain a ray that clears its
 * ends clears it too.
 */
export function browsOf(
  points: readonly Point[],
  triangles: Uint32Array,
  halfedges: Int32Array,
): readonly Brow[] {
  const brows: Brow[] = []
  const next = (edge: number) => (edge % 3 === 2 ? edge - 2 : edge + 1)
  for (const [edge, other] of halfedges.entries()) {
    if (other < edge) continue // each once; those round the whole have no other side
    const [a, b] = [points[triangles[edge]!]!, points[triangles[next(edge)]!]!]
    const far = points[triangles[next(next(other))]!]!
    const facet: Facet = [a, b, points[triangles[next(next(edge))]!]!]
    const straight = planeAt(facet, far)
    if (straight === null || far.z < straight - BEND_M) brows.push([a, b])
  }
  return brows
}
