import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { pullSheet } from '../pull'
import { ledOn, strungFor } from '.'
import { hungM, spanPullN } from './strung'

/**
 * The chain itself instead of the parabola: y = a·cosh(x/a), whose sag is a·(cosh(L/2a) − 1), whose length is
 * 2a·sinh(L/2a) and whose pull at an eye is w·a·cosh(L/2a). Found by halving for a sag of 2 % of its span.
 */
it('hangs as the chain of the textbooks does, within a thousandth', () => {
  for (const spanM of [3, 12, 40]) {
    let [low, high] = [spanM / 100, spanM * 1000]
    const sag = (a: number) => a * (Math.cosh(spanM / (2 * a)) - 1)
    for (let i = 0; i < 200; i++) {
      const middle = (low + high) / 2
      if (sag(middle) > 0.02 * spanM) low = middle
      else high = middle
    }
    const off = (reckoned: number, chain: number) => Math.abs(reckoned / chain - 1)
    expect(off(hungM(spanM), 2 * low * Math.sinh(spanM / (2 * low)))).toBeLessThan(1e-5)
    expect(off(spanPullN(spanM, 2), 2 * low * Math.cosh(spanM / (2 * low)))).toBeLessThan(1e-3)
  }
})

const placed = plannedThrough(device())
const camera = (i: number) => ({
  ...placed,
  ...{ id: `d${i}`, mark: `0${i}` },
  sight: {
    ...placed.sight!,
    heightM: 3,
    place: { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
})
const yard = (yetToPut: boolean, count = 2) =>
  job({
    devices: Array.from({ length: count }, (_, i) => camera(i + 1)),
    things: [
      pathway(
        [
          [0, 0],
          [12, 0], // straight on: no eye
          [20, 0],
          [20, 10],
        ],
        { name: 'Over the yard', space: 'catenary', heightM: 3, endM: 3, yetToPut },
      ),
      headEnd(20, 10),
    ],
  })

it('a wire over two spans: what it pulls by hand, and what is loaded for it until it is up', () => {
  const [wire, ...more] = strungFor(ledOn(yard(true), CATALOGUE))
  expect(more).toEqual([])
  expect(wire).toMatchObject({ name: 'Over the yard', marks: ['01', '02'], spans: 2, spanM: 20, sagM: 0.4 })
  // Two cables of 6.2 mm at 1.5 kg/dm³ and a wire of 0.6 N/m, over 20 m with 0.4 m of sag.
  const weight = 2 * 1.5 * (Math.PI / 4) * 0.62 ** 2 * 0.1 * 9.81 + 0.6
  expect(wire!.pullN).toBeCloseTo((weight * 400) / 3.2, -1)
  expect(wire!.wireM).toBeCloseTo(31, 0)
  const van = (on: ReturnType<typeof yard>) =>
    pullSheet(on, CATALOGUE).van.flatMap(({ item, count, marks }) =>
      /wire|eye|Turnbuckle/i.test(item) ? [`${count} ${item} ${marks.join(' ')}`] : [],
    )
  expect(van(yard(true))).toEqual([
    '3 Eye bolts for a catenary wire 01 02',
    '32 Steel wire, 4 mm, for a catenary 01 02',
    '1 Turnbuckles for a catenary wire 01 02',
    '6 Wire grips, 4 mm 01 02',
  ])
  expect(van(yard(false))).toEqual([])
  expect(strungFor(ledOn(yard(false, 1), CATALOGUE))[0]!.pullN).toBeLessThan(wire!.pullN)
})
