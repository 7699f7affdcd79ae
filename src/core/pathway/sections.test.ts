import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, pullPoint } from '@/testing/plans'
import { over, spot, wayFrom } from '@/testing/ways'
import { assess } from '../assess'
import type { PlanThing } from '../job'
import { ROUTE_LIMITS } from '../route'
import { bendsDeg, pulledOutN, lengthM, pointsAt, pullsN } from './drag'
import { isPullPoint, namesOf, sectionsOf, type Straight } from './sections'
import { conduitsIn, ledOn } from '.'

const tube = { space: 'conduit', heightM: 2.5, endM: 2.5 } as const
const straight = (dx: number, dy: number, dz = 0): Straight => ({
  ...{ dx, dy, dz },
  ...{ floor: 'ground', at: { x: 0, y: 0 }, heightM: 0 },
})
const sections = (things: readonly PlanThing[], from = spot(0, 0)) =>
  sectionsOf(wayFrom(over(things), from)!, things.filter(isPullPoint))
const lengths = (things: readonly PlanThing[]) =>
  sections(things).map(({ straights }) => Math.round(lengthM(straights) * 100) / 100)

describe('the pull', () => {
  it.each([
    [0.35, 1.733],
    [0.5, 2.193],
  ])('at friction %s a right angle multiplies it by %s (capstan: e to µφ)', (friction, factor) => {
    const before = pulledOutN([straight(10, 0)], 1, friction)
    const after = pulledOutN([straight(10, 0), straight(0, 1e-9)], 1, friction)
    expect(after / before).toBeCloseTo(factor, 3)
  })
  it('round a long bend is what the equation of a belt with weight comes to', () => {
    // dT/ds = µ(w + T/R) on the level has T = (T₀ + wR)·e^(µs/R) − wR.
    const [radiusM, turn, weight, friction, pieces] = [5, Math.PI, 0.6, 0.4, 4000]
    const arc = Array.from({ length: pieces }, (_, i) => {
      const angle = (turn * (i + 0.5)) / pieces
      const stepM = (radiusM * turn) / pieces
      return straight(stepM * Math.cos(angle), stepM * Math.sin(angle))
    })
    const start = weight * friction * 10
    const expected = (start + weight * radiusM) * Math.exp(friction * turn) - weight * radiusM
    expect(pulledOutN([straight(10, 0), ...arc], weight, friction)).toBeCloseTo(expected, 1)
  })
  it('upright it is the weight alone; downwards the weight helps, and never pushes', () => {
    expect(pulledOutN([straight(0, 0, 12)], 0.5, 0.5)).toBeCloseTo(6)
    expect(pulledOutN([straight(0, 0, -12)], 0.5, 0.5)).toBe(0)
    expect(pulledOutN([straight(10, 0), straight(0, 0, -40)], 0.5, 0.5)).toBe(0)
  })
  it('is less out of the end that has its bends behind it', () => {
    const bentLast = [straight(20, 0), straight(0, 0.5)]
    const { toDevice, toHeadEnd } = pullsN(bentLast, { diameterMm: 6, together: 1 })
    expect(toHeadEnd / toDevice).toBeGreaterThan(2)
  })
  it('weighs about what a box of it does: 305 m of 6 mm four-pair cable, 12 to 14 kg', () => {
    // Common practice, no source: a full box of Cat 6 is carried in one hand.
    const { toDevice: newtons } = pullsN([straight(0, 0, -305)], { diameterMm: 6, together: 1 })
    expect(newtons / 9.81).toBeGreaterThan(12)
    expect(newtons / 9.81).toBeLessThan(14)
  })
})

