import type { Outline, PlanPoint } from '../geometry'
import { fillOutline, type Grid } from './grid'
import { axesOf, densityAlong, rayThrough, type Imager, type Pose } from './projection'
import type { Board, Occluders, Upright } from '../plan'

/** A camera on the plan: its imager and where it stands and looks. */
export interface Eye {
  readonly imager: Imager
  readonly pose: Pose
}

/** A camera that takes part in a survey. */
export interface SurveyCamera {
  readonly deviceId: string
  readonly mark: string
  readonly eye: Eye
}

export const HIDDEN = 1

/** Room to work in, so that many cameras do not each ask for memory. */
export interface Scratch {
  readonly hidden: Uint8Array
}

export const scratchFor = ({ columns, rows }: Grid): Scratch => ({ hidden: new Uint8Array(columns * rows) })

/**
 * What one camera sees of a level plane `planeM` high: calls `visit` with every cell in its picture, the
 * pixels per metre there, and whether something stands in between. Exact at the middle of each cell: the
 * picture is cut out of each row by its four edges, and each obstacle hides the patch of the plane that it
 * shades as seen from the lens.
 */
export function eachSeen(
  eye: Eye,
  occluders: Occluders,
  grid: Grid,
  planeM: number,
  scratch: Scratch,
  visit: (cell: number, densityPxM: number, hidden: boolean) => void,
): void {
  const { imager, pose } = eye
  const axes = axesOf(pose)
  const dz = planeM - pose.z
  const { forward, right, up } = axes
  const rowsSeen = rowRange(imager, axes, pose, grid, dz)
  if (rowsSeen === null) return
  const { hidden } = scratch
  hidden.fill(0, rowsSeen[0] * grid.columns, (rowsSeen[1] + 1) * grid.columns)
  const window: Grid = {
    ...grid,
    bottom: grid.bottom + rowsSeen[0] * grid.cellM,
    rows: rowsSeen[1] - rowsSeen[0] + 1,
  }
  const inWindow = hidden.subarray(rowsSeen[0] * grid.columns, (rowsSeen[1] + 1) * grid.columns)
  hide(occluders, pose, planeM, window, inWindow)

  const halfW = imager.widthPx / 2
  const halfH = imager.heightPx / 2
  for (let row = rowsSeen[0]; row <= rowsSeen[1]; row++) {
    const dy = grid.bottom + (row + 0.5) * grid.cellM - pose.y
    const span = columnRange(imager, axes, grid, pose.x, dy, dz)
    if (span === null) continue
    for (let column = span[0]; column <= span[1]; column++) {
      const dx = grid.left + (column + 0.5) * grid.cellM - pose.x
      const depth = dx * forward.x + dy * forward.y + dz * forward.z
      const across = dx * right.x + dy * right.y + dz * right.z
      const above = dx * up.x + dy * up.y + dz * up.z
      if (imager.kind === 'rectilinear') {
        if (
          depth <= 1e-9 ||
          Math.abs(imager.focalPxX * across) > halfW * depth ||
          Math.abs(imager.focalPxY * above) > halfH * depth
        )
          continue
      } else {
        const side = Math.hypot(across, above)
        const turn = side < 1e-12 ? 0 : Math.atan2(side, depth) / side
        if (
          Math.abs(imager.focalPxX * across * turn) > halfW ||
          Math.abs(imager.focalPxY * above * turn) > halfH
        )
          continue
      }
      const cell = row * grid.columns + column
      visit(cell, densityAlong(imager, axes, dx, dy, depth, across, above), hidden[cell] === HIDDEN)
    }
  }
}

/**
 * Where the lower edge of a picture meets a plane, from left to right: what lies nearer is not seen. Empty
 * where it looks straight down or past the plane.
 */
export function nearEdge({ imager, pose }: Eye, planeM: number): PlanPoint[] {
  const axes = axesOf(pose)
  const points = Array.from({ length: 13 }, (_, i) =>
    rayThrough(imager, pose, (i / 12) * imager.widthPx, imager.heightPx, axes),
  ).map(({ x, y, z }) => {
    const reach = (planeM - pose.z) / z
    return reach > 0 && Number.isFinite(reach) ? { x: pose.x + x * reach, y: pose.y + y * reach } : null
  })
  const ahead = rayThrough(imager, pose, imager.widthPx / 2, imager.heightPx, axes)
  const under = ahead.x * axes.forward.x + ahead.y * axes.forward.y <= 0
  return under || points.some((point) => point === null) ? [] : points.filter((point) => point !== null)
}

type Axes = ReturnType<typeof axesOf>

/**
 * The columns of a row that a pinhole's four edges leave, as first and last; every column for other lenses.
 */
function columnRange(
  imager: Imager,
  { forward, right, up }: Axes,
  grid: Grid,
  poseX: number,
  dy: number,
  dz: number,
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
      const start = k * (forward.y * dy + forward.z * dz) + sign * (axis.y * dy + axis.z * dz)
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

/** The rows in which anything of the picture can lie. */
function rowRange(
  imager: Imager,
  axes: Axes,
  pose: Pose,
  grid: Grid,
  dz: number,
): readonly [number, number] | null {
  let first = -1
  let last = -1
  for (let row = 0; row < grid.rows; row++) {
    if (columnRange(imager, axes, grid, pose.x, grid.bottom + (row + 0.5) * grid.cellM - pose.y, dz) === null)
      continue
    if (first < 0) first = row
    last = row
  }
  return first < 0 ? null : [first, last]
}

/** Marks what lies in the shade of each obstacle, as if the lens were a lamp. */
function hide(
  { uprights, boards }: Occluders,
  pose: Pose,
  planeM: number,
  grid: Grid,
  mask: Uint8Array,
): void {
  const reach = farthestCorner(grid, pose)
  for (const upright of uprights) {
    const shade = shadeOfUpright(upright, pose, planeM, reach)
    if (shade) fillOutline(grid, mask, shade, HIDDEN)
  }
  for (const board of boards) {
    const shade = shadeOfBoard(board, pose, planeM)
    if (shade) fillOutline(grid, mask, shade, HIDDEN)
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
