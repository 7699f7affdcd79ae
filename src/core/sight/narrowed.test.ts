import fc from 'fast-check'
import { expect, it } from 'vitest'
import { soffit, wall } from '@/testing/plans'
import { boxAbout, byBearing, occludersWithin } from './narrowed'
import { firstBetween, occludersOf } from './occluders'

const metres = fc.integer({ min: -200, max: 200 }).map((n) => n / 10)
const at = fc.record({ x: metres, y: metres })
const apart = (a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.hypot(a.x - b.x, a.y - b.y) > 0.2
const things = fc.array(
  fc
    .tuple(at, at, fc.boolean())
    .filter(([a, b]) => apart(a, b))
    .map(([a, b, board]) => (board ? soffit(a.x, a.y, b.x, b.y) : wall(a.x, a.y, b.x, b.y, {}))),
  { minLength: 6, maxLength: 24 },
)

it('a ray meets the same thing among the few of its bearing, or of its box, as among all', () => {
  let met = 0
  fc.assert(
    fc.property(things, at, at, fc.double({ min: 0, max: 0.8, noNaN: true }), (all, from, to, rise) => {
      fc.pre(apart(from, to))
      const occluders = occludersOf(all, 'ground')
      const [a, b] = [
        { ...from, z: 2 },
        { ...to, z: 2 + rise },
      ]
      const found = firstBetween(occluders, a, b)
      if (found) met++
      expect(firstBetween(byBearing(occluders, from)(to.x - from.x, to.y - from.y), a, b)).toEqual(found)
      expect(firstBetween(occludersWithin(occluders, boxAbout([from, to], 0.01)), a, b)).toEqual(found)
    }),
    { numRuns: 400 },
  )
  expect(met).toBeGreaterThan(40)
})
