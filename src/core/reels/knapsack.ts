/** What cuts of a length are worth together. */
export interface Knapsack {
  /** The most that a length holds. */
  readonly worth: (length: number) => number
  /** The cuts that hold it: places in `sizes`. */
  readonly chosen: (length: number) => readonly number[]
  /** The best load in which each cut is the longest, those worth most first. */
  readonly loads: (length: number) => readonly (readonly number[])[]
}

/** The most worth that cuts hold in any length up to `longest`, each cut once. */
export function knapsack(sizes: readonly number[], values: readonly number[], longest: number): Knapsack {
  const most = new Float64Array(longest + 1)
  const worthy = [...sizes.keys()].filter((cut) => values[cut]! > 0 && sizes[cut]! <= longest)
  const cuts = unbeaten(sizes, values, worthy, longest)
  // By cut and length, whether it is taken there: one array for all.
  const taken = new Uint8Array(cuts.length * (longest + 1))
  for (const [at, cut] of cuts.entries()) {
    const [size, value, row] = [sizes[cut]!, values[cut]!, at * (longest + 1)]
    for (let to = longest; to >= size; to--) {
      const beside = most[to - size]! + value
      if (beside <= most[to]!) continue
      most[to] = beside
      taken[row + to] = 1
    }
  }
  const from = (last: number, length: number) => {
    const chosen: number[] = []
    let left = length
    for (let at = last; at >= 0; at--) {
      if (!taken[at * (longest + 1) + left]) continue
      chosen.push(cuts[at]!)
      left -= sizes[cuts[at]!]!
    }
    return chosen
  }
  return {
    worth: (length) => most[length]!,
    chosen: (length) => from(cuts.length - 1, length),
    loads: (length) =>
      [...cuts.keys()]
        .filter((at) => sizes[cuts[at]!]! <= length)
        .map((at) => [cuts[at]!, ...from(at - 1, length - sizes[cuts[at]!]!)])
        .map((load) => ({ load, worth: load.reduce((sum, cut) => sum + values[cut]!, 0) }))
        .sort((a, b) => b.worth - a.worth)
        .map(({ load }) => load),
  }
}

/**
 * Cuts that some best load may need: of a load that holds one, another takes its place where as many as go in
 * are each no longer and worth no less.
 */
function unbeaten(
  sizes: readonly number[],
  values: readonly number[],
  cuts: readonly number[],
  longest: number,
): readonly number[] {
  const rising = cuts.toSorted((a, b) => sizes[a]! - sizes[b]! || values[b]! - values[a]!)
  const shortest = sizes[rising[0] ?? 0]!
  /** What the best so far are worth, falling. */
  const best: number[] = []
  return rising.filter((cut) => {
    const mostBeside = Math.floor((longest - sizes[cut]!) / shortest)
    const before = best.findIndex((value) => value < values[cut]!)
    const beating = before < 0 ? best.length : before
    if (beating > mostBeside) return false
    best.splice(beating, 0, values[cut]!)
    return true
  })
}
