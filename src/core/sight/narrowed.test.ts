import fc from 'fast-check'
import { expect, it } from 'vitest'
import { onGround, soffit, wall } from '@/testing/plans'
import { boxAbout, occludersWithin } from './narrowed'
import { firstBetween } from './occluders'
import { askedOf, blocked } from './shade'

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

it('a ray meets the same thing among the few of its box as among all', () => {
  let met = 0
  fc.assert(
    fc.property(things, at, at, fc.double({ min: 0, max: 0.8, noNaN: true }), (all, from, to, rise) => {
      fc.pre(apart(from, to))
      const occluders = onGround(all)
      const [a, b] = [
        { ...from, z: 2 },
        { ...to, z: 2 + rise },
      ]
      const found = firstBetween(occluders, a, b)
      if (found) met++
      expect(firstBetween(occludersWithin(occluders, boxAbout([from, to], 0.01)), a, b)).toEqual(found)
    }),
    { numRuns: 400 },
  )
  expect(met).toBeGreaterThan(40)
})

it('a way up into the sky is blocked where a ray cast far out at everything is', () => {
  const tally = { blocked: 0, free: 0 }
  const turn = fc.integer({ min: 0, max: 35_999 }).map((n) => ((n + 0.37) / 18_000) * Math.PI)
  const up = fc.double({ min: 0.001, max: 1.5, noNaN: true })
  /** All round, or within a picture's width. */
  const ways = fc
    .tuple(fc.array(fc.tuple(turn, up), { minLength: 1, maxLength: 40 }), fc.constantFrom(1, 0.1, 0.3))
    .map(([angles, width]) => angles.map(([t, u]) => [t * width, u] as const))
  fc.assert(
    fc.property(things, at, ways, fc.constantFrom(0.3, 2, 2.95), (all, place, angles, z) => {
      const occluders = onGround(all)
      const from = { ...place, z }
      const vectors = angles.map(([t, u]) => [
        Math.sin(t) * Math.cos(u),
        Math.cos(t) * Math.cos(u),
        Math.sin(u),
      ])
      const found = blocked(occluders, askedOf(from, Float64Array.from(vectors.flat()), [...vectors.keys()]))
      for (const [i, [x, y, rise]] of vectors.entries()) {
        const far = { x: from.x + x! * 20_000, y: from.y + y! * 20_000, z: z + rise! * 20_000 }
        const met = firstBetween(occluders, from, far)
        tally[met ? 'blocked' : 'free']++
        expect(found[i]).toBe(met ? 1 : 0)
      }
    }),
    { numRuns: 300 },
  )
  expect(Math.min(tally.blocked, tally.free)).toBeGreaterThan(500)
})
