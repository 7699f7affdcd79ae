import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SPACES, UNKNOWN_HEIGHTS, type SpaceId } from '../job'
import { headEnd, pathway, wall, xy } from '@/testing/plans'
import { crossings, EVERYTHING, over, spot, wayFrom, yard } from '@/testing/ways'
import { finderOver, networkOf, segmentsOf, WayFinder, type Way } from '.'
import { PATHWAY_LIMITS } from './limits'

const INDOORS = { stands: [] } as const
const legs = (way: Way | null) =>
  way?.legs.map(({ pathway: { id }, lengthM, riseM }) => [id, +lengthM.toFixed(9), +riseM.toFixed(9)])
describe('one pathway', () => {
  it('device, pathway and head end, on the plan and upright, reckoned by hand', () => {
    const loft = pathway(
      [
        [0, 0],
        [10, 0],
        [10, 5],
      ],
      { id: 'loft', heightM: 3, endM: 3, minutesPerM: 2 },
    )
    const way = wayFrom(over([loft, headEnd(12, 3)]), spot(4, 1, 2.2))
    // 1 m to it and 0.8 up; 6 m and 3 m along it; 2 m from it and 2 down to 1 m.
    expect(legs(way)).toEqual([
      ['loft', 10, 0.8],
      ['loft', 2, -2],
    ])
    expect(way!.lengthM).toBeCloseTo(14.8, 9)
    expect(way!.minutes).toBeCloseTo(2 * 9 + PATHWAY_LIMITS.offMinPerM.value * (1.8 + 4), 9)
    const points = way!.traces.flatMap(({ points: traced }) => traced)
    expect(
      points.filter((point, at) => point.x !== points[at - 1]?.x || point.y !== points[at - 1]?.y),
    ).toEqual([xy(4, 1), xy(4, 0), xy(10, 0), xy(10, 3), xy(12, 3)])
  })
  it('one that rises is as much longer as it rises, evenly', () => {
    const slope = pathway(
      [
        [0, 0],
        [10, 0],
      ],
      { id: 'slope', heightM: 0, endM: 5 },
    )
    expect(legs(wayFrom(over([slope, headEnd(10, 0)]), spot(2, 0, 1)))).toEqual([
      ['slope', 8, 4],
      ['slope', 0, -4],
    ])
  })
  it('mains beside it cost more and are said', () => {
    const beside = pathway(
      [
        [0, 0],
        [10, 0],
      ],
      { besideMains: true, minutesPerM: 2, heightM: 1, endM: 1 },
    )
    const way = wayFrom(over([beside, headEnd(10, 0)]), spot(0, 0, 1))!
    expect([way.minutes, way.besideMainsM]).toEqual([10 * (2 + PATHWAY_LIMITS.besideMainsMinPerM.value), 10])
  })
})

describe('what is lawful', () => {
  const straight = (change: Parameters<typeof pathway>[1]) => [
    pathway(
      [
        [0, 0],
        [10, 0],
      ],
      change,
    ),
    headEnd(10, 1),
  ]
  it.each([59.9, 60])('%f °C may be passed', (temperatureC) =>
    expect(wayFrom(over(straight({ temperatureC })))).not.toBeNull(),
  )
  it('hotter than the length table reaches may not, and that is said', () => {
    const finder = over(straight({ temperatureC: 60.1 }))
    expect(wayFrom(finder)).toBeNull()
    expect(finder.network.shut).toMatchObject([{ why: 'It is too hot for cable.' }])
  })
  it.each([
    ['clipped outside', 'sunlight'],
    ['board lap', 'sunlight'],
    ['under decking', 'wet'],
    ['buried duct', 'buried'],
    ['riser', 'riser'],
    ['air-handling space', 'air handling'],
  ] as const)('%s is for jackets that stand it: %s', (space: SpaceId, need) => {
    const finder = over(straight({ space }))
    const without = EVERYTHING.stands.filter((one) => one !== need)
    expect(wayFrom(finder, spot(0, 1), { stands: without })).toBeNull()
    expect(wayFrom(finder)).not.toBeNull()
  })
  it('the cheapest is not the shortest; around it, the next; then none', () => {
    const short = pathway(
      [
        [0, 0],
        [10, 0],
      ],
      { id: 'short', minutesPerM: 9 },
    )
    const long = pathway(
      [
        [0, 2],
        [0, 6],
        [10, 6],
        [10, 2],
      ],
      { id: 'long', minutesPerM: 2 },
    )
    const finder = over([short, long, headEnd(10, 1)])
    expect(
      finder.ways(spot(0, 1), INDOORS).map(
        ({
          way: {
            legs: [first],
          },
        }) => first!.pathway.id,
      ),
    ).toEqual(['long', 'short'])
    expect(finder.find(spot(0, 1), INDOORS, new Set(['long', 'short']))).toMatchObject({
      none: expect.stringContaining('comes near') as string,
    })
  })
})

