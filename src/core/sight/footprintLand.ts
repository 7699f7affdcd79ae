import type { Eye } from './eye'
import { landBetween } from './brows'
import { cellCount } from './grid'
import { hide, HIDDEN } from './hiding'
import { columnRange, inFrontOf, standing } from './inPicture'
import type { Land } from './land'
import { landOver, type Step } from './landOver'
import type { Look } from './look'
import { axesOf, densityWith, inFrame, projectWith, type Axes, type Pose } from './projection'
import type { Occluders } from '../plan'

/**
 * The same of ground that slopes or steps. Pixels per metre, and what brows hide, are exact at each cell's
 * own height; what things hide is worked out step by step of it.
 */
export const lookOverLand: Look = (eye, setting, grid, planeM, { hidden, cells, densityPxM }) => {
  const land = setting.land!
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

/**
 * Marks what things hide of each step of the ground, taken for two planes: as high as its lowest cell and as
 * its highest. What either of them hides is hidden: sooner too much than too little.
 */
function hideBySteps(
  inFront: Occluders,
  pose: Pose,
  planeM: number,
  hidden: Uint8Array,
  steps: readonly Step[],
): void {
  hidden.fill(0)
  for (const { leastM, mostM, window, cells, inWindow } of steps) {
    const mask = new Uint8Array(cellCount(window))
    const columns = [0, window.columns - 1] as const
    for (const heightM of new Set([leastM, mostM]))
      hide(inFront, pose, planeM + heightM, window, mask, columns)
    for (let i = 0; i < cells.length; i++) if (mask[inWindow[i]!] === HIDDEN) hidden[cells[i]!] = HIDDEN
  }
}
