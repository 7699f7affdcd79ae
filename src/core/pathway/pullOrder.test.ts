import fc from 'fast-check'
import { expect, it } from 'vitest'
import { orderOf, type Turn } from './pullOrder'
import type { Strand } from './strands'

/** Strands of one metre, told by their numbers from 1 on; a way that goes back through one has it below 0. */
type Walk = readonly number[]
const strandOf = (number: number) => Math.abs(number) - 1
const strandsIn = (walks: readonly Walk[]): Strand[] =>
  Array.from({ length: Math.max(0, ...walks.flat().map(Math.abs)) }, (_, strand) => ({
    ...{ pieces: [], lengthM: 1, ends: [0, 0] },
    ways: walks.flatMap((walk, way) => (walk.some((one) => strandOf(one) === strand) ? [way] : [])),
  }))
const ordered = (
  walks: readonly Walk[],
  fed: Parameters<typeof orderOf>[2] = [],
  first: readonly number[] = [],
) =>
  orderOf(
    strandsIn(walks),
    walks.map((walk) => walk.map((one) => ({ strand: strandOf(one), back: one < 0 }))),
    fed,
    first,
  )
const numberOf = ({ strand, back }: Turn) => (back ? -1 : 1) * (strand + 1)
const said = (turns: readonly Turn[]) => turns.map((turn) => `${numberOf(turn)}: ${turn.ways.join(' ')}`)

it('goes on from the last pull, the thickest first, then what has the farthest to go', () => {
  // A trunk parts into one cable of three strands, and two that part again.
  const { turns, turned } = ordered([
    [1, 2, 3, 4],
    [1, 5, 6],
    [1, 5, 7, 8],
  ])
  expect(said(turns)).toEqual(['1: 0 1 2', '5: 1 2', '7: 2', '8: 2', '2: 0', '3: 0', '4: 0', '6: 1'])
  expect([...turned]).toEqual([])
})
it('what goes against the others is fed from its other end, two of a kind together', () => {
  // A lead out to a switch on site, whose two cameras lie along the same trunk.
  const { turns, turned } = ordered([
    [1, 2, 3],
    [-3, -2, 4, 5],
    [-3, -2, 4, 6],
  ])
  expect([...turned].sort()).toEqual([1, 2])
  expect(turns.every(({ later }) => later.length === 0)).toBe(true)
  expect(said(turns)).toContain('2: 0 1 2')
})
it('two that only lie beside each other go one way round', () => {
  const { turns, turned } = ordered([[1], [-1]])
  expect([turned.size, said(turns)]).toEqual([1, [expect.stringMatching(/: 0 1$/)]])
})
it('what must be fed from an end is, and the others beside it go its way; two against each other part', () => {
  const { turns, turned } = ordered(
    [
      [1, 2, 3],
      [1, 2, 4],
    ],
    ['device'],
  )
  expect([...turned].sort()).toEqual([0, 1])
  expect(turns.every(({ later }) => later.length === 0)).toBe(true)
  const kept = ordered(
    [
      [1, 2],
      [-2, -1],
    ],
    ['goal', null],
  )
  expect([...kept.turned]).toEqual([1])
  const against = ordered(
    [
      [1, 2, 3],
      [1, 2, 4],
    ],
    ['device', 'goal'],
  )
  expect([...against.turned]).toEqual([0])
  expect(against.turns.some(({ later }) => later.length > 0)).toBe(true)
})
it('what goes first goes alone through all that it passes, as it is fed, and the rest comes later', () => {
  const walks = [
    [1, 2],
    [1, 3],
    [1, 2],
  ]
  const { turns } = ordered(walks, [null, null, 'device'], [2, 1])
  expect(said(turns)).toEqual(['-2: 2', '-1: 2', '1: 1', '3: 1', '1: 0', '2: 0'])
  expect(turns.map(({ later }) => later)).toEqual([[0], [0, 1], [0], [], [], []])
})
it('where none helps, what is there is pulled and the rest later', () => {
  const { turns } = ordered([
    [1, 2, 3, 4],
    [5, 3, 2, 6],
  ])
  expect(turns.filter(({ later }) => later.length > 0)).toHaveLength(1)
})

/** Whether all go through every strand one way round, and each strand after what all pass before it. */
const isStraight = (walks: readonly Walk[]): boolean => {
  if (walks.flat().some((one) => walks.flat().includes(-one))) return false
  const after = new Map<number, Set<number>>()
  for (const walk of walks)
    walk.slice(1).forEach((one, i) => after.set(walk[i]!, (after.get(walk[i]!) ?? new Set()).add(one)))
  const left = new Set(walks.flat())
  for (let free = true; free; ) {
    free = false
    for (const strand of left) {
      if ([...left].some((other) => after.get(other)?.has(strand))) continue
      left.delete(strand)
      free = true
    }
  }
  return left.size === 0
}

it('every way passes all its strands in their order; none is turned or left for later without need', () => {
  let [straight, turnedOnes, split] = [0, 0, 0]
  const walk = fc
    .tuple(fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 6 }), fc.nat(15))
    .map(([strands, backs]) =>
      strands.map((one, i) => ([1, 3, 7].includes(backs) && i % 2 === 0 ? -one : one)),
    )
  fc.assert(
    fc.property(fc.array(walk, { minLength: 1, maxLength: 6 }), (walks) => {
      const { turns, turned } = ordered(walks)
      walks.forEach((walk, way) => {
        const pulled = turns.filter(({ ways }) => ways.includes(way)).map(numberOf)
        expect(pulled).toEqual(turned.has(way) ? walk.map((one) => -one).toReversed() : walk)
      })
      for (const [strand, { ways }] of strandsIn(walks).entries()) {
        const goes = turns.filter((turn) => turn.strand === strand)
        const left = [...ways]
        for (const { ways: now, later } of goes) {
          for (const way of now) left.splice(left.indexOf(way), 1)
          expect([...later].sort()).toEqual([...left].sort())
        }
        expect(left).toEqual([])
      }
      if (isStraight(walks)) {
        expect([turned.size, turns.filter(({ later }) => later.length > 0)]).toEqual([0, []])
        straight++
      }
      if (turned.size > 0) turnedOnes++
      if (turns.some(({ later }) => later.length > 0)) split++
    }),
    { numRuns: 1500 },
  )
  for (const count of [straight, turnedOnes, split]) expect(count).toBeGreaterThan(20)
})
