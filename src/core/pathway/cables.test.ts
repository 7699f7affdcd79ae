import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { crossings, over, spot, wayFrom, yard } from '@/testing/ways'
import { assess, assessAgain } from '../assess'
import type { Device } from '../job'
import { bundlesOf, segmentsOf } from '.'
import { cablesOn } from './cables'

it('cables that take the same conduit lie in one conduit of the record, whatever they take beside it', () => {
  const duct = pathway(
    [
      [0, 0],
      [10, 0],
    ],
    { id: 'duct', space: 'conduit' },
  )
  const onto = [
    pathway(
      [
        [0, 0],
        [0, 9],
      ],
      { id: 'a', space: 'loft' },
    ),
    pathway(
      [
        [0, 0],
        [0, -9],
      ],
      { id: 'b', space: 'loft' },
    ),
  ]
  const named = (name: string) => {
    const finder = over([{ ...duct, name }, ...onto, headEnd(10, 0)])
    return [9, -9].map((y) => segmentsOf(wayFrom(finder, spot(0, y))!).map(({ conduitName }) => conduitName))
  }
  expect(named('Yard duct')).toEqual([
    ['', 'Yard duct'],
    ['', 'Yard duct'],
  ])
  expect(named('')).toEqual([
    ['', 'duct'],
    ['', 'duct'],
  ])
})

it('the size chosen for a conduit stays when the way is taken again', () => {
  const duct = pathway(
    [
      [0, 0],
      [10, 0],
    ],
    { id: 'duct', space: 'conduit' },
  )
  const way = wayFrom(over([duct, headEnd(10, 0)]), spot(0, 0))!
  const chosen = segmentsOf(way).map((one) => ({ ...one, conduitId: 'pvc-3-4' }))
  expect(segmentsOf(way, chosen).map(({ conduitId }) => conduitId)).toEqual(['pvc-3-4'])
  const elsewhere = chosen.map((one) => ({ ...one, conduitName: 'another' }))
  expect(segmentsOf(way, elsewhere).map(({ conduitId }) => conduitId)).toEqual([null])
})

it('bundles are all ways, every piece once', () => {
  fc.assert(
    fc.property(yard, fc.array(crossings, { minLength: 1, maxLength: 6 }), (lanes, spots) => {
      const finder = over([...lanes, headEnd(8, 8)])
      const ways = spots.flatMap(({ x, y }) => wayFrom(finder, spot(4 * x + 1, 4 * y)) ?? [])
      const onPlan = ways.flatMap(({ legs: all }) => all).reduce((sum, { lengthM }) => sum + lengthM, 0)
      const bundles = bundlesOf(ways)
      const bundled = bundles.map(({ points, count }) =>
        points
          .slice(1)
          .reduce((sum, p, i) => sum + count * Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y), 0),
      )
      expect(bundled.reduce((sum, lengthM) => sum + lengthM, 0)).toBeCloseTo(onPlan, 6)
      expect(Math.max(0, ...bundles.map(({ count }) => count))).toBeLessThanOrEqual(ways.length)
    }),
  )
})

/** A camera whose lens is at the beginning of 20 m of pathway, as high as the head end lies. */
const placed = plannedThrough(device())
const beside: Device = {
  ...placed,
  sight: {
    ...placed.sight!,
    heightM: 1,
    place: { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
}
const lane = (endX: number) =>
  pathway(
    [
      [0, 0],
      [endX, 0],
    ],
    { id: 'lane', heightM: 1, endM: 1 },
  )
const routeOf = (of: ReturnType<typeof assess>) => of.devices[0]!.stages!.route
const entered = (lengthM: number) => ({
  ...beside.route!,
  segments: [{ ...beside.route!.segments[0]!, lengthM, riseM: 0 }],
})
const said = (things: Parameters<typeof over>[0], change: object) =>
  routeOf(assess(job({ devices: [{ ...beside, ...change }], things: [...things] }), CATALOGUE))
    .result.findings.map(({ id }) => id)
    .filter((id) => id === 'route/stray' || id === 'route/unreached')

it('a route that nobody has entered starts from its way on the plan', () => {
  const things = [lane(20), headEnd(20, 0)]
  const { planned, input } = routeOf(
    assess(job({ devices: [{ ...beside, route: null }], things }), CATALOGUE),
  )
  expect(planned).toBe(false)
  expect(input.segments.map(({ space, lengthM, riseM }) => [space, lengthM, riseM])).toEqual([
    ['trunking indoors', 20, 0],
  ])
})
it.each<[string, Parameters<typeof over>[0], object, string[]]>([
  ['shorter than its way', [lane(20), headEnd(20, 0)], { route: entered(17) }, ['route/stray']],
  ['as long as its way', [lane(20), headEnd(20, 0)], { route: entered(20) }, []],
  ['beyond every pathway', [lane(20), headEnd(60, 0)], { route: entered(70) }, ['route/unreached']],
  ['no head end drawn', [lane(20)], { route: entered(1) }, []],
  ['no pathway drawn', [headEnd(20, 0)], { route: entered(1) }, []],
  ['kept', [lane(20), headEnd(20, 0)], { route: { ...entered(1), laid: 'kept' } }, []],
  ['no stretch entered', [lane(20), headEnd(20, 0)], { route: { ...entered(1), segments: [] } }, []],
  ['a mains cable', [lane(20), headEnd(20, 0)], { route: entered(1), cableId: 'mains-14-2' }, []],
])('%s: what the plan says of the route', (_, things, change, expected) =>
  expect(said(things, change)).toEqual(expected),
)
it('a pathway that is drawn longer is heard of by a device that nobody touched', () => {
  const before = job({ devices: [{ ...beside, route: entered(20) }], things: [lane(20), headEnd(20, 0)] })
  const after = { ...before, things: [lane(40), headEnd(40, 0)] }
  const assessment = assess(before, CATALOGUE)
  const again = assessAgain({ job: before, assessment }, after, CATALOGUE)
  expect(again).toEqual(assess(after, CATALOGUE))
  expect(routeOf(again).result.findings.map(({ id }) => id)).toContain('route/stray')
  expect(routeOf(assessment).result.findings.map(({ id }) => id)).not.toContain('route/stray')
})
it('with its way taken into the route the finding is gone, and no other has come', () => {
  const on = (route: typeof placed.route) =>
    routeOf(assess(job({ devices: [{ ...beside, route }], things: [lane(20), headEnd(20, 0)] }), CATALOGUE))
      .result.findings
  const way = wayFrom(over([lane(20), headEnd(20, 0)]), spot(0, 0, 1))!
  const cured = on({ ...beside.route!, segments: segmentsOf(way, entered(17).segments) })
  expect(cured.filter(({ verdict }) => verdict !== 'good')).toEqual([])
  expect(on(entered(17)).filter(({ verdict }) => verdict !== 'good')).toHaveLength(1)
})
it('a cable that ends out on site is led to no head end; one that is fed there by other cores is', () => {
  const things = [lane(20), headEnd(20, 0)]
  const led = (partId: string, stands: 'on site' | 'head end', cableId = beside.cableId) => {
    const end = equipment({ id: 'end', mark: 'E1', partId, stands })
    const camera = { ...beside, cableId, route: entered(1), power: { supplyId: 'end', port: 1 } }
    return cablesOn(job({ devices: [camera], equipment: [end] }), CATALOGUE, over(things)).length
  }
  expect(led('switch-8', 'on site')).toBe(0)
  expect(led('switch-8', 'head end')).toBe(1)
  expect(led('dc-12-5', 'on site')).toBe(1)
})