describe('from one pull point to the next', () => {
  const run = (...more: PlanThing[]) => [
    pathway([[0, 0], [20, 0]], tube), // prettier-ignore
    pathway([[20, 0], [20, 25]], { ...tube, name: 'Yard duct', space: 'buried duct' }), // prettier-ignore
    headEnd(20, 25),
    ...more,
  ]
  it('conduits that follow each other are one pull, and what cannot be reached inside says so', () => {
    expect(lengths(run())).toEqual([45])
    expect(namesOf(sections(run())[0]!)).toEqual(['Conduit', 'Yard duct'])
    expect(bendsDeg(sections(run())[0]!.straights)).toBeCloseTo(90)
  })
  it.each<[string, PlanThing, number[]]>([
    ['on the way', pullPoint(8, 0.1), [8, 37]],
    ['where two meet', pullPoint(20, 0), [20, 25]],
    ['at its beginning', pullPoint(0, 0), [45]],
    ['at another height', pullPoint(8, 0, 3.2), [45]],
    ['beside it', pullPoint(8, 0.4), [45]],
    ['on another floor', { ...pullPoint(8, 0), floor: 'upper' }, [45]],
  ])('a pull point %s', (_, point, expected) => expect(lengths(run(point))).toEqual(expected))
  it('a loft between two conduits parts them, and is no pull itself', () => {
    const things = [
      pathway([[0, 0], [6, 0]], tube), // prettier-ignore
      pathway([[6, 0], [30, 0]], { ...tube, space: 'loft' }), // prettier-ignore
      pathway([[30, 0], [30, 9]], tube), // prettier-ignore
      headEnd(30, 9),
    ]
    expect(lengths(things)).toEqual([6, 9])
  })
  it('one that goes straight up bends where it begins', () => {
    const things = [
      pathway([[0, 0], [6, 0]], { ...tube, heightM: 0.5, endM: 0.5 }), // prettier-ignore
      pathway([[6, 0]], { ...tube, heightM: 0.5, endM: 4 }), // prettier-ignore
      pathway([[6, 0], [12, 0]], { ...tube, heightM: 4, endM: 4 }), // prettier-ignore
      headEnd(12, 0),
    ]
    const [only, ...others] = sections(things, spot(0, 0, 0.5))
    expect(others).toEqual([])
    expect([lengthM(only!.straights), bendsDeg(only!.straights)].map(Math.round)).toEqual([16, 180])
  })
  it('counts the cables that lie together at the fullest place', () => {
    const at = (id: string, x: number) =>
      device({
        ...plannedThrough(device()),
        ...{ id, mark: id, cableId: 'cat6-duct' },
        sight: {
          ...plannedThrough(device()).sight!,
          heightM: 2.5,
          place: { floor: 'ground', x, y: 0, panDeg: 0, rollDeg: 0, locked: false },
        },
      })
    const on = job({ devices: [at('a', 0), at('b', 0), at('c', 12)], things: run() })
    const cables = ledOn(on, CATALOGUE)
    expect(cables.map(({ pulls }) => pulls.map(({ together }) => together))).toEqual([[3], [3], [3]])
    const alone = job({ devices: [at('a', 0)], things: run() })
    expect(ledOn(alone, CATALOGUE)[0]!.pulls[0]!.together).toBe(1)
  })
})

it('after any changes the pulls are those of the same job looked at for the first time', () => {
  const place = fc.record({ x: fc.integer({ min: 0, max: 40 }), floor: fc.constant('ground' as const) })
  const change = fc.record({
    device: fc.integer({ min: 0, max: 3 }),
    to: place,
    cableId: fc.constantFrom('cat6-duct', 'cat6-screened-outdoor'),
    point: fc.option(fc.integer({ min: 0, max: 40 })),
    taken: fc.boolean(),
  })
  const beside = plannedThrough(device())
  const camera = (i: number, x: number, cableId = 'cat6-duct') => ({
    ...beside,
    ...{ id: `d${i}`, mark: `d${i}`, cableId },
    sight: {
      ...beside.sight!,
      heightM: 2.5,
      place: { floor: 'ground' as const, x, y: 0, panDeg: 0, rollDeg: 0, locked: false },
    },
  })
  const duct = pathway([[0, 0], [40, 0]], { ...tube, space: 'buried duct' }) // prettier-ignore
  const said = (on: ReturnType<typeof job>) =>
    ledOn(on, CATALOGUE).map(({ pulls }) => pulls.map(({ section: _, ...pull }) => pull))
  fc.assert(
    fc.property(fc.array(change, { minLength: 1, maxLength: 6 }), (changes) => {
      let on = job({ devices: [0, 1, 2, 3].map((i) => camera(i, 9 * i)), things: [duct, headEnd(40, 0)] })
      said(on)
      for (const { device: i, to, cableId, point, taken } of changes) {
        const moved = {
          ...camera(i, to.x, cableId),
          state: taken ? ('taken away' as const) : ('new' as const),
        }
        on = {
          ...on,
          devices: on.devices.map((one, at) => (at === i ? moved : one)),
          things: point === null ? on.things : [duct, headEnd(40, 0), pullPoint(point, 0)],
        }
        const remembered = said(on)
        expect(remembered).toEqual(said(structuredClone(on)))
      }
    }),
  )
})

