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
/** The same in one row: for each case its first way's sides, then its second's. */
const SIDES = Uint8Array.from(WAYS.flatMap((sides) => [0, 1, 2, 3].map((at) => sides[at] ?? 0)))
/** The side by which the square beyond a side is entered. */
const ENTERS = Uint8Array.of(ABOVE, LEFT, BELOW, RIGHT)

type Ring = PlanPoint[]

/**
 * Every ring where `values` reach `threshold`, on the plan, m. `smooth`: the ring runs where the value would
 * be reached between the middles of two cells; else halfway.
 */
export const ringsOf = (grid: Grid, values: ArrayLike<number>, threshold: number, smooth: boolean): Ring[] =>
  traced(null, { grid, values, thresholds: [threshold], smooth }).rings[0]!.map(({ ring }) => ring)

interface Field {
  readonly grid: Grid
  /** They are kept for the next time: nobody writes in them any more. */
  readonly values: ArrayLike<number>
  /** Rising. */
  readonly thresholds: readonly number[]
  readonly smooth: boolean
}

/** The rings of a field by threshold, and what the next ones are traced from. */
export interface Traced {
  readonly values: ArrayLike<number>
  readonly reached: Uint8Array
  readonly rings: readonly (readonly TracedRing[])[]
}

interface TracedRing {
  readonly ring: Ring
  /** The ways that it goes through squares, a number each; the least first. */
  readonly steps: readonly number[]
  /** The greatest of them. */
  readonly last: number
}

/** A way through a square as one number. */
const stepOf = (square: number, way: number): number => 2 * square + way

/**
 * Traces the rings of every threshold. With those of the same grid and thresholds from before, only what goes
 * through squares whose values changed is traced anew; the outcome is the same.
 */
export function traced(before: Traced | null, field: Field): Traced {
  const { grid, values, thresholds } = field
  // With a rim of nothing round it, so that squares stand between all middles of cells, one more each way: a
  // square has the place of its cell below left.
  const wide = grid.columns + 2
  const changed = before && changedCells(before.values, values)
  const reached = before?.reached.slice() ?? new Uint8Array(wide * (grid.rows + 2))
  reach(grid, values, thresholds, changed, reached)
  const { open, dirty } = clearFor(reached.length)
  if (!changed) {
    const starts = ringed(grid, reached, thresholds.length)
    return { values, reached, rings: thresholds.map((_, at) => trace(field, reached, at, starts[at]!, open)) }
  }
  const squares: number[] = []
  const touch = (square: number) => {
    if (dirty[square] === 1 || !(isCrossed(before.reached, wide, square) || isCrossed(reached, wide, square)))
      return
    dirty[square] = 1
    squares.push(square)
  }
  for (const cell of changed) {
    const square = rimmed(grid, cell)
    touch(square)
    touch(square - 1)
    touch(square - wide)
    touch(square - wide - 1)
  }
  const [from, to] = [dirty.indexOf(1), dirty.lastIndexOf(1)]
  const rings = thresholds.map((_, at) => {
    const [gone, kept] = parted(
      before.rings[at]!,
      ({ steps, last }) => last >> 1 >= from && steps[0]! >> 1 <= to && comesBy(steps, dirty),
    )
    const starts: number[] = []
    for (const { steps } of gone) for (const step of steps) if (dirty[step >> 1] === 0) starts.push(step)
    for (const square of squares) starts.push(...waysThrough(caseOf(reached, wide, square, at), square))
    return inOrder(kept, trace(field, reached, at, Int32Array.from(starts).sort(), open))
  })
  for (const square of squares) dirty[square] = 0
  return { values, reached, rings }
}

/** A mark for every way through a square, and for every square: all clear, and so they are left. */
let clear = { open: new Uint8Array(0), dirty: new Uint8Array(0) }

/** New memory at every move of a hand costs more than what is done in it. */
function clearFor(squares: number): typeof clear {
  if (clear.dirty.length !== squares)
    clear = { open: new Uint8Array(2 * squares), dirty: new Uint8Array(squares) }
  return clear
}

/** The rings of these steps, rising: each is gone once. `open` is clear, and is again after. */
function trace(
  { grid, values, thresholds, smooth }: Field,
  reached: Uint8Array,
  at: number,
  starts: readonly number[] | Int32Array,
  open: Uint8Array,
): TracedRing[] {
  const { left, bottom, cellM, columns } = grid
  const threshold = thresholds[at]!
  const wide = columns + 2
  const beyond = Int32Array.of(-wide, 1, wide, -1)
  /** Where a ring leaves a square by a side. */
  const spot = (square: number, side: number): PlanPoint => {
    const cell = square + (side === RIGHT ? 1 : 0) + (side === ABOVE ? wide : 0)
    const column = (cell % wide) - 1
    const row = Math.floor(cell / wide) - 1
    const across = side === BELOW || side === ABOVE
    // Where the value is reached, as a share of the way to the next cell; halfway where the grid ends.
    let share = 0.5
    if (smooth && within(grid, column, row) && within(grid, column + +across, row + +!across)) {
      const here = row * columns + column
      const [from, to] = [values[here]!, values[here + (across ? 1 : columns)]!]
      share = (threshold - from) / (to - from)
    }
    return {
      x: left + (column + 0.5 + (across ? share : 0)) * cellM,
      y: bottom + (row + 0.5 + (across ? 0 : share)) * cellM,
    }
  }
  for (const start of starts) open[start] = 1
  const rings: TracedRing[] = []
  for (const start of starts) {
    if (open[start] === 0) continue
    const ring: Ring = []
    const steps: number[] = []
    let last = start
    for (let step = start; open[step] === 1; ) {
      open[step] = 0
      steps.push(step)
      last = Math.max(last, step)
      const square = step >> 1
      const side = SIDES[4 * caseOf(reached, wide, square, at) + 2 * (step & 1) + 1]!
      ring.push(spot(square, side))
      const next = square + beyond[side]!
      step = stepOf(next, SIDES[4 * caseOf(reached, wide, next, at)] === ENTERS[side] ? 0 : 1)
    }
    rings.push({ ring, steps, last })
  }
  return rings
}

