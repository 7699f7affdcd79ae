import type { Outline, PlanPoint } from '../geometry'
import { cellCount, fillOutline, type Grid } from './grid'
import { landBetween, landOver, type Land, type Step } from './land'
import type { Setting } from './occluders'
import {
  axesOf,
  densityAlong,
  densityWith,
  inFrame,
  pinholeDensity,
  projectWith,
  rayThrough,
  type Imager,
  type Pose,
} from './projection'
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
  /** Whether something stands before a cell; of the picture's rows only. */
  readonly hidden: Uint8Array
  /** The cells in the picture, as many as were found, and the pixels per metre of each. */
  readonly cells: Uint32Array
  readonly densityPxM: Float64Array
}

export function scratchFor(grid: Grid): Scratch {
  const cells = cellCount(grid)
  return {
    hidden: new Uint8Array(cells),
    cells: new Uint32Array(cells),
    densityPxM: new Float64Array(cells),
  }
}

/**
 * What one camera sees of a plane `planeM` above the ground: calls `visit` with every cell in its picture,
 * the pixels per metre there, and whether something stands in between.
 */
export function eachSeen(
  eye: Eye,
  setting: Setting,
  grid: Grid,
  planeM: number,
  scratch: Scratch,
  visit: (cell: number, densityPxM: number, hidden: boolean) => void,
): void {
  const { cells, densityPxM, hidden } = scratch
  const found = lookOver(eye, setting, grid, planeM, scratch)
  for (let i = 0; i < found; i++) visit(cells[i]!, densityPxM[i]!, hidden[cells[i]!] === HIDDEN)
}

/** Writes into `scratch` what a camera sees of a plane above the ground, and says of how many cells. */
export function lookOver(eye: Eye, setting: Setting, grid: Grid, planeM: number, scratch: Scratch): number {
  const { land } = setting
  return land
    ? lookOverLand(eye, setting, land, grid, planeM, scratch)
    : lookOverLevel(eye, setting, grid, planeM, scratch)
}

/**
 * Writes into `scratch` what one camera sees of a level plane, and says of how many cells. Exact at the
 * middle of each cell: the picture is cut out of each row by its four edges, and each obstacle hides the
 * patch of the plane that it shades as seen from the lens.
 */
function lookOverLevel(
  eye: Eye,
  occluders: Occluders,
  grid: Grid,
  planeM: number,
  { hidden, cells, densityPxM }: Scratch,
): number {
  const { imager, pose } = eye
  const axes = axesOf(pose)
  const dz = planeM - pose.z
  const { forward, right, up } = axes
  const seen = rangeSeen(imager, axes, pose, grid, dz)
  if (seen === null) return 0
  const [first, last] = seen.rows
  hidden.fill(0, first * grid.columns, (last + 1) * grid.columns)
  const window: Grid = { ...grid, bottom: grid.bottom + first * grid.cellM, rows: last - first + 1 }
  const inWindow = hidden.subarray(first * grid.columns, (last + 1) * grid.columns)
  hide(inFrontOf(eye, axes, occluders), pose, planeM, window, inWindow, seen.columns)

  const halfW = imager.widthPx / 2
  const halfH = imager.heightPx / 2
  const { focalPxX, focalPxY } = imager
  const pinhole = imager.kind === 'rectilinear'
  let found = 0
  for (let row = first; row <= last; row++) {
    const dy = grid.bottom + (row + 0.5) * grid.cellM - pose.y
    const span = columnRange(imager, axes, grid, pose.x, dy, dz)
    if (span === null) continue
    // What is the same all along a row is worked out once.
    const depthOfRow = dy * forward.y + dz * forward.z
    const acrossOfRow = dy * right.y + dz * right.z
    const aboveOfRow = dy * up.y + dz * up.z
    const end = span[1]
    for (let column = span[0]; column <= end; column++) {
      const dx = grid.left + (column + 0.5) * grid.cellM - pose.x
      const depth = dx * forward.x + depthOfRow
      const across = dx * right.x + acrossOfRow
      const above = dx * up.x + aboveOfRow
      if (pinhole) {
        if (
          depth <= 1e-9 ||
          Math.abs(focalPxX * across) > halfW * depth ||
          Math.abs(focalPxY * above) > halfH * depth
        )
          continue
        densityPxM[found] = pinholeDensity(imager, axes, dx, dy, depth, across, above)
      } else {
        const side = Math.sqrt(across * across + above * above)
        const turn = side < 1e-12 ? 0 : Math.atan2(side, depth) / side
        if (Math.abs(focalPxX * across * turn) > halfW || Math.abs(focalPxY * above * turn) > halfH) continue
        densityPxM[found] = densityAlong(imager, axes, dx, dy, depth, across, above)
      }
      cells[found++] = row * grid.columns + column
    }
  }
  return found
}

