import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { crossings, EVERYTHING, over, spot, yard } from '@/testing/ways'
import { bundlesIn, pullsOf, type CableWay, type Pull } from '.'

const cablesFrom = (
  finder: ReturnType<typeof over>,
  spots: readonly ReturnType<typeof spot>[],
): readonly CableWay[] =>
  spots.map((from, i) => ({
    ...{ id: `d${i}`, mark: String(i + 1), of: device(), cable: CATALOGUE.cables.get('cat6')! },
    ...{ from, to: null, turned: false },
    found: finder.find(from, EVERYTHING),
  }))

it('cables leave the head end as one bundle and part where their ways do: reckoned by hand', () => {
  // A trunk of 20 m; one leaves it at 8 m, two go on to its end and part there.
  const trunk = pathway(
    [
      [0, 0],
      [20, 0],
    ],
    { id: 'trunk', name: 'Trunk', heightM: 1, endM: 1 },
  )
  const left = pathway(
    [
      [20, 0],
      [20, 9],
    ],
    { id: 'left', name: 'Left', heightM: 1, endM: 1 },
  )
  const right = pathway(
    [
      [20, 0],
      [20, -5],
    ],
    { id: 'right', name: 'Right', heightM: 1, endM: 1 },
  )
  const finder = over([trunk, left, right, headEnd(0, 0)])
  const pulls = pullsOf(cablesFrom(finder, [spot(8, 0, 1), spot(20, 9, 1), spot(20, -5, 1)]))
  const said = ({ marks, through, togetherM, parts }: Pull): unknown => [
    marks.join(' '),
    through.join(', '),
    +togetherM.toFixed(6),
    ...parts.map(said),
  ]
  expect(pulls.map(said)).toEqual([
    ['1 2 3', 'Trunk', 8, ['2 3', 'Trunk', 12, ['2', 'Left', 9], ['3', 'Right', 5]]],
  ])
  expect(bundlesIn(pulls).map(({ marks }) => marks.join(' '))).toEqual(['1 2 3', '2 3'])
})

it('every metre of every way lies in one pull a cable, and no cable is in two that go side by side', () => {
  let bundled = 0
  fc.assert(
    fc.property(yard, fc.array(crossings, { minLength: 1, maxLength: 7 }), (lanes, spots) => {
      const cables = cablesFrom(
        over([...lanes, headEnd(8, 8)]),
        spots.map(({ x, y }) => spot(4 * x + 0.5, 4 * y)),
      )
      const ways = cables.flatMap(({ mark, found }) => ('way' in found ? [{ mark, way: found.way }] : []))
      const pulls = pullsOf(cables)
      const length = (of: readonly Pull[], mark: string): number =>
        of
          .filter(({ marks }) => marks.includes(mark))
          .reduce((sum, { togetherM, parts }) => sum + togetherM + length(parts, mark), 0)
      for (const { mark, way } of ways) {
        // Along its lanes with their rises, and beside them on the plan, as it is drawn.
        const drawn = way.traces.reduce((sum, { points, on }) => {
          const across = points.slice(1).map((p, i) => Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y))
          const rise = on ? Math.abs(on.lane.riseM * (on.to - on.from)) : 0
          return sum + across.reduce((all, one) => all + one, rise)
        }, 0)
        expect(length(pulls, mark)).toBeCloseTo(drawn, 6)
      }
      const apart = (of: readonly Pull[]): void => {
        const marks = of.flatMap((pull) => pull.marks)
        expect(new Set(marks).size).toBe(marks.length)
        of.forEach(({ parts, marks: whole }) => {
          parts.forEach((part) => expect(whole).toEqual(expect.arrayContaining([...part.marks])))
          apart(parts)
        })
      }
      apart(pulls)
      bundled += bundlesIn(pulls).length
    }),
    { numRuns: 400 },
  )
  expect(bundled).toBeGreaterThan(10)
})