/** A plain loop: it goes over every point of every ring while a hand drags. */
function comesBy(steps: readonly number[], dirty: Uint8Array): boolean {
  for (let i = 0; i < steps.length; i++) if (dirty[steps[i]! >> 1] === 1) return true
  return false
}

/** Whether any ring goes through a square. */
function isCrossed(reached: Uint8Array, wide: number, square: number): boolean {
  const here = reached[square]
  return (
    here !== reached[square + 1] || here !== reached[square + wide] || here !== reached[square + wide + 1]
  )
}

/** Which of the sixteen a square is for a threshold. */
const caseOf = (reached: Uint8Array, wide: number, square: number, at: number): number =>
  (reached[square + wide]! > at ? 1 : 0) |
  (reached[square + wide + 1]! > at ? 2 : 0) |
  (reached[square + 1]! > at ? 4 : 0) |
  (reached[square]! > at ? 8 : 0)

function waysThrough(which: number, square: number): readonly number[] {
  if (WAYS[which]!.length === 0) return []
  return WAYS[which]!.length > 2 ? [stepOf(square, 0), stepOf(square, 1)] : [stepOf(square, 0)]
}

const within = ({ columns, rows }: Grid, column: number, row: number): boolean =>
  column >= 0 && row >= 0 && column < columns && row < rows

/** The place of a cell with the rim round the grid. */
const rimmed = ({ columns }: Grid, cell: number): number =>
  (Math.floor(cell / columns) + 1) * (columns + 2) + (cell % columns) + 1

function changedCells(was: ArrayLike<number>, is: ArrayLike<number>): readonly number[] {
  const changed: number[] = []
  for (let cell = 0; cell < is.length; cell++) if (was[cell] !== is[cell]) changed.push(cell)
  return changed
}

/** Writes how many of the thresholds each cell reaches: of those that changed, or of all. */
function reach(
  grid: Grid,
  values: ArrayLike<number>,
  thresholds: readonly number[],
  changed: readonly number[] | null,
  reached: Uint8Array,
): void {
  const countOf = (value: number) => {
    let count = 0
    while (count < thresholds.length && value >= thresholds[count]!) count++
    return count
  }
  if (changed) for (const cell of changed) reached[rimmed(grid, cell)] = countOf(values[cell]!)
  else
    for (let row = 0, cell = 0; row < grid.rows; row++) {
      const before = (row + 1) * (grid.columns + 2) + 1
      for (let column = 0; column < grid.columns; column++, cell++)
        reached[before + column] = countOf(values[cell]!)
    }
}

/** By threshold, every way that a ring goes through a square. */
function ringed({ columns, rows }: Grid, reached: Uint8Array, thresholds: number): readonly number[][] {
  const wide = columns + 2
  const steps = Array.from({ length: thresholds }, (): number[] => [])
  for (let row = 0; row <= rows; row++) {
    let square = row * wide
    for (let column = 0; column <= columns; column++, square++) {
      const below = reached[square]!
      const nextBelow = reached[square + 1]!
      const above = reached[square + wide]!
      const nextAbove = reached[square + wide + 1]!
      if (below === nextBelow && below === above && below === nextAbove) continue
      const most = Math.max(below, nextBelow, above, nextAbove)
      for (let at = Math.min(below, nextBelow, above, nextAbove); at < most; at++)
        steps[at]!.push(...waysThrough(caseOf(reached, wide, square, at), square))
    }
  }
  return steps
}

/** Both of them by their first steps, as each is already. */
function inOrder(a: readonly TracedRing[], b: readonly TracedRing[]): readonly TracedRing[] {
  const all: TracedRing[] = []
  let at = 0
  for (const ring of b) {
    while (at < a.length && a[at]!.steps[0]! < ring.steps[0]!) all.push(a[at++]!)
    all.push(ring)
  }
  return [...all, ...a.slice(at)]
}

/** What does, and what does not. */
function parted<T>(all: readonly T[], does: (one: T) => boolean): readonly [readonly T[], readonly T[]] {
  const yes: T[] = []
  const no: T[] = []
  for (const one of all) (does(one) ? yes : no).push(one)
  return [yes, no]
}
