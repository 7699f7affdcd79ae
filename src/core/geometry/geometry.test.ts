import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { rectangle, xy } from '@/testing/plans'
import {
  acrossAll,
  along,
  areaM2,
  bearingDeg,
  boundsOf,
  contains,
  crossesItself,
  crossing,
  distanceM,
  middleOf,
  nearestOn,
  signedAreaM2,
} from '.'

const coordinate = fc.double({ min: -100, max: 100, noNaN: true })
const point = fc.record({ x: coordinate, y: coordinate })

describe('outlines', () => {
  it('have the area and the middle of a rectangle, whichever way round', () => {
    const outline = rectangle(2, 3, 4, 5)
    expect([signedAreaM2(outline), areaM2([...outline].reverse()), middleOf(outline)]).toEqual([
      20,
      20,
      xy(4, 5.5),
    ])
    expect(middleOf([xy(0, 0), xy(2, 0), xy(4, 0)])).toEqual(xy(2, 0))
  })
  it('have the area that a general polygon library finds for the overlap of two triangles', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 3 }), (corners) => {
        const ring = corners.map(({ x, y }): [number, number] => [x, y])
        const own = polygonClipping
          .union([ring])
          .flat()
          .map((r) => areaM2(r.slice(0, -1).map(([x, y]) => xy(x, y))))
          .reduce((sum, a) => sum + a, 0)
        expect(Math.abs(own - areaM2(corners))).toBeLessThan(1e-6)
      }),
      { numRuns: 300 },
    )
  })
  it('cross themselves or not', () => {
    expect(crossesItself(rectangle(0, 0, 4, 4))).toBe(false)
    expect(crossesItself([xy(0, 0), xy(4, 4), xy(4, 0), xy(0, 4)])).toBe(true)
    // touches its own side
    expect(crossesItself([xy(0, 0), xy(4, 0), xy(4, 4), xy(2, 0), xy(0, 4)])).toBe(true)
  })
  it('contain what lies in them, notches left out', () => {
    const notched = [xy(0, 0), xy(6, 0), xy(6, 6), xy(3, 3), xy(0, 6)]
    expect([contains(notched, xy(1, 1)), contains(notched, xy(3, 4)), contains(notched, xy(7, 1))]).toEqual([
      true,
      false,
      false,
    ])
  })
  it('have bounds, or none without points', () => {
    expect(boundsOf(rectangle(-1, -2, 3, 4))).toEqual({ left: -1, right: 2, bottom: -2, top: 2 })
    expect(boundsOf([])).toBeNull()
  })
})

describe('lines', () => {
  it('cross where both say so', () => {
    fc.assert(
      fc.property(point, point, point, point, (a, b, c, d) => {
        const hit = crossing(a, b, c, d)
        if (!hit) return
        const [p, q] = [
          xy(a.x + (b.x - a.x) * hit.along, a.y + (b.y - a.y) * hit.along),
          xy(c.x + (d.x - c.x) * hit.across, c.y + (d.y - c.y) * hit.across),
        ]
        expect(distanceM(p, q)).toBeLessThan(1e-6)
      }),
    )
    expect(crossing(xy(0, 0), xy(4, 0), xy(0, 1), xy(4, 1))).toBeNull()
  })
  it('turn clockwise from up the sheet', () => {
    expect([
      bearingDeg(xy(0, 0), xy(0, 5)),
      bearingDeg(xy(0, 0), xy(5, 0)),
      bearingDeg(xy(0, 0), xy(0, -5)),
      bearingDeg(xy(0, 0), xy(-5, 0)),
    ]).toEqual([0, 90, 180, 270])
    fc.assert(
      fc.property(
        point,
        fc.double({ min: 0, max: 359.9, noNaN: true }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (from, bearing, lengthM) => {
          const to = along(from, bearing, lengthM)
          expect(distanceM(from, to)).toBeCloseTo(lengthM, 6)
          expect(Math.cos(((bearingDeg(from, to) - bearing) * Math.PI) / 180)).toBeCloseTo(1, 9)
        },
      ),
    )
  })
  it('have a nearest point between their ends', () => {
    expect(nearestOn(xy(0, 0), xy(4, 0), xy(3, 2))).toEqual({ at: xy(3, 0), share: 0.75, distanceM: 2 })
    expect(nearestOn(xy(0, 0), xy(4, 0), xy(-3, 4))).toMatchObject({ at: xy(0, 0), distanceM: 5 })
    expect(nearestOn(xy(1, 1), xy(1, 1), xy(1, 3)).distanceM).toBe(2)
  })
})

describe('a circle round circles', () => {
  it('is as wide as one, as two beside each other, and holds more by no more than it must', () => {
    expect([[], [14], [14, 6]].map(acrossAll)).toEqual([0, 14, 20])
    // Three and seven alike: 2.1547 and 3 times as wide (R. L. Graham et al. 1998, from memory).
    expect(acrossAll([6, 6, 6]) / 6).toBeGreaterThan(2.1547)
    expect(acrossAll([6, 6, 6]) / 6).toBeLessThan(2.1547 * 1.1)
    expect(acrossAll(Array<number>(7).fill(6)) / 6).toBeGreaterThan(3)
  })
  it('has room for all: pushed apart from anywhere, they come to lie in it', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 26, noNaN: true }),
        fc.array(fc.double({ min: 4, max: 9, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.infiniteStream(fc.double({ min: -1, max: 1, noNaN: true })),
        (plug, cables, dice) => {
          const all = [plug, ...cables]
          expect(comesToLie(all, 1.002 * acrossAll(all), () => dice.next().value as number)).toBe(true)
        },
      ),
      { numRuns: 60 },
    ))
})

/** Whether circles come to lie beside each other in one, pushed apart from random places, in many tries. */
function comesToLie(diameters: readonly number[], across: number, dice: () => number): boolean {
  for (let tries = 0; tries < 100; tries++) {
    const at = diameters.map(() => ({ x: (dice() * across) / 2, y: (dice() * across) / 2 }))
    for (let round = 0; round < 3000; round++) {
      let worst = 0
      at.forEach((one, i) => {
        const [out, room] = [Math.hypot(one.x, one.y), (across - diameters[i]!) / 2]
        worst = Math.max(worst, out - room)
        if (out > room) Object.assign(one, { x: (one.x * room) / out, y: (one.y * room) / out })
        for (const [j, other] of at.slice(0, i).entries()) {
          const [x, y] = [one.x - other.x, one.y - other.y]
          const apart = Math.hypot(x, y) || 1e-9
          const into = (diameters[i]! + diameters[j]!) / 2 - apart
          worst = Math.max(worst, into)
          if (into <= 0) continue
          const share = into / 2 / apart
          Object.assign(one, { x: one.x + x * share, y: one.y + y * share })
          Object.assign(other, { x: other.x - x * share, y: other.y - y * share })
        }
      })
      if (worst < across / 1000) return true
    }
  }
  return false
}
