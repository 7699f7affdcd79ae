/**
 * Where two lists begin to differ and where their common ends begin: `[start, endBefore, endAfter]`. Items
 * are compared by identity, so that a long list with one new item is told in one pass.
 */
export function stretch(before: readonly unknown[], after: readonly unknown[]): [number, number, number] {
  const shorter = Math.min(before.length, after.length)
  let start = 0
  while (start < shorter && before[start] === after[start]) start++
  let [endBefore, endAfter] = [before.length, after.length]
  while (endBefore > start && endAfter > start && before[endBefore - 1] === after[endAfter - 1]) {
    endBefore--
    endAfter--
  }
  return [start, endBefore, endAfter]
}
