import { FRESH, leastFresh, openedBy, opensLess, type Load, type Packing } from './packing'

/** The cuts among `open` that fill a length fullest, longer ones before shorter: places in `sizes`. */
function fullest(sizes: readonly number[], open: readonly number[], length: number): readonly number[] {
  // Lengths that are reached, a bit each; by length, the place in `open` of the cut that first reached it.
  const reached = new Uint32Array((length >> 5) + 1)
  const by = new Int32Array(32 * reached.length)
  reached[0] = 1
  for (const [at, cut] of open.entries()) {
    const size = sizes[cut]!
    const [words, bits] = [size >> 5, size & 31]
    for (let word = reached.length - 1; word >= words; word--) {
      const carried = bits > 0 && word > words ? reached[word - words - 1]! >>> (32 - bits) : 0
      let added = ((reached[word - words]! << bits) | carried) & ~reached[word]!
      reached[word]! |= added
      for (; added !== 0; added &= added - 1) by[32 * word + 31 - Math.clz32(added & -added)] = at
    }
    if (has(reached, length)) break
  }
  let most = length
  while (!has(reached, most)) most--
  const chosen: number[] = []
  for (let to = most; to > 0; to -= sizes[chosen.at(-1)!]!) chosen.push(open[by[to]!]!)
  return chosen
}

const has = (bits: Uint32Array, at: number): boolean => ((bits[at >> 5]! >>> (at & 31)) & 1) === 1

/**
 * A plan box by box, each filled as full as it gets: the begun ones in an order, then new ones, each with the
 * longest that is left.
 */
export function boxByBox(packing: Packing, order: readonly number[]): readonly Load[] {
  const { sizes, begun, fresh } = packing
  let open = [...sizes.keys()]
  const loads: Load[] = []
  const take = (box: number, cuts: readonly number[]) => {
    const taken = new Set(cuts)
    open = open.filter((cut) => !taken.has(cut))
    loads.push({ box, cuts })
  }
  for (const box of order) {
    const cuts = fullest(sizes, open, begun[box]!)
    if (cuts.length > 0) take(box, cuts)
  }
  for (let [longest, ...rest] = open; longest !== undefined; [longest, ...rest] = open)
    take(FRESH, [longest, ...fullest(sizes, rest, fresh - sizes[longest]!)])
  return loads
}

/** The well-known first fit: the longest first, each into the first box that still holds it. */
export function firstFit({ sizes, begun, fresh }: Packing, order: readonly number[]): readonly Load[] {
  const boxes = order.map((box) => ({ box, left: begun[box]!, cuts: [] as number[] }))
  for (const [cut, size] of sizes.entries()) {
    let into = boxes.find(({ left }) => left >= size)
    if (!into) boxes.push((into = { box: FRESH, left: fresh, cuts: [] }))
    into.left -= size
    into.cuts.push(cut)
  }
  return boxes.filter(({ cuts }) => cuts.length > 0)
}

/** So many begun boxes are tried first of all, and done without: the ones that hold most. */
const MOST_TRIED = 12

/**
 * The best of several quick plans, which leaves begun boxes whole where it needs no more new ones for it.
 * Which ones is not asked of a plan that is but a `start`, and opens more new ones than length alone wants.
 */
export function quickPlan(packing: Packing, start: boolean): readonly Load[] {
  const { begun } = packing
  const listed = [...begun.keys()]
  const falling = listed.toSorted((a, b) => begun[b]! - begun[a]!)
  const best = (loads: readonly (readonly Load[])[]) =>
    loads.reduce((one, other) => (opensLess(openedBy(packing, other), openedBy(packing, one)) ? other : one))
  const of = (order: readonly number[]) => [boxByBox(packing, order), firstFit(packing, order)]
  const first = falling.slice(0, MOST_TRIED).map((box) => [box, ...falling.filter((one) => one !== box)])
  let plan = best([listed, falling.toReversed(), falling].flatMap(of))
  if (start && openedBy(packing, plan).fresh > leastFresh(packing)) return plan
  plan = best([plan, ...first.flatMap(of)])
  for (const box of falling.slice(0, MOST_TRIED)) {
    const used = new Set(plan.map((load) => load.box))
    if (!used.has(box)) continue
    const without = falling.filter((one) => one !== box && used.has(one))
    plan = best([plan, ...of(without), ...of(without.toReversed())])
  }
  return plan
}
