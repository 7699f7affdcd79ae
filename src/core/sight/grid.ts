import { boundsOf, type Bounds, type Outline, type PlanPoint } from '../geometry'

/** Square cells over a part of the plan; cell (0, 0) lies at the lower left, rows run up. */
export interface Grid {
  readonly left: number
  readonly bottom: number
  readonly cellM: number
  readonly columns: number
  readonly rows: number
}

/** The finest cells a survey uses, and how many it takes before it makes them coarser. */
export const FINEST_CELL_M = 0.25
const MOST_CELLS = 1_500_000

/** A grid over bounds; cells grow from the finest when there would be too many. */
export function gridOver({ left, right, bottom, top }: Bounds, finestM = FINEST_CELL_M): Grid {
  const cellM = Math.max(finestM, Math.sqrt(((right - left) * (top - bottom)) / MOST_CELLS))
  const [c0, r0] = [Math.floor(left / cellM), Math.floor(bottom / cellM)]
  return {
    left: c0 * cellM,
    bottom: r0 * cellM,
    cellM,
    columns: Math.max(1, Math.ceil(right / cellM - c0)),
    rows: Math.max(1, Math.ceil(top / cellM - r0)),
  }
}

export const cellCount = ({ columns, rows }: Grid): number => columns * rows

/** Middle of a cell. */
export function cellMiddle({ left, bottom, cellM, columns }: Grid, index: number): PlanPoint {
  const row = Math.floor(index / columns)
  return { x: left + (index - row * columns + 0.5) * cellM, y: bottom + (row + 0.5) * cellM }
}

/** The cell a point falls into; -1 outside the grid. */
export function cellAt({ left, bottom, cellM, columns, rows }: Grid, { x, y }: PlanPoint): number {
  const column = Math.floor((x - left) / cellM)
  const row = Math.floor((y - bottom) / cellM)
  return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column
}

/** Where a row cuts an outline; grows with the most cuts that any row had. */
let cuts = new Float64Array(64)

/**
 * Writes `value` into every cell whose middle lies inside the outline (even-odd), row by row; only in the
 * `columns` from the first to the last that is named.
 */
export function fillOutline(
  grid: Grid,
  mask: Uint8Array,
  outline: Outline,
  value: number,
  columns: readonly [first: number, last: number] = [0, grid.columns - 1],
): void {
  const box = boundsOf(outline)
  if (!box) return
  const { left, bottom, cellM, rows } = grid
  const [leftmost, rightmost] = columns
  const first = Math.max(0, Math.ceil((box.bottom - bottom) / cellM - 0.5))
  const last = Math.min(rows - 1, Math.floor((box.top - bottom) / cellM - 0.5))
  const n = outline.length
  if (cuts.length < n) cuts = new Float64Array(2 * n)
  for (let row = first; row <= last; row++) {
    const y = bottom + (row + 0.5) * cellM
    let found = 0
    for (let i = 0, j = n - 1; i < n; j = i++) {
      const a = outline[i]!
      const b = outline[j]!
      if (a.y > y === b.y > y) continue
      // Each cut is put in its place among those before: there are two, seldom more.
      const x = a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)
      let at = found++
      for (; at > 0 && cuts[at - 1]! > x; at--) cuts[at] = cuts[at - 1]!
      cuts[at] = x
    }
    for (let i = 0; i + 1 < found; i += 2) {
      const from = Math.max(leftmost, Math.ceil((cuts[i]! - left) / cellM - 0.5))
      const to = Math.min(rightmost, Math.floor((cuts[i + 1]! - left) / cellM - 0.5)) + 1
      if (to > from) mask.fill(value, row * grid.columns + from, row * grid.columns + to)
    }
  }
}
