import type { PlanPoint } from '../geometry'
import type { Grid } from './grid'

/**
 * Rings round the cells of a grid that hold at least a value, by marching squares (Lorensen and Cline, 1987,
 * in two dimensions; from memory): outer rings with the clock, holes against it. Outside lies nothing.
 */

/** The sides of a square between the middles of four cells. */
const [BELOW, RIGHT, ABOVE, LEFT] = [0, 1, 2, 3] as const

/**
 * For each of the sixteen ways in which a square's corners reach the value, where a ring comes in and where
 * it leaves: from side, to side, and once more where two rings pass. Corners: above left 1, above right 2,
 * below right 4, below left 8.
 */
const WAYS: readonly (readonly number[])[] = [
  [],
  [ABOVE, LEFT],
  [RIGHT, ABOVE],
  [RIGHT, LEFT],
  [BELOW, RIGHT],
  [ABOVE, LEFT, BELOW, RIGHT],
  [BELOW, ABOVE],
  [BELOW, LEFT],
  [LEFT, BELOW],
  [ABOVE, BELOW],
  [LEFT, BELOW, RIGHT, ABOVE],
  [RIGHT, BELOW],
  [LEFT, RIGHT],
  [ABOVE, RIGHT],
  [LEFT, ABOVE],
  [],
]
/** The square that lies beyond a side, and the side by which it is entered. */
const BEYOND = [
  { column: 0, row: -1, enters: ABOVE },
  { column: 1, row: 0, enters: LEFT },
  { column: 0, row: 1, enters: BELOW },
  { column: -1, row: 0, enters: RIGHT },
] as const

type Ring = PlanPoint[]

/**
 * Every ring where `values` reach `threshold`, on the plan, m. `smooth`: the ring runs where the value would
 * be reached between the middles of two cells; else halfway.
 */
export function ringsOf(
  { left, bottom, cellM, columns, rows }: Grid,
  values: ArrayLike<number>,
  threshold: number,
  smooth: boolean,
): Ring[] {
  const value = (column: number, row: number): number => values[row * columns + column]!
  // With a rim of nothing round it, so that squares stand between all middles of cells, one more each way.
  const wide = columns + 2
  const inside = new Uint8Array(wide * (rows + 2))
  for (let row = 0; row < rows; row++) {
    const [from, to] = [row * columns, (row + 1) * wide + 1]
    for (let column = 0; column < columns; column++)
      if (values[from + column]! >= threshold) inside[to + column] = 1
  }
  /** For each square with a ring in it: which of the sixteen it is, and its ways not gone yet. */
  const cases = new Uint8Array(inside.length)
  const open = new Uint8Array(inside.length)
  const starts: number[] = []
  for (let row = 0; row <= rows; row++) {
    let at = row * wide
    let [below, above] = [0, 0]
    for (let column = 0; column <= columns; column++, at++) {
      const [nextBelow, nextAbove] = [inside[at + 1]!, inside[at + wide + 1]!]
      const which = above | (nextAbove << 1) | (nextBelow << 2) | (below << 3)
      below = nextBelow
      above = nextAbove
      if (which === 0 || which === 15) continue
      cases[at] = which
      open[at] = which === 5 || which === 10 ? 3 : 1
      starts.push(at)
    }
  }
  const within = (column: number, row: number) => column >= 0 && row >= 0 && column < columns && row < rows
  /** Where between two cells the value is reached, as a share of the way; at the rim where the grid ends. */
  const share = (c: number, r: number, c2: number, r2: number): number => {
    if (!smooth || !within(c, r) || !within(c2, r2)) return 0.5
    const [from, to] = [value(c, r), value(c2, r2)]
    return (threshold - from) / (to - from)
  }
  const spot = (column: number, row: number, side: number): PlanPoint => {
    // A square's own corners are the middles of cells: its left ones lie half a cell before its column.
    const across = side === BELOW || side === ABOVE
    const [c, r] = [side === RIGHT ? column : column - 1, side === ABOVE ? row : row - 1]
    const on = across ? share(c, r, c + 1, r) : share(c, r, c, r + 1)
    return {
      x: left + (c + 0.5 + (across ? on : 0)) * cellM,
      y: bottom + (r + 0.5 + (across ? 0 : on)) * cellM,
    }
  }
  const rings: Ring[] = []
  for (const start of starts)
    while (open[start]! !== 0) {
      const ring: Ring = []
      let [column, row] = [start % wide, Math.floor(start / wide)]
      let way = open[start]! & 1 ? 0 : 1
      for (;;) {
        const at = row * wide + column
        if ((open[at]! & (1 << way)) === 0) break // round
        open[at]! &= ~(1 << way)
        const side = WAYS[cases[at]!]![2 * way + 1]!
        ring.push(spot(column, row, side))
        const next = BEYOND[side as 0 | 1 | 2 | 3]
        column += next.column
        row += next.row
        way = WAYS[cases[row * wide + column]!]![0] === next.enters ? 0 : 1
      }
      rings.push(ring)
    }
  return rings
}