/**
 * The same of ground that slopes or steps. Pixels per metre, and what brows hide, are exact at each cell's
 * own height; what things hide is worked out step by step of it.
 */
function lookOverLand(
  eye: Eye,
  setting: Setting,
  land: Land,
  grid: Grid,
  planeM: number,
  { hidden, cells, densityPxM }: Scratch,
): number {
  const { imager, pose } = eye
  const axes = axesOf(pose)
  const { heights, steps, stepOf } = landOver(land, grid)
  const [low, high] = [land.leastM, land.mostM].map((height) => height + planeM - pose.z) as [number, number]
  const looked = new Uint8Array(steps.length)
  const at = { x: 0, y: 0, z: 0 }
  let found = 0
  for (let row = 0; row < grid.rows; row++) {
    at.y = grid.bottom + (row + 0.5) * grid.cellM
    const span = columnRange(imager, axes, grid, pose.x, at.y - pose.y, low, high)
    if (span === null) continue
    for (let cell = row * grid.columns + span[0]; cell <= row * grid.columns + span[1]; cell++) {
      at.x = grid.left + (cell - row * grid.columns + 0.5) * grid.cellM
      at.z = heights[cell]! + planeM
      const pictured = projectWith(imager, axes, pose, at)
      if (!pictured || !inFrame(imager, pictured)) continue
      densityPxM[found] = densityWith(imager, axes, pose, at)
      cells[found++] = cell
      looked[stepOf[cell]!] = 1
    }
  }
  const inPicture = steps.filter((_, step) => looked[step] === 1)
  hideBySteps(inFrontOf(eye, axes, setting), pose, planeM, hidden, inPicture)
  const brows = browsInFrontOf(eye, axes, setting.brows ?? land.brows, land.leastM + Math.min(0, planeM))
  if (brows.length === 0) return found
  for (let i = 0; i < found; i++) {
    const cell = cells[i]!
    if (hidden[cell] === HIDDEN) continue
    const row = Math.floor(cell / grid.columns)
    at.x = grid.left + (cell - row * grid.columns + 0.5) * grid.cellM
    at.y = grid.bottom + (row + 0.5) * grid.cellM
    at.z = heights[cell]! + planeM
    if (landBetween(brows, pose, at) !== null) hidden[cell] = HIDDEN
  }
  return found
}

/** The brows that can hide anything of a picture: a ray that one hides passes under it, above `leastM`. */
function browsInFrontOf(eye: Eye, axes: Axes, brows: Land['brows'], leastM: number): Land['brows'] {
  const curtains = brows.map((brow) => {
    const [a, b] = brow
    return { brow, a, b, fromM: leastM, toM: Math.max(a.z, b.z) }
  })
  return standing(eye, axes, curtains).map(({ brow }) => brow)
}

/** Marks what things hide of each step of the ground, taken for a plane as high as it. */
function hideBySteps(
  inFront: Occluders,
  pose: Pose,
  planeM: number,
  hidden: Uint8Array,
  steps: readonly Step[],
): void {
  hidden.fill(0)
  for (const { heightM, window, cells, inWindow } of steps) {
    const mask = new Uint8Array(cellCount(window))
    const columns = [0, window.columns - 1] as const
    hide(inFront, pose, planeM + heightM, window, mask, columns)
    for (let i = 0; i < cells.length; i++) if (mask[inWindow[i]!] === HIDDEN) hidden[cells[i]!] = HIDDEN
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
 * Of ground that lies between two depths `dz` and `orDz` below the lens, all that may be in the picture.
 */
function columnRange(
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

interface Range {
  readonly rows: readonly [first: number, last: number]
  readonly columns: readonly [first: number, last: number]
}

/** The rows and columns in which anything of the picture can lie. */
function rangeSeen(imager: Imager, axes: Axes, pose: Pose, grid: Grid, dz: number): Range | null {
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
function inFrontOf(eye: Eye, axes: Axes, occluders: Occluders): Occluders {
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
function standing<T extends Pick<Upright, 'a' | 'b' | 'fromM' | 'toM'>>(
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

/** Marks what lies in the shade of each obstacle, as if the lens were a lamp. */
function hide(
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
