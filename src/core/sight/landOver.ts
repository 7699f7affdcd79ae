import { boundsOf } from '../geometry'
import { cellCount, cellMiddle, type Grid } from './grid'
import { planeAt, type Facet } from './facet'
import { facetsIn, rimM, type Land } from './land'

/** The ground over the cells of a grid. */

/** Cells of about the same height: a part of a grid, and where its cells lie in it and in the whole. */
export interface Step {
  /** Of its lowest and its highest cell, m. */
  readonly leastM: number
  readonly mostM: number
  readonly window: Grid
  readonly cells: Uint32Array
  readonly inWindow: Uint32Array
}

/** The ground under the middle of every cell of a grid, m, and the steps it goes in. */
interface LandOver {
  readonly heights: Float32Array
  readonly steps: readonly Step[]
  /** Which step each cell is of. */
  readonly stepOf: Uint16Array
}

const GRIDS = new WeakMap<Land, Map<string, LandOver>>()
/** A floor, its areas and its window: more grids of one land are not remembered. */
const MOST_GRIDS = 40

/** The ground over a grid; made once. */
export function landOver(land: Land, grid: Grid): LandOver {
  const grids = GRIDS.get(land) ?? new Map<string, LandOver>()
  GRIDS.set(land, grids)
  const key = Object.values(grid).join(' ')
  const known = grids.get(key)
  if (known) return known
  if (grids.size >= MOST_GRIDS) grids.clear()
  const heights = heightsOver(land, grid)
  const over = { heights, ...stepsOf(land, grid, heights) }
  grids.set(key, over)
  return over
}

/** The ground under the middle of every cell, facet by facet; beyond them from their rim. */
function heightsOver(land: Land, grid: Grid): Float32Array {
  const heights = new Float32Array(cellCount(grid)).fill(NaN)
  const { left, bottom, cellM, columns, rows } = grid
  const right = left + columns * cellM
  const top = bottom + rows * cellM
  for (const facet of facetsIn(land, { left, right, bottom, top })) {
    const box = boundsOf(facet)!
    const start = planeAt(facet, { x: 0, y: 0 })
    if (start === null) continue
    const east = planeAt(facet, { x: 1, y: 0 })! - start
    const north = planeAt(facet, { x: 0, y: 1 })! - start
    const low = Math.max(0, Math.ceil((box.bottom - bottom) / cellM - 0.5))
    const high = Math.min(rows - 1, Math.floor((box.top - bottom) / cellM - 0.5))
    for (let row = low; row <= high; row++) {
      const y = bottom + (row + 0.5) * cellM
      const [from, to] = spanAt(facet, y)
      const first = Math.max(0, Math.ceil((from - left) / cellM - 0.5 - 1e-9))
      const last = Math.min(columns - 1, Math.floor((to - left) / cellM - 0.5 + 1e-9))
      for (let column = first; column <= last; column++)
        heights[row * columns + column] = start + east * (left + (column + 0.5) * cellM) + north * y
    }
  }
  for (let cell = 0; cell < heights.length; cell++)
    if (Number.isNaN(heights[cell])) heights[cell] = rimM(land, cellMiddle(grid, cell))
  return heights
}

/** From where to where a facet is cut by a line across the sheet. */
function spanAt(facet: Facet, y: number): readonly [number, number] {
  let [from, to] = [Infinity, -Infinity]
  for (let i = 0; i < 3; i++) {
    const [a, b] = [facet[i]!, facet[(i + 1) % 3]!]
    if ((a.y < y && b.y < y) || (a.y > y && b.y > y)) continue
    const x = a.y === b.y ? a.x : a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)
    const other = a.y === b.y ? b.x : x
    from = Math.min(from, x, other)
    to = Math.max(to, x, other)
  }
  return [from, to]
}

/** What things hide is worked out for so many steps of the ground's height, none finer than this, m. */
const LAND_STEPS = 24
const FINEST_STEP_M = 0.05

/** How high a step is by which land is taken, m; 0 where it is level. */
const landStepM = ({ leastM, mostM }: Land): number =>
  mostM === leastM ? 0 : Math.max(FINEST_STEP_M, (mostM - leastM) / LAND_STEPS)

/** What a step is made from: how many cells, where they lie, how high. */
interface Gathered {
  cells: number
  left: number
  right: number
  low: number
  high: number
  leastM: number
  mostM: number
}

/** Every cell's step, and the steps: gathered first and filled after, a floor has many cells. */
function stepsOf(land: Land, grid: Grid, heights: Float32Array): Pick<LandOver, 'steps' | 'stepOf'> {
  const stepM = landStepM(land)
  const { columns, rows } = grid
  const numbers = new Map<number, number>()
  const gathered: Gathered[] = []
  const stepOf = new Uint16Array(heights.length)
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++, cell++) {
      const height = heights[cell]!
      const key = stepM === 0 ? 0 : Math.round((height - land.leastM) / stepM)
      let index = numbers.get(key)
      if (index === undefined) {
        index = gathered.length
        numbers.set(key, index)
        gathered.push({
          cells: 0,
          left: column,
          right: column,
          low: row,
          high: row,
          leastM: height,
          mostM: height,
        })
      }
      stepOf[cell] = index
      const step = gathered[index]!
      step.cells++
      if (column < step.left) step.left = column
      if (column > step.right) step.right = column
      step.high = row
      if (height < step.leastM) step.leastM = height
      if (height > step.mostM) step.mostM = height
    }
  }
  const steps = gathered.map(({ cells, left, right, low, high, leastM, mostM }) => ({
    leastM,
    mostM,
    window: {
      left: grid.left + left * grid.cellM,
      bottom: grid.bottom + low * grid.cellM,
      cellM: grid.cellM,
      columns: right - left + 1,
      rows: high - low + 1,
    },
    cells: new Uint32Array(cells),
    inWindow: new Uint32Array(cells),
  }))
  const filled = new Uint32Array(steps.length)
  for (let row = 0, cell = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++, cell++) {
      const index = stepOf[cell]!
      const { cells, inWindow, window } = steps[index]!
      const { left, low } = gathered[index]!
      const at = filled[index]!++
      cells[at] = cell
      inWindow[at] = (row - low) * window.columns + column - left
    }
  }
  return { steps, stepOf }
}
