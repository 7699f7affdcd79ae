/** Lengths in whole steps: how they lie in boxes, apart from what they are. */
export interface Packing {
  /** The longest first. */
  readonly sizes: readonly number[]
  /** What is left in each box that is begun. */
  readonly begun: readonly number[]
  /** What is in a new box; there are as many as are needed. */
  readonly fresh: number
}

/** The box of a load: the place of one that is begun, or a new one. */
export const FRESH = -1

/** What is cut from one box: places in `sizes`. */
export interface Load {
  readonly box: number
  readonly cuts: readonly number[]
}

/** What a plan opens: new boxes, then what was left in the begun ones that it touches. */
export interface Opened {
  readonly fresh: number
  readonly begun: number
}

export function openedBy({ begun }: Packing, loads: readonly Load[]): Opened {
  const boxes = loads.filter(({ cuts }) => cuts.length > 0).map(({ box }) => box)
  return {
    fresh: boxes.filter((box) => box === FRESH).length,
    begun: boxes.reduce((sum, box) => sum + (box === FRESH ? 0 : begun[box]!), 0),
  }
}

/** Whether a plan opens less than another: fewer new boxes, then less of what is begun. */
export const opensLess = (a: Opened, b: Opened): boolean =>
  a.fresh < b.fresh || (a.fresh === b.fresh && a.begun < b.begun)

const sum = (of: readonly number[]) => of.reduce((all, one) => all + one, 0)

/** New boxes that no plan does without, by length alone. */
export const leastFresh = ({ sizes, begun, fresh }: Packing): number =>
  Math.max(0, Math.ceil((sum(sizes) - sum(begun)) / fresh))

/** What can be opened of begun boxes, each being opened whole: 1 where some of them are so long together. */
function openable({ begun }: Pick<Packing, 'begun'>): Uint8Array {
  const all = sum(begun)
  const reached = new Uint8Array(all + 1)
  reached[0] = 1
  for (const size of begun) for (let at = all; at >= size; at--) if (reached[at - size]) reached[at] = 1
  return reached
}

/** The least that is opened of begun boxes where at least `needed` of them is. */
export function leastBegun(packing: Pick<Packing, 'begun'>, needed: number): number {
  const reached = openable(packing)
  const least = reached.indexOf(1, Math.max(0, Math.ceil(needed)))
  return least < 0 ? reached.length - 1 : least
}

/** The most that can be opened of begun boxes below `opened`; under 0 where nothing is. */
export const nextLessBegun = (packing: Pick<Packing, 'begun'>, opened: number): number =>
  openable(packing).subarray(0, opened).lastIndexOf(1)

/** The least that must be opened of begun boxes beside so many new ones, by length alone. */
export const leastBeside = (packing: Packing, freshBoxes: number): number =>
  leastBegun(packing, sum(packing.sizes) - freshBoxes * packing.fresh)
