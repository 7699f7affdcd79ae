import { dice } from '@/testing/dice'
import { inPolygon } from 'visibility-polygon'
import { describe, expect, it } from 'vitest'
import { xy } from '@/testing/plans'
import { cellAt, cellMiddle, gridOver } from '.'
import { fillOutline } from './grid'

describe('cells of a grid', () => {
  const grid = gridOver({ left: 0, right: 10, bottom: 0, top: 5 }, 0.5)
  it('a point falls into the cell whose middle is nearest, or into none', () => {
    for (const [x, y] of [
      [0, 0],
      [0.49, 0.01],
      [9.99, 4.99],
      [3.2, 2.7],
    ] as const) {
      const middle = cellMiddle(grid, cellAt(grid, xy(x, y)))
      expect(Math.max(Math.abs(middle.x - x), Math.abs(middle.y - y))).toBeLessThanOrEqual(0.25 + 1e-9)
    }
    for (const [x, y] of [
      [-0.01, 1],
      [1, -0.01],
      [10.01, 1],
      [1, 5.01],
    ] as const)
      expect(cellAt(grid, xy(x, y))).toBe(-1)
  })
  it('an outline of any shape fills the cells whose middle lies in it, by a general library', () => {
    const roll = dice(5)
    let filled = 0
    for (let round = 0; round < 40; round++) {
      const corners = Array.from({ length: 3 + Math.floor(roll(0, 5)) }, () => xy(roll(-2, 12), roll(-2, 7)))
      const mask = new Uint8Array(grid.columns * grid.rows)
      fillOutline(grid, mask, corners, 7)
      mask.forEach((value, i) => {
        const { x, y } = cellMiddle(grid, i)
        const inside = inPolygon(
          [x, y],
          corners.map((corner) => [corner.x, corner.y]),
        )
        expect([i, value]).toEqual([i, inside ? 7 : 0])
        if (inside) filled++
      })
    }
    expect(filled).toBeGreaterThan(1000)
  })
})
