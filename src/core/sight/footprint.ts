import type { PlanPoint } from '../geometry'
import type { Eye } from './eye'
import { lookOverLand } from './footprintLand'
import type { Grid } from './grid'
import { hide, HIDDEN } from './hiding'
import { columnRange, inFrontOf, rangeSeen } from './inPicture'
import type { Look, Scratch } from './look'
import type { Setting } from './occluders'
import { axesOf, densityAlong, pinholeDensity, rayThrough } from './projection'

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
export const lookOver: Look = (eye, setting, ...rest) =>
  setting.land ? lookOverLand(eye, setting, ...rest) : lookOverLevel(eye, setting, ...rest)

/**
 * Writes into `scratch` what one camera sees of a level plane, and says of how many cells. Exact at the
 * middle of each cell: the picture is cut out of each row by its four edges, and each obstacle hides the
 * patch of the plane that it shades as seen from the lens.
 */
const lookOverLevel: Look = (eye, setting, grid, planeM, { hidden, cells, densityPxM }) => {
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
  hide(inFrontOf(eye, axes, setting), pose, planeM, window, inWindow, seen.columns)

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
