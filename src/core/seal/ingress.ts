import { oncePer } from '../once'

/**
 * Tests of IEC 60529's second digit that a set of ratings stands for. Digits are not a ladder: immersion
 * (7, 8) does not include jets (5, 6) unless the code is dual. Ratings that are not understood stand for
 * nothing.
 */
export const testsOf = oncePer((ratings: readonly string[]): ReadonlySet<number> => {
  const tests = new Set<number>()
  for (const rating of ratings) {
    const digit = Number(/^IP[0-9X](\d)$/.exec(rating)?.[1] ?? Number.NaN)
    if (Number.isNaN(digit)) continue
    for (let test = 1; test <= Math.min(digit, digit > 6 ? 4 : 6); test++) tests.add(test)
    if (digit >= 7) tests.add(7)
    if (digit >= 8) tests.add(8)
  }
  return tests
})

/**
 * First digit of the best rating: how well it keeps dust out. Null where no rating says (IPX4), or none is
 * understood.
 */
export function dustOf(ratings: readonly string[]): number | null {
  const digits = ratings
    .map((rating) => /^IP([0-9])[0-9]$/.exec(rating)?.[1])
    .filter((digit) => digit !== undefined)
  return digits.length === 0 ? null : Math.max(...digits.map(Number))
}

/** True when every needed test has been passed. */
export function covers(passed: ReadonlySet<number>, needed: readonly number[]): boolean {
  return needed.every((test) => passed.has(test))
}

/** Prints a set of tests as a code: `IPX6`, `IPX6/IPX7`, `IPX0` when none was passed. */
export function printTests(passed: ReadonlySet<number>): string {
  const jets = [6, 5, 4, 3, 2, 1].find((digit) => passed.has(digit))
  const immersion = [8, 7].find((digit) => passed.has(digit))
  if (immersion === undefined) return `IPX${jets ?? 0}`
  return jets === undefined || jets <= 4 ? `IPX${immersion}` : `IPX${jets}/IPX${immersion}`
}

/** Tests that every link of a chain has passed. */
export function common(sets: readonly ReadonlySet<number>[]): Set<number> {
  const [first, ...rest] = sets
  return new Set([...(first ?? [])].filter((test) => rest.every((set) => set.has(test))))
}
