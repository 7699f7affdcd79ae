import RBush from 'rbush'

/**
 * Where words stand on a drawing, so that none lies on another: each tries its spots, stands aside with a
 * thin leader where none is free, and is left out where that does not help either. All figures are pixels
 * of the drawing; y goes down.
 */

export type Spot = readonly [x: number, y: number]

export interface Box {
  readonly minX: number
  readonly minY: number
  readonly maxX: number
  readonly maxY: number
}

export type Segment = readonly [x1: number, y1: number, x2: number, y2: number]

/** Where words may stand: on a spot, or away from it in one direction. */
export interface Try {
  readonly at: Spot
  /** Steps right and down, each -1, 0 or 1; `[0, 0]` is on the spot itself. */
  readonly way: Spot
}

export interface Wanted {
  readonly id: string
  readonly width: number
  readonly height: number
  /** Liked best first. */
  readonly tries: readonly Try[]
  /** What the words keep clear of the spot by. */
  readonly clear: number
  /** The lower, the sooner it is placed. */
  readonly rank: number
  /** How far it keeps from other words and marks, where that is more than a hair, px. */
  readonly apart?: number
  /** What it names, for a leader to lead to; left out where the words may not stand aside. */
  readonly named?: Spot
}

export interface Placed {
  readonly id: string
  readonly box: Box
  /** From what is named to the words. */
  readonly leader: Segment | null
}

export const WAYS: readonly Spot[] = [
  [1, 0],
  [-1, 0],
  [0, -1],
  [0, 1],
  [1, -1],
  [1, 1],
  [-1, -1],
  [-1, 1],
]

/** How far aside words with a leader stand, tried in this order. */
const ASIDE = [14, 28, 48, 76]
/** Words keep so far from each other. */
const APART = 1.5

const boxAt = (
  { width, height }: Pick<Wanted, 'width' | 'height'>,
  [x, y]: Spot,
  [dx, dy]: Spot,
  by: number,
) => {
  // Aslant it is as far away as straight.
  const step = dx !== 0 && dy !== 0 ? by * Math.SQRT1_2 : by
  const left = x + dx * step + ((dx - 1) * width) / 2
  const top = y + dy * step + ((dy - 1) * height) / 2
  return { minX: left, minY: top, maxX: left + width, maxY: top + height }
}

const nearestIn = ({ minX, minY, maxX, maxY }: Box, [x, y]: Spot): Spot => [
  Math.min(maxX, Math.max(minX, x)),
  Math.min(maxY, Math.max(minY, y)),
]

const inside = (box: Box, sheet: Box) =>
  box.minX >= sheet.minX && box.minY >= sheet.minY && box.maxX <= sheet.maxX && box.maxY <= sheet.maxY

/** Whether two boxes share more than an edge. */
export const meets = (a: Box, b: Box): boolean =>
  a.minX < b.maxX && a.maxX > b.minX && a.minY < b.maxY && a.maxY > b.minY

/** Whether a line passes through a box, clipped side by side (Liang and Barsky, 1984, from memory). */
export function passes([x1, y1, x2, y2]: Segment, { minX, minY, maxX, maxY }: Box): boolean {
  let [from, to] = [0, 1]
  const clip = (by: number, room: number) => {
    if (by === 0) return room > 0
    const at = room / by
    if (by < 0) from = Math.max(from, at)
    else to = Math.min(to, at)
    return from < to
  }
  return (
    clip(x1 - x2, x1 - minX) &&
    clip(x2 - x1, maxX - x1) &&
    clip(y1 - y2, y1 - minY) &&
    clip(y2 - y1, maxY - y1)
  )
}

const boundsOf = ([x1, y1, x2, y2]: Segment): Box => ({
  minX: Math.min(x1, x2),
  minY: Math.min(y1, y2),
  maxX: Math.max(x1, x2),
  maxY: Math.max(y1, y2),
})

interface Line extends Box {
  readonly line: Segment
}

const indexOf = (lines: readonly Segment[]) =>
  new RBush<Line>().load(lines.map((line) => ({ ...boundsOf(line), line })))

