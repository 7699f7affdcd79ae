import { expect, it } from 'vitest'
import { wordsOf } from './Ask'

const sees = (count: number) =>
  Array.from({ length: count }, (_, i) => ({
    ...{ deviceId: `d${i}`, mark: String(i), densityPxM: 100 - i, level: 'detect' as const },
  }))
const blocked = (count: number) =>
  Array.from({ length: count }, (_, i) => ({ deviceId: `b${i}`, mark: `B${i}`, by: 'a wall' }))

it.each([
  [6, /^Seen by 6: 0 at 100 px\/m, detect; .*; 5 at 95 px\/m, detect\.$/],
  [7, /^Seen by 7: 0 at 100 px\/m, detect; .*; 5 at 95 px\/m, detect; and 1 more\.$/],
  [300, /; and 294 more\.$/],
])('%s who see it are named as far as there is room', (count, words) => {
  expect(wordsOf({ seen: sees(count), hidden: [] }, 'metric')).toMatch(words)
})

it('so are those who are blocked', () => {
  expect(wordsOf({ seen: [], hidden: blocked(8) }, 'metric')).toMatch(
    /^Seen by nobody: B0 is blocked by a wall; .*; B5 is blocked by a wall; and 2 more\.$/,
  )
})