describe('where pathways meet', () => {
  const joinM = PATHWAY_LIMITS.joinM.value
  const meeting = (gapM: number, higherM = 0) =>
    over([
      pathway(
        [
          [0, 0],
          [10, 0],
        ],
        { id: 'a' },
      ),
      pathway(
        [
          [8, gapM],
          [8, 20],
        ],
        { id: 'b', space: 'loft', heightM: 2.5 + higherM, endM: 2.5 + higherM },
      ),
      headEnd(8, 20),
    ])
  it.each([0, joinM - 1e-6, joinM])('a point %f m from the other meets it', (gapM) => {
    const way = wayFrom(meeting(gapM), spot(0, 0))!
    expect(way.legs.map(({ pathway: { id } }) => id)).toEqual(['a', 'b'])
    expect(way.lengthM).toBeCloseTo(8 + 20 + 1.5, 9)
    const labour = (8 + 20) * SPACES['trunking indoors'].minutesPerM + PATHWAY_LIMITS.changeMin.value
    expect(way.minutes).toBeCloseTo(labour + 1.5 * PATHWAY_LIMITS.offMinPerM.value, 9)
  })
  const joinRiseM = PATHWAY_LIMITS.joinRiseM.value
  it.each([-joinRiseM, joinRiseM - 1e-6, joinRiseM])('and %f m above it', (higherM) =>
    expect(wayFrom(meeting(0, higherM), spot(0, 0))).not.toBeNull(),
  )
  it('one that is farther does not, nor one higher, nor do lines that only cross', () => {
    expect(wayFrom(meeting(joinM + 1e-6), spot(0, 0))).toBeNull()
    expect(wayFrom(meeting(0, joinRiseM + 1e-6), spot(0, 0))).toBeNull()
    const crossing = over([
      pathway(
        [
          [0, 0],
          [10, 0],
        ],
        { id: 'a' },
      ),
      pathway(
        [
          [8, -8],
          [8, 20],
        ],
        { id: 'b' },
      ),
      headEnd(8, 20),
    ])
    expect(crossing.find(spot(0, 0), INDOORS)).toMatchObject({
      none: 'The pathways near it do not lead to a head end.',
    })
  })
  const reachM = PATHWAY_LIMITS.reachM.value
  it.each([reachM - 1e-6, reachM])('a device %f m off is brought to it', (offM) =>
    expect(wayFrom(meeting(0), spot(-offM, 0))).not.toBeNull(),
  )
  it.each([
    [-reachM - 1e-6, 0],
    [-1, reachM - 1 + 1e-6],
    [0, -reachM - 1e-6],
  ])('one farther off is not, upright counted: %f m beside, %f m above', (x, aboveM) =>
    expect(wayFrom(meeting(0), spot(x, 0, 2.5 + aboveM))).toBeNull(),
  )
  it('one that comes back to itself meets itself there: the short way round', () => {
    const round = pathway(
      [
        [0, 0],
        [20, 0],
        [20, 20],
        [0, 20],
        [0, 0],
      ],
      { id: 'round' },
    )
    const way = wayFrom(over([round, headEnd(0, 9)]), spot(8, 0))!
    expect(way.lengthM).toBeCloseTo(8 + 9 + 1.5, 9)
  })
  it('upright ones join what comes by at its height', () => {
    const drop = pathway([[10, 0]], { id: 'drop', heightM: 0, endM: 3, space: 'wall cavity' })
    const rack = pathway(
      [
        [10, 0],
        [14, 0],
      ],
      { id: 'rack', heightM: 0.5, endM: 0.5 },
    )
    const above = pathway(
      [
        [0, 0],
        [10, 0],
      ],
      { id: 'above', heightM: 2.5, endM: 2.5 },
    )
    expect(legs(wayFrom(over([drop, rack, above, headEnd(14, 0)]), spot(0, 0)))).toEqual([
      ['above', 10, 0],
      ['drop', 0, -2],
      ['rack', 4, 0.5],
    ])
  })
})

