import type { Eye } from './eye'
import { cellCount, type Grid } from './grid'
import type { Setting } from './occluders'

/** What looking over a grid needs and gives. */

/** Writes into `scratch` what an eye sees of a plane above the ground (m), and says of how many cells. */
export type Look = (eye: Eye, setting: Setting, grid: Grid, planeM: number, scratch: Scratch) => number

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
