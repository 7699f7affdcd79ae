import type { Outline, PlanPoint } from '../geometry'
import { fillOutline, type Grid } from './grid'
import type { Range } from './inPicture'
import type { Pose } from './projection'
import type { Board, Occluders, Upright } from '../plan'

/** What things hide of a level plane, as seen from a lens. */

export const HIDDEN = 1

/** Marks what lies in the shade of each obstacle, as if the lens were a lamp. */
export function hide(
  { uprights, boards }: Occluders,
  pose: Pose,
  planeM: number,
  grid: Grid,
  mask: Uint8Array,
  columns: Range['columns'],
): void {
  const reach = farthestCorner(grid, pose)
  for (const upright of uprights) {
    const shade = shadeOfUpright(upright, pose, planeM, reach)
    if (shade) fillOutline(grid, mask, shade, HIDDEN, columns)
  }
  for (const board of boards) {
    const shade = shadeOfBoard(board, pose, planeM)
    if (shade) fillOutline(grid, mask, shade, HIDDEN, columns)
  }
}

function farthestCorner({ left, bottom, cellM, columns, rows }: Grid, { x, y }: PlanPoint): number {
  return Math.hypot(
    Math.max(Math.abs(left - x), Math.abs(left + columns * cellM - x)),
    Math.max(Math.abs(bottom - y), Math.abs(bottom + rows * cellM - y)),
  )
}

/**
 * The patch of a plane that an upright rectangle hides from a lens. A ray meets it at the share u of its
 * length; its height there is H + (z − H)·u, so it is stopped for u between those of the rectangle's foot
 * and head, and the plan segment seen from the lens is stretched by 1/u. Null when it hides nothing.
 */
export function shadeOfUpright(
  { a, b, fromM, toM }: Upright,
  lens: Pose,
  planeM: number,
  reachM: number,
): Outline | null {
  const rise = planeM - lens.z
  let [least, most] = [0, 1]
  if (Math.abs(rise) < 1e-9) {
    if (lens.z < fromM || lens.z > toM) return null
  } else {
    const [p, q] = [(fromM - lens.z) / rise, (toM - lens.z) / rise]
    least = Math.max(0, Math.min(p, q))
    most = Math.min(1, Math.max(p, q))
    if (most <= 0 || least >= most) return null
  }
  const [ax, ay, bx, by] = [a.x - lens.x, a.y - lens.y, b.x - lens.x, b.y - lens.y]
  // from the lens to the segment's line
  const off = Math.abs(ax * by - ay * bx) / Math.hypot(bx - ax, by - ay)
  if (!(off > 1e-9)) return null // edge on
  const near = 1 / most
  const far = Math.min(least > 0 ? 1 / least : Infinity, Math.max(near, (reachM / off) * 1.01))
  const at = (x: number, y: number, k: number): PlanPoint => ({ x: lens.x + x * k, y: lens.y + y * k })
  return [at(ax, ay, near), at(bx, by, near), at(bx, by, far), at(ax, ay, far)]
}

/** The patch of a plane that a level board hides from a lens; null when the board is not between the two. */
export function shadeOfBoard({ outline, heightM }: Board, lens: Pose, planeM: number): Outline | null {
  const rise = planeM - lens.z
  if (Math.abs(rise) < 1e-9) return null
  const share = (heightM - lens.z) / rise
  if (share <= 1e-6 || share >= 1 - 1e-6) return null
  return outline.map(({ x, y }) => ({ x: lens.x + (x - lens.x) / share, y: lens.y + (y - lens.y) / share }))
}
