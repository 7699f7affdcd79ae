import type { Eye } from './eye'
import type { Grid } from './grid'
import type { Axes, Imager, Pose } from './projection'
import type { Occluders, Upright } from '../plan'

/** What of a grid, and of what stands on a plan, can lie in a picture: sooner too much than too little. */

/**
 * The columns of a row that a pinhole's four edges leave, as first and last; every column for other lenses.
 * Of ground that lies between two depths `dz` and `orDz` below the lens, all that may be in the picture.
 */
export function columnRange(
  imager: Imager,
  { forward, right, up }: Axes,
  grid: Grid,
  poseX: number,
  dy: number,
  dz: number,
  orDz = dz,
): readonly [number, number] | null {
  let [low, high] = [grid.left - poseX, grid.left + grid.columns * grid.cellM - poseX]
  if (imager.kind === 'rectilinear') {
    const kx = imager.widthPx / (2 * imager.focalPxX)
    const ky = imager.heightPx / (2 * imager.focalPxY)
    // Each edge is  k·depth ± side ≥ 0, linear in dx.
    for (const [k, axis, sign] of [
      [kx, right, 1],
      [kx, right, -1],
      [ky, up, 1],
      [ky, up, -1],
    ] as const) {
      const slope = k * forward.x + sign * axis.x
      const along = dy * (k * forward.y + sign * axis.y)
      const down = k * forward.z + sign * axis.z
      const start = along + Math.max(down * dz, down * orDz)
      if (Math.abs(slope) < 1e-12) {
        if (start < 0) return null
      } else if (slope > 0) low = Math.max(low, -start / slope)
      else high = Math.min(high, -start / slope)
    }
  }
  const first = Math.max(0, Math.floor((low + poseX - grid.left) / grid.cellM - 0.5))
  const last = Math.min(grid.columns - 1, Math.ceil((high + poseX - grid.left) / grid.cellM - 0.5))
  return first > last ? null : [first, last]
}

export interface Range {
  readonly rows: readonly [first: number, last: number]
  readonly columns: readonly [first: number, last: number]
}

/** The rows and columns in which anything of the picture can lie. */
export function rangeSeen(imager: Imager, axes: Axes, pose: Pose, grid: Grid, dz: number): Range | null {
  let [first, last] = [-1, -1]
  let [leftmost, rightmost] = [grid.columns, -1]
  for (let row = 0; row < grid.rows; row++) {
    const span = columnRange(imager, axes, grid, pose.x, grid.bottom + (row + 0.5) * grid.cellM - pose.y, dz)
    if (span === null) continue
    if (first < 0) first = row
    last = row
    leftmost = Math.min(leftmost, span[0])
    rightmost = Math.max(rightmost, span[1])
  }
  return first < 0 ? null : { rows: [first, last], columns: [leftmost, rightmost] }
}

/**
 * What can hide anything of a picture: a pinhole's picture is bounded by four planes through the lens, and
 * what lies wholly beyond one of them stands before nothing that is in it. For other lenses everything.
 */
export function inFrontOf(eye: Eye, axes: Axes, occluders: Occluders): Occluders {
  const { imager } = eye
  if (imager.kind !== 'rectilinear') return occluders
  const beyond = beyondPicture(eye, axes)
  return {
    uprights: standing(eye, axes, occluders.uprights),
    boards: occluders.boards.filter(
      ({ outline, heightM }) => outline.reduce((all, { x, y }) => all & beyond(x, y, heightM), 15) === 0,
    ),
    solids: occluders.solids,
  }
}

/** The uprights of which some may be in a picture. */
export function standing<T extends Pick<Upright, 'a' | 'b' | 'fromM' | 'toM'>>(
  eye: Eye,
  axes: Axes,
  uprights: readonly T[],
): readonly T[] {
  if (eye.imager.kind !== 'rectilinear') return uprights
  const beyond = beyondPicture(eye, axes)
  return uprights.filter(
    ({ a, b, fromM, toM }) =>
      (beyond(a.x, a.y, fromM) & beyond(a.x, a.y, toM) & beyond(b.x, b.y, fromM) & beyond(b.x, b.y, toM)) ===
      0,
  )
}

/** Bit by bit, beyond which of the four planes that bound a pinhole's picture a point lies. */
function beyondPicture({ imager, pose }: Eye, { forward, right, up }: Axes) {
  const kx = imager.widthPx / (2 * imager.focalPxX)
  const ky = imager.heightPx / (2 * imager.focalPxY)
  return (x: number, y: number, z: number): number => {
    const [dx, dy, dz] = [x - pose.x, y - pose.y, z - pose.z]
    const depth = dx * forward.x + dy * forward.y + dz * forward.z
    const across = dx * right.x + dy * right.y + dz * right.z
    const above = dx * up.x + dy * up.y + dz * up.z
    const sides = (kx * depth + across < 0 ? 1 : 0) | (kx * depth - across < 0 ? 2 : 0)
    return sides | (ky * depth + above < 0 ? 4 : 0) | (ky * depth - above < 0 ? 8 : 0)
  }
}