/** `taken`: what no words may lie on. `lines`: what they lie on only where there is no better spot. */
export function place(
  wanted: readonly Wanted[],
  taken: readonly Box[],
  lines: readonly Segment[],
  sheet: Box,
): Placed[] {
  const boxes = new RBush<Box>().load([...taken])
  const drawn = indexOf(lines)
  const leaders = indexOf([])

  const covers = (box: Box) => drawn.search(box).filter(({ line }) => passes(line, box)).length
  const free = ({ minX, minY, maxX, maxY }: Box, apart = APART) => {
    const box = { minX: minX - apart, minY: minY - apart, maxX: maxX + apart, maxY: maxY + apart }
    const clear = !leaders.search(box).some(({ line }) => passes(line, box))
    return inside({ minX, minY, maxX, maxY }, sheet) && !boxes.collides(box) && clear
  }
  const leads = (leader: Segment) =>
    !boxes.search(boundsOf(leader)).some((box) => passes(leader, box)) &&
    !leaders.search(boundsOf(leader)).some(({ line }) => crosses(line, leader))

  const placed: Placed[] = []
  for (const one of [...wanted].sort((a, b) => a.rank - b.rank)) {
    const at = best(one, free, covers) ?? aside(one, free, leads, marksOn(one, boxes))
    if (!at) continue
    boxes.insert(at.box)
    if (at.leader) leaders.insert({ ...boundsOf(at.leader), line: at.leader })
    placed.push(at)
  }
  return placed
}

/** The first free spot that covers the fewest lines. */
function best(
  one: Wanted,
  free: (box: Box, apart?: number) => boolean,
  covers: (box: Box) => number,
): Placed | null {
  let found: Placed | null = null
  let least = Infinity
  for (const { at, way } of one.tries) {
    const box = boxAt(one, at, way, one.clear)
    if (!free(box, one.apart)) continue
    const covered = covers(box)
    if (covered < least) [found, least] = [{ id: one.id, box, leader: null }, covered]
    if (least === 0) break
  }
  return found
}

/** The nearest free spot aside that a leader reaches without crossing words or another leader. */
function aside(
  one: Wanted,
  free: (box: Box) => boolean,
  leads: (leader: Segment) => boolean,
  marks: readonly Box[],
): Placed | null {
  if (!one.named) return null
  const [x, y] = one.named
  for (const by of ASIDE) {
    for (const way of WAYS) {
      const box = boxAt(one, one.named, way, one.clear + by)
      if (!free(box)) continue
      const [ex, ey] = nearestIn(box, one.named)
      const long = Math.hypot(ex - x, ey - y)
      const start = Math.max(one.clear, ...marks.map((mark) => wayOut(mark, one.named!, [ex, ey]))) / long
      const leader = [x + (ex - x) * start, y + (ey - y) * start, ex, ey] as const
      if (start < 1 && leads(leader)) return { id: one.id, box, leader }
    }
  }
  return null
}

/** What stands on the very thing that is named: a leader begins outside it. */
const marksOn = ({ named }: Wanted, boxes: RBush<Box>): readonly Box[] =>
  named ? boxes.search({ minX: named[0], minY: named[1], maxX: named[0], maxY: named[1] }) : []

/** How far it is out of a box from a point in it towards another. */
function wayOut({ minX, minY, maxX, maxY }: Box, [x, y]: Spot, [tx, ty]: Spot): number {
  const across = tx > x ? (maxX - x) / (tx - x) : (x - minX) / (x - tx)
  const down = ty > y ? (maxY - y) / (ty - y) : (y - minY) / (y - ty)
  const share = Math.min(tx === x ? Infinity : across, ty === y ? Infinity : down)
  return share * Math.hypot(tx - x, ty - y) + APART
}

const side = ([x1, y1, x2, y2]: Segment, x: number, y: number) =>
  Math.sign((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1))

/** Whether two lines cross. */
const crosses = (a: Segment, b: Segment): boolean =>
  side(a, b[0], b[1]) * side(a, b[2], b[3]) < 0 && side(b, a[0], a[1]) * side(b, a[2], a[3]) < 0
