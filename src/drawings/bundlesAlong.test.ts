import fc from 'fast-check'
import { expect, it } from 'vitest'
import { pullsOf, treesOf, type CableEnd } from '@/core/pathway'
import { spotsOf, wordsOf } from '@/testing/drawn'
import { headEnd, pathway } from '@/testing/plans'
import { cablesFrom, crossings, over, spot, yard } from '@/testing/ways'
import { bundleDrawings } from './bundlesAlong'
import type { Mark } from './marks'

const called = (ends: readonly CableEnd[]) => [
  ...new Set(ends.map(({ at, mark }) => (at === 'goal' ? 'Rack' : `to ${mark}.`))),
]
const drawn = (cables: ReturnType<typeof cablesFrom>, width = 800) =>
  bundleDrawings(treesOf(pullsOf(cables)), called, 'metric', width)
const trunk = (longM: number) =>
  over([
    pathway(
      [
        [0, 0],
        [longM, 0],
      ],
      { id: 'trunk', name: 'Trunk', heightM: 1, endM: 1 },
    ),
    headEnd(0, 0),
  ])
const lines = (marks: readonly Mark[]) =>
  marks.flatMap((mark) => {
    if (mark.kind !== 'shape' || mark.fill !== 'copper') return []
    const [xs, ys] = [spotsOf(mark).map(([x]) => x), spotsOf(mark).map(([, y]) => y)]
    const [wide, tall] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]
    // Each is as much longer as it is thick, so that corners are whole.
    return wide > tall ? [{ longPx: wide - tall, thickPx: tall }] : []
  })

it('pulls lie in proportion to each other, thicker the more cables there are', () => {
  const [only] = drawn(cablesFrom(trunk(60), [spot(20, 0, 1), spot(60, 0, 1), spot(60, 0, 1)]))
  const { title, drawing } = only!
  expect(title).toBe('From Rack')
  const [three, two] = lines(drawing.marks)
  expect(two!.longPx / three!.longPx).toBeCloseTo(2, 6)
  expect((three!.thickPx / two!.thickPx) ** 2).toBeCloseTo(3 / 2, 6)
  expect(wordsOf(drawing)).toEqual(expect.arrayContaining(['1', '2', '3 × 20.0 m, Trunk', 'to 2.; to 3.']))
  expect(drawing.says).toContain('Pull 2: 2 3 through Trunk, 40.0 m, to to 2.; to 3..')
})

it('a hundred cables come on several drawings, none too tall for a page, every pull and end on one', () => {
  const spots = Array.from({ length: 100 }, (_, i) => spot(3 + 2 * i, i % 3, 1))
  const drawings = drawn(cablesFrom(trunk(250), spots))
  expect(drawings.length).toBeGreaterThan(2)
  const said = drawings.flatMap(({ drawing }) => {
    expect(drawing.height).toBeLessThan(800)
    return wordsOf(drawing)
  })
  const once = (words: string) => said.filter((one) => one.split('; ').includes(words)).length
  for (let i = 1; i <= 100; i++) expect([i, once(`to ${i}.`)]).toEqual([i, 1])
  for (let order = 1; order < 99; order++) expect([order, once(String(order))]).toEqual([order, 1])
})

it('no two words lie over each other and none runs out of the drawing, whatever is led', () => {
  fc.assert(
    fc.property(
      yard,
      fc.array(crossings, { minLength: 2, maxLength: 9 }),
      fc.constantFrom(640, 980),
      (lanes, at, width) => {
        const finder = over([...lanes, headEnd(8, 8)])
        const cables = cablesFrom(
          finder,
          at.map(({ x, y }) => spot(4 * x + 0.5, 4 * y)),
        )
        for (const { drawing } of drawn(cables, width)) {
          const words = drawing.marks.flatMap((mark) => (mark.kind === 'words' ? [mark] : []))
          for (const { at, words: said, anchor } of words) {
            expect(at.every(Number.isFinite)).toBe(true)
            if (anchor === 'start') expect(at[0] + said.length * 5.6).toBeLessThanOrEqual(width)
            expect(at[1]).toBeLessThan(drawing.height)
          }
          const ends = words.filter(({ tone, anchor }) => tone === 'ink' && anchor === 'start')
          expect(new Set(ends.map(({ at: [, y] }) => y)).size).toBe(ends.length)
        }
      },
    ),
    { numRuns: 200 },
  )
})
