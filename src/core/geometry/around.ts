/** Beyond these so much of the circle is taken by cables at the least. */
const FULL = 0.7
/** The least circle round so many equal ones, in their diameters (R. L. Graham et al. 1998, from memory). */
const AROUND = [0, 1, 2, 2.1547, 2.4143, 2.7013, 3, 3, 3.3048, 3.6131, 3.8131]

/** How many diameters of one a circle round so many equal circles is across. */
export const aroundTimes = (count: number): number => AROUND[count] ?? Math.sqrt(count / FULL)

/** Circles of any sizes lie in one that is no fuller than this and takes its two widest: tried by packing. */
const MIXED = 0.6

/** Across a circle that has room for circles of these diameters beside each other; 0 for none. */
export function acrossAll(diameters: readonly number[]): number {
  const [widest = 0, next = 0] = diameters.toSorted((a, b) => b - a)
  const squares = diameters.reduce((sum, one) => sum + one * one, 0)
  return diameters.length < 2 ? widest : Math.max(widest + next, Math.sqrt(squares / MIXED))
}
