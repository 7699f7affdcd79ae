/** So many loads at most are listed, and so many steps taken to find them. */
const MOST_LOADS = 4000
const MOST_STEPS = 400_000

/**
 * Every load of a box that is worth at least `needed`, and that no other cut fits into beside it: lists of
 * places in `sizes`, the longest first. Null where there are too many to list.
 */
export function loadsWithin(
  sizes: readonly number[],
  values: readonly number[],
  length: number,
  needed: number,
): readonly (readonly number[])[] | null {
  const most = worthFrom(sizes, values, length)
  const found: (readonly number[])[] = []
  const chosen: number[] = []
  let steps = 0
  /** The shortest cut that was passed over lies at `passed`, or nothing was. */
  const from = (at: number, left: number, worth: number, passed: number | null): boolean => {
    if (++steps > MOST_STEPS) return false
    if (worth + most[at]![left]! < needed) return true
    if (at === sizes.length) {
      if (passed === null || sizes[passed]! > left) found.push([...chosen])
      return found.length <= MOST_LOADS
    }
    if (sizes[at]! <= left) {
      chosen.push(at)
      const done = from(at + 1, left - sizes[at]!, worth + values[at]!, passed)
      chosen.pop()
      if (!done) return false
    }
    return from(at + 1, left, worth, at)
  }
  return from(0, length, 0, null) ? found : null
}

/** By cut and length: the most that this cut and those after it are worth in that length. */
function worthFrom(sizes: readonly number[], values: readonly number[], length: number): Float64Array[] {
  const most: Float64Array[] = Array.from({ length: sizes.length + 1 }, () => new Float64Array(length + 1))
  for (let at = sizes.length - 1; at >= 0; at--) {
    const [row, after] = [most[at]!, most[at + 1]!]
    for (let left = 0; left <= length; left++) {
      const beside = left >= sizes[at]! ? after[left - sizes[at]!]! + values[at]! : 0
      row[left] = Math.max(after[left]!, beside)
    }
  }
  return most
}
