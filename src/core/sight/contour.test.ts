import { contours } from 'd3-contour'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaM2, contains, signedAreaM2, type PlanPoint } from '../geometry'
import { ringsOf, traced, type Traced } from './contour'
import { ringsAt } from './rings'

const gridOf = (columns: number, rows: number) => ({ left: 0, bottom: 0, cellM: 1, columns, rows })
const field = fc
  .record({ columns: fc.integer({ min: 1, max: 9 }), rows: fc.integer({ min: 1, max: 9 }) })
  .chain(({ columns, rows }) =>
    fc.record({
      grid: fc.constant(gridOf(columns, rows)),
      values: fc.array(fc.oneof(fc.nat(4), fc.double({ min: 0, max: 4, noNaN: true })), {
        minLength: columns * rows,
        maxLength: columns * rows,
      }),
    }),
  )

/** Rings told from their lowest, leftmost point on, in a fixed order. */
const told = (rings: readonly (readonly PlanPoint[])[]) =>
  rings
    .map((ring) => {
      const words = ring.map(({ x, y }) => `${x.toFixed(6)},${y.toFixed(6)}`)
      const first = words.indexOf([...words].sort()[0]!)
      return [...words.slice(first), ...words.slice(0, first)].join(' ')
    })
    .sort()

describe('rings round what reaches a value', () => {
  it.each([true, false])('are those of a general library, smooth %s', (smooth) =>
    fc.assert(
      fc.property(field, fc.constantFrom(0.5, 1.5, 2.25, 3.75), ({ grid, values }, threshold) => {
        const { coordinates } = contours()
          .size([grid.columns, grid.rows])
          .smooth(smooth)
          .contour(values, threshold)
        const theirs = coordinates.flat().map((ring) => ring.slice(0, -1).map(([x, y]) => ({ x: x!, y: y! })))
        expect(told(ringsOf(grid, values, threshold, smooth))).toEqual(told(theirs))
      }),
      { numRuns: 400 },
    ),
  )
  it.each([true, false])('are the same, in the same order, traced on from before, smooth %s', (smooth) =>
    fc.assert(
      fc.property(
        field,
        fc.array(fc.array(fc.tuple(fc.nat(80), fc.nat(4)), { maxLength: 6 }), { maxLength: 5 }),
        ({ grid, values }, rounds) => {
          const over = { grid, thresholds: [0.5, 2, 3.25], smooth }
          let now = traced(null, { ...over, values: [...values] })
          for (const round of rounds) {
            for (const [cell, value] of round) values[cell % values.length] = value
            now = traced(now, { ...over, values: [...values] })
            expect(now).toEqual(traced(null, { ...over, values }))
          }
        },
      ),
      { numRuns: 200 },
    ),
  )
  it('traced on from before, rings that no change comes near are the very same', () => {
    const over = { grid: gridOf(7, 1), thresholds: [0.5], smooth: false }
    const ringsIn = (of: Traced) => of.rings[0]!.map(({ ring }) => ring)
    const before = traced(null, { ...over, values: [1, 0, 0, 0, 0, 0, 0] })
    const after = traced(before, { ...over, values: [1, 0, 0, 0, 0, 1, 0] })
    expect(ringsIn(after)).toHaveLength(2)
    expect(ringsIn(after)[0]).toBe(ringsIn(before)[0])
  })
  it('lie on the plan where the grid does', () => {
    const [ring] = ringsOf(
      { left: 10, bottom: -4, cellM: 0.5, columns: 3, rows: 3 },
      [0, 0, 0, 0, 1, 0, 0, 0, 0],
      0.5,
      false,
    )
    const middle = { x: 10.75, y: -3.25 }
    expect(ring).toHaveLength(4)
    for (const { x, y } of ring!) expect(Math.abs(x - middle.x) + Math.abs(y - middle.y)).toBeCloseTo(0.25, 9)
    expect(signedAreaM2(ring!)).toBeLessThan(0)
  })
  it('a hole belongs to the smallest place round it: an island in a lake has its own', () => {
    const size = 9
    const values = Array.from({ length: size * size }, (_, i) => {
      const away = Math.max(Math.abs((i % size) - 4), Math.abs(Math.floor(i / size) - 4))
      return Number(away !== 2)
    })
    // About the middle: an island, a lake round it, land round that.
    const places = ringsAt(gridOf(size, size), values, 0.5, false)
    expect(places.map(({ length }) => length).sort()).toEqual([1, 2])
  })
  it('holes lie in what they are cut from, and sizes add up to the cells', () =>
    fc.assert(
      fc.property(field, ({ grid, values }) => {
        const cells = values.map((value) => (value >= 2 ? 1 : 0))
        let sizeM2 = 0
        for (const [outer, ...holes] of ringsAt(grid, cells, 0.5, false)) {
          sizeM2 += areaM2(outer!)
          for (const hole of holes) {
            expect(contains(outer!, hole[0]!)).toBe(true)
            sizeM2 -= areaM2(hole)
          }
        }
        const filled = cells.filter((cell) => cell === 1).length
        // Each corner of a ring is cut by an eighth of a cell; a cell has four.
        expect(Math.abs(sizeM2 - filled)).toBeLessThanOrEqual(filled / 2 + 1e-9)
      }),
    ))
})