describe('how full a conduit on the plan is', () => {
  const beside = plannedThrough(device())
  const camera = (id: string, route: typeof beside.route) => ({
    ...beside,
    ...{ id, mark: id, route },
    sight: {
      ...beside.sight!,
      heightM: 2.5,
      place: { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
    },
  })
  const lane = (conduitId: string | null, from = 0, to = 20) =>
    pathway([[from, 0], [to, 0]], { ...tube, conduitId, name: 'Duct' }) // prettier-ignore
  const yard = (devices: ReturnType<typeof camera>[], lanes: readonly PlanThing[]) =>
    job({ devices, things: [...lanes, headEnd(20, 0)] })
  const uses = (on: ReturnType<typeof job>) => conduitsIn(on, CATALOGUE, ledOn(on, CATALOGUE))
  const six = ['a', 'b', 'c', 'd', 'e', 'f']

  it('what was entered before a conduit was drawn narrower is judged by the plan too', () => {
    const [segment] = beside.route!.segments
    const old = { ...segment!, space: 'conduit', conduitId: 'pvc-2', lengthM: 20, riseM: 0 } as const
    const devices = six.map((id) => camera(id, { ...beside.route!, segments: [old] }))
    const found = (conduitId: string) =>
      assess(yard(devices, [lane(conduitId)]), CATALOGUE)
        .devices[0]!.stages!.route.result.findings.map(({ id }) => id)
        .filter((id) => id.startsWith('route/conduit-'))
    expect(found('pvc-half')).toEqual(['route/conduit-way-1'])
    expect(found('pvc-2')).toEqual([])
  })
  it('cables that lie in it already fill it too, on the plan as on the route; so do kept ones that say so', () => {
    // 3/4 in of PVC takes four of 6.0 mm (NEC chapter 9, table 1 and its note 7).
    const lies = (lyingCables: number, more: ReturnType<typeof camera>[] = []) => {
      const { diameterMm: lyingMm } = CATALOGUE.cables.get(beside.cableId)!
      const duct = { ...lane('pvc-three-quarter'), lyingCables, lyingMm }
      const on = yard([camera('a', beside.route), ...more], [duct])
      const [use, ...others] = uses(on)
      expect(others).toEqual([])
      const full = assess(on, CATALOGUE).devices[0]!.stages!.route.result.findings.some(({ id }) =>
        id.startsWith('route/conduit-'),
      )
      expect(full).toBe(!use!.fill!.goesIn)
      return [use!.marks.length, use!.others, full]
    }
    expect([lies(0), lies(3), lies(4)]).toEqual([
      [1, 0, false],
      [1, 3, false],
      [1, 4, true],
    ])
    const [segment] = beside.route!.segments
    const kept = (id: string) => ({
      ...camera(id, {
        ...beside.route!,
        laid: 'kept',
        segments: [{ ...segment!, space: 'conduit', conduitId: null, conduitName: 'Duct' }],
      }),
    })
    expect(lies(3, [kept('k')])).toEqual([1, 4, true])
  })
  it('trunking is filled as conduits are, by pieces of its own form alone, and nothing is drawn through it', () => {
    const trunk = (conduitId: string | null) => ({ ...lane(conduitId), space: 'trunking indoors' }) as const
    const all = Array.from({ length: 9 }, (_, i) => camera(`c${i}`, null))
    const said = (conduitId: string | null) => {
      const [use] = uses(yard(all, [trunk(conduitId)]))
      return [use!.fill?.goesIn ?? null, use!.limitPercent, use!.fitting?.form]
    }
    expect([said('trunking-50-50'), said('trunking-25-16')]).toEqual([
      [true, 45, 'trunking'],
      [false, 45, 'trunking'],
    ])
    for (const unknown of [null, 'pvc-2']) expect(said(unknown)[0]).toBeNull()
    const on = yard(
      all.map((one) => ({ ...one, route: beside.route })),
      [trunk('trunking-25-16')],
    )
    const found = assess(on, CATALOGUE).devices[0]!.stages!.route.result.findings
    expect(found.filter(({ title }) => title === 'Tight in the trunking')).toHaveLength(1)
    expect(ledOn(on, CATALOGUE)[0]!.pulls).toEqual([])
  })
  it('of one name and several sizes the narrowest decides; with one that is not known none is Good', () => {
    const devices = six.map((id) => camera(id, null))
    const said = (...sizes: [string | null, string | null]) => {
      const [use, ...others] = uses(yard(devices, [lane(sizes[0], 0, 8), lane(sizes[1], 8, 20)]))
      expect(others).toEqual([])
      return use!.fill?.goesIn ?? null
    }
    expect([said('pvc-2', 'pvc-2'), said('pvc-2', 'pvc-half'), said(null, 'pvc-half')]).toEqual([
      true,
      false,
      false,
    ])
    expect([said(null, 'pvc-2'), said(null, null)]).toEqual([null, null])
  })
})

describe('the pull points that are advised', () => {
  const cable = { ...CATALOGUE.cables.get('cat6-duct')!, together: 4 }
  const put = ({ at, heightM, floor }: NonNullable<ReturnType<typeof pointsAt>>[number], i: number) => ({
    ...pullPoint(at.x, at.y, heightM),
    ...{ id: `advised-${i}`, floor },
  })
  /** Round corners of a grid, and never over itself: a pull point lies on one place of it. */
  const line = fc
    .array(fc.tuple(fc.constantFrom(-90, 0, 90), fc.integer({ min: 1, max: 9 })), {
      minLength: 1,
      maxLength: 14,
    })
    .map((moves) => {
      let [x, y, bearing] = [0, 0, 90]
      const passed = new Set(['0 0'])
      const path: (readonly [number, number])[] = [[0, 0]]
      for (const [turn, lengthM] of moves) {
        const rad = ((bearing + turn) * Math.PI) / 180
        const [dx, dy] = [Math.round(Math.sin(rad)), Math.round(Math.cos(rad))]
        const ahead = Array.from({ length: lengthM }, (_, i) => `${x + dx * (i + 1)} ${y + dy * (i + 1)}`)
        if (ahead.some((place) => passed.has(place))) continue
        ahead.forEach((place) => passed.add(place))
        ;[x, y, bearing] = [x + dx * lengthM, y + dy * lengthM, bearing + turn]
        path.push([x, y])
      }
      return path
    })
    .filter((path) => path.length > 1)
  it('bring every pull within its limits, whatever is drawn', () => {
    const { pullM, pullBendsDeg } = ROUTE_LIMITS
    let needed = 0
    fc.assert(
      fc.property(line, fc.double({ min: -1, max: 6, noNaN: true }), (path, endM) => {
        const lane = pathway(path, { ...tube, endM, space: 'buried duct' })
        const way = wayFrom(over([lane, headEnd(...path.at(-1)!)]), spot(...path[0]!))
        if (!way) return
        const advised = sectionsOf(way, []).flatMap(
          ({ straights }) => pointsAt(straights, { ...cable, only: null })!,
        )
        needed += advised.length
        for (const { straights } of sectionsOf(way, advised.map(put))) {
          // A pull point may lie a joint's breadth from where it was meant.
          expect(lengthM(straights)).toBeLessThanOrEqual(pullM.value + 0.61)
          expect(bendsDeg(straights)).toBeLessThanOrEqual(pullBendsDeg.value + 1e-6)
          const { toDevice, toHeadEnd } = pullsN(straights, cable)
          expect(Math.min(toDevice, toHeadEnd)).toBeLessThanOrEqual(cable.pullN)
        }
      }),
    )
    expect(needed).toBeGreaterThan(20)
  })
  it('put on the plan the finding is gone, and no other has come', () => {
    const beside = plannedThrough(device())
    const placed = { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false } as const
    const camera = {
      ...beside,
      cableId: 'cat6-duct',
      sight: { ...beside.sight!, heightM: 2.5, place: placed },
    }
    const path = [[0, 0], [14, 0], [14, 14], [28, 14], [28, 28]] as const // prettier-ignore
    const lane = pathway(path, tube)
    const found = (...points: PlanThing[]) => {
      const things = [lane, headEnd(28, 28), ...points]
      const segments = [{ ...camera.route!.segments[0]!, lengthM: 56 }]
      const on = job({ devices: [{ ...camera, route: { ...camera.route!, segments } }], things })
      const { findings } = assess(on, CATALOGUE).devices[0]!.stages!.route.result
      return findings.filter(({ verdict }) => verdict !== 'good').map(({ id }) => id)
    }
    const before = found()
    expect(before).toEqual(expect.arrayContaining(['route/pull-length-1', 'route/pull-bends-1']))
    const [only] = sectionsOf(wayFrom(over([lane, headEnd(28, 28)]), spot(0, 0))!, [])
    const advised = pointsAt(only!.straights, { ...cable, together: 1, only: null })!
    expect(advised.length).toBe(1)
    expect(found(...advised.map(put))).toEqual(before.filter((id) => !id.startsWith('route/pull-')))
  })
})
