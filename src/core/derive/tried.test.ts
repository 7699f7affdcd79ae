import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess, foundAlong } from '../assess'
import type { Job } from '../job'
import { conduitsIn, finderOver, ledOn, segmentsOf, waysOn } from '../pathway'
import type { Forced } from '../route/plan'

const one = plannedThrough(device())
const camera = (id: string, x: number, y: number) => ({
  ...one,
  ...{ id, mark: id },
  sight: {
    ...one.sight!,
    heightM: 2.5,
    place: { floor: 'ground' as const, x, y, panDeg: 0, rollDeg: 0, locked: false },
  },
})
/** A short way through a thin conduit, which another camera's cable fills already, and a long one around. */
const yard = job({
  devices: [camera('a', 0, 0.4), camera('b', 0, -0.4)],
  things: [
    pathway(
      [
        [0, 0],
        [20, 0],
      ],
      {
        id: 'tube',
        name: 'Tube',
        space: 'conduit',
        conduitId: 'emt-half',
        heightM: 2.5,
        endM: 2.5,
        lyingCables: 3,
        lyingMm: 6,
      },
    ),
    pathway(
      [
        [0, 0],
        [0, 50],
        [20, 50],
        [20, 0],
      ],
      { id: 'round', name: 'Round', space: 'loft', heightM: 2.5, endM: 2.5, minutesPerM: 9 },
    ),
    headEnd(20, 0),
  ],
})

const shortsOf = (of: Job) => assess(of, CATALOGUE).devices[0]!.findings.flatMap(({ short }) => short ?? [])
const fullness = (of: Job) =>
  conduitsIn(of, CATALOGUE, ledOn(of, CATALOGUE)).map(({ name, marks, others }) => [name, marks, others])

it('who is led around a full conduit fills it no more, and is not told that it is full', () => {
  const taken = (forced: Forced | null): Job => ({
    ...yard,
    devices: yard.devices.map((one) => (one.id === 'a' ? { ...one, route: { ...one.route!, forced } } : one)),
  })
  expect(fullness(taken(null))).toEqual([['Tube', ['a', 'b'], 3]])
  expect(shortsOf(taken(null))).toContain('conduit too full')
  const around = taken({ through: null, around: ['tube'] })
  expect(fullness(around)).toEqual([['Tube', ['b'], 3]])
  expect(shortsOf(around)).not.toContain('conduit too full')
  const spaces = (of: Job) => {
    const way = waysOn(of, CATALOGUE).get('a')!
    return 'segments' in way ? way.segments.map(({ space }) => space) : way.none
  }
  // Its camera hangs beside the loft: it may go along that for a step, and then through the conduit.
  expect(
    [null, { through: 'round', around: [] }, around.devices[0]!.route!.forced].map((forced) =>
      spaces(taken(forced)),
    ),
  ).toEqual([['conduit'], ['loft', 'conduit'], ['loft']])
})
it.each<[Forced, RegExp]>([
  [{ through: null, around: ['tube', 'round'] }, /No pathway that its cable may take comes near it/],
  [{ through: 'tube', around: ['tube'] }, /No way to where it ends goes through Tube, as it is wanted/],
  [{ through: 'gone', around: [] }, /is not drawn any more/],
])('a way that cannot be forced is said, and never taken for another: %o', (forced, why) => {
  const one: Job = {
    ...yard,
    devices: [{ ...yard.devices[0]!, route: { ...yard.devices[0]!.route!, forced } }],
  }
  expect(waysOn(one, CATALOGUE).get('a')).toEqual({ none: expect.stringMatching(why) as string })
  expect(shortsOf(one)).toContain('no way on the plan')
})

it('what is found along a way is what is found once it is taken, of route and power alone', () => {
  const [a] = yard.devices
  const finder = finderOver(yard)
  const from = { floor: 'ground' as const, at: { x: 0, y: 0.4 }, heightM: 2.5 }
  const ways = finder.ways(from, { stands: CATALOGUE.cables.get(a!.cableId)!.stands })
  expect(ways.map(({ way: { legs } }) => legs.map(({ pathway: { id } }) => id))).toEqual([
    ['tube'],
    ['round'],
  ])
  const found = ways.map(({ way, forced }) => {
    const route = { ...a!.route!, segments: segmentsOf(way), forced }
    const taken = { ...yard, devices: [{ ...a!, route }, yard.devices[1]!] }
    const there = assess(taken, CATALOGUE).devices[0]!.findings.filter(
      ({ stage, verdict }) => verdict !== 'good' && (stage === 'route' || stage === 'power'),
    )
    const along = foundAlong(a!, route, yard, CATALOGUE)
    expect(new Set(along)).toEqual(new Set(there))
    return along.map(({ short }) => short)
  })
  // 120 m is past 90 m of permanent link; three cables and these fill half an inch.
  expect(found[0]).toContain('conduit too full')
  expect(found[0]).not.toContain('too long, too hot')
  expect(found[1]).toContain('too long, too hot')
  expect(found[1]).not.toContain('conduit too full')
})