describe('floors', () => {
  const riser = pathway([[0, 0]], { id: 'riser', heightM: 1, endFloor: 'upper', endM: 0.5 })
  const things = [
    riser,
    pathway(
      [
        [0, 0],
        [6, 0],
      ],
      { floor: 'upper', id: 'up', heightM: 0.5, endM: 0.5 },
    ),
    headEnd(0, 0),
  ]
  it('a riser to a floor whose height is known is as long as that lies higher', () => {
    const finder = over(things, { ...UNKNOWN_HEIGHTS, upper: 2.9 })
    expect(legs(wayFrom(finder, spot(6, 0, 0.5, 'upper')))).toEqual([
      ['up', 6, 0],
      ['riser', 0, -2.4],
    ])
  })
  it.each([0.6, 1, 1.4])('also where both its ends lie about as high above their floors: %f', (endM) => {
    const finder = over([{ ...riser, endM }, headEnd(0, 0)], { ...UNKNOWN_HEIGHTS, upper: 2.9 })
    const way = wayFrom(finder, spot(0, 0, endM, 'upper'))!
    expect(way.lengthM).toBeCloseTo(2.9 + endM - 1, 9)
    expect(way.minutes).toBeCloseTo(way.lengthM * riser.minutesPerM, 9)
  })
  it('to one whose height nobody entered there is no way, and that is said', () => {
    const finder = over(things)
    expect(wayFrom(finder, spot(6, 0, 0.5, 'upper'))).toBeNull()
    expect(finder.network.shut.map(({ pathway: { id } }) => id)).toEqual(['riser'])
  })
})

it.each([
  [[], 'No pathway is drawn'],
  [[headEnd(0, 0)], 'No pathway is drawn'],
  [
    [
      pathway([
        [0, 0],
        [5, 0],
      ]),
    ],
    'No head end',
  ],
  [
    [
      pathway([
        [0, 0],
        [5, 0],
      ]),
      headEnd(50, 0),
    ],
    'No head end',
  ],
])('why there is none is said', (things, why) =>
  expect(over(things).find(spot(0, 1), EVERYTHING)).toMatchObject({
    none: expect.stringContaining(why) as string,
  }),
)

it('what is no pathway makes nobody look again; a pathway, a head end or a floor does', () => {
  const [lane, end] = [
    pathway([
      [0, 0],
      [10, 0],
    ]),
    headEnd(10, 0),
  ]
  const world = { things: [lane, end], floorHeightsM: UNKNOWN_HEIGHTS }
  const first = finderOver(world)
  expect(finderOver({ ...world, things: [lane, wall(0, 0, 5, 5), end] })).toBe(first)
  const [other, raised] = [
    { ...lane, minutesPerM: 9 },
    { ...UNKNOWN_HEIGHTS, upper: 3 },
  ]
  const others = [[other, end], [lane], [lane, headEnd(9, 0)]].map((things) =>
    finderOver({ ...world, things }),
  )
  expect(new Set([first, ...others, finderOver({ ...world, floorHeightsM: raised })]).size).toBe(5)
  const found = finderOver(world)
  const [camera, laid] = [{}, { stands: [] }]
  expect(found.findAgain(camera, spot(0, 1), laid)).toBe(found.findAgain(camera, spot(0, 1), laid))
  expect(found.findAgain(camera, spot(0, 1), { stands: [] })).not.toBe(
    found.findAgain(camera, spot(0, 1), laid),
  )
})

it('more than anybody waits for is not looked through, and that is said', () => {
  // Three that meet in a point: each of its two points is looked at beside all three.
  const things = [0, 120, 240].map((deg) =>
    pathway(
      [
        [0, 0],
        [9 * Math.cos(deg), 9 * Math.sin(deg)],
      ],
      { id: `${deg}` },
    ),
  )
  const world = { things: [...things, headEnd(0, 0)], floorHeightsM: UNKNOWN_HEIGHTS }
  const looks = [...Array(40).keys()].find((most) => !networkOf(world, most).crowded)!
  expect([looks >= 12, looks <= 18]).toEqual([true, true])
  expect(new WayFinder(networkOf(world, looks - 1)).find(spot(0, 1), INDOORS)).toMatchObject({
    none: expect.stringContaining('More pathways lie over each other') as string,
  })
  expect(networkOf(world).crowded).toBe(false)
})
it('400 pathways over each other are answered, not waited for', () => {
  const things = Array.from({ length: 400 }, (_, i) =>
    pathway(
      [
        [0, 0],
        [1, 0],
        [2, 0],
        [3, 0],
      ],
      { id: `p${i}` },
    ),
  )
  expect(over([...things, headEnd(0, 0)]).network.crowded).toBe(true)
})

it('a way is as long as its stretches, its trace and its rises together', () => {
  fc.assert(
    fc.property(yard, crossings, (lanes, { x, y }) => {
      const finder = over([...lanes, headEnd(8, 8)])
      const way = wayFrom(finder, spot(4 * x, 4 * y))
      if (!way) return
      const segments = segmentsOf(way).reduce((sum, { lengthM, riseM }) => sum + lengthM + Math.abs(riseM), 0)
      expect(segments).toBeCloseTo(way.lengthM, 2)
      const traced = way.traces.flatMap(({ points }) =>
        points.slice(1).map((point, i) => Math.hypot(point.x - points[i]!.x, point.y - points[i]!.y)),
      )
      expect(way.legs.reduce((sum, { lengthM }) => sum + lengthM, 0)).toBeCloseTo(
        traced.reduce((sum, lengthM) => sum + lengthM, 0),
        6,
      )
    }),
  )
})
