import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, pullPoint } from '@/testing/plans'
import { over } from '@/testing/ways'
import { assess } from '../assess'
import { fittingWords } from '../pull'
import { conduitsIn, ledOn } from '.'
import { isPullPoint } from './sections'
import { growthOf, longestStraightM } from './growth'

type Path = readonly (readonly [number, number])[]
const tube = (path: Path, change: Parameters<typeof pathway>[1] = {}) =>
  pathway(path, {
    ...{ id: 'tube', name: 'Tube', space: 'conduit', conduitId: 'pvc-1' },
    ...{ coldestC: 0, temperatureC: 50 },
    ...change,
  })
const laneOf = (thing: ReturnType<typeof tube>) => over([thing, headEnd(0, 0)]).network.lanes[0]!
const grows = (thing: ReturnType<typeof tube>) => growthOf(laneOf(thing), [], CATALOGUE.conduits).growsMm

describe('what a conduit grows', () => {
  // NEC table 352.44 (from memory): 100 ft over 100 °F grow 4.06 in; a metre over 50 °C 3.04 mm.
  it('is what the table of the code says', () => {
    const feet = 100 * 0.3048
    const change = { coldestC: 0, temperatureC: 100 / 1.8 }
    expect(grows(tube([[0, 0], [feet, 0]], change))! / 25.4).toBeCloseTo(4.06, 2) // prettier-ignore
    expect(grows(tube([[0, 0], [1, 0]]))!).toBeCloseTo(3.04, 2) // prettier-ignore
    // Steel a fifth of it: NEC 300.7(B), from memory.
    expect(grows(tube([[0, 0], [1, 0]], { conduitId: 'emt-1' }))!).toBeCloseTo(3.04 / 5, 2) // prettier-ignore
  })
  it('is not known of a conduit that nobody says it of, nor matters where fittings take it or under ground', () => {
    const ten: Path = [[0, 0], [10, 0]] // prettier-ignore
    for (const change of [
      { conduitId: 'metric-25' },
      { conduitId: null },
      { expansionFitted: true },
      { heightM: -0.6, endM: -0.6 },
      { space: 'buried duct' as const },
    ])
      expect(grows(tube(ten, change))).toBeNull()
    expect(grows(tube([[0, 0]], { heightM: -0.6, endM: 3 }))).toBeGreaterThan(0)
  })
  it('counts straight on, as it rises, between elbows and pull points', () => {
    const longest = (path: Path, points: ReturnType<typeof pullPoint>[] = []) =>
      longestStraightM(laneOf(tube(path)), points.filter(isPullPoint))
    expect(longest([[0, 0], [4, 0], [10, 0], [10, 7]])).toBeCloseTo(10, 9) // prettier-ignore
    expect(longest([[0, 0], [4, 0], [10, 1], [10, 5.5]])).toBeCloseTo(Math.hypot(6, 1), 9) // prettier-ignore
    expect(longest([[0, 0], [10, 0]], [pullPoint(3, 0)])).toBeCloseTo(7, 9) // prettier-ignore
    expect(longestStraightM(laneOf(tube([[0, 0]], { heightM: 0, endM: 5 })), [])).toBeCloseTo(5, 9)
    const rising = tube([[0, 0], [3, 0]], { heightM: 0, endM: 4 }) // prettier-ignore
    expect(longestStraightM(laneOf(rising), [])).toBeCloseTo(5, 9)
  })
})

describe('the finding', () => {
  const placed = plannedThrough(device())
  const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  const camera = { ...placed, sight: { ...placed.sight!, heightM: 2.5, place } }
  const said = (lengthM: number, change: object = {}) => {
    const duct = tube([[0, 0], [lengthM, 0]], change) // prettier-ignore
    const on = job({ devices: [camera], things: [duct, headEnd(lengthM, 0)] })
    return assess(on, CATALOGUE)
      .devices[0]!.stages!.route.result.findings.filter(({ verdict }) => verdict !== 'good')
      .map(({ id }) => id)
      .filter((id) => id.startsWith('route/expansion'))
  }
  it('comes at 6 mm and with it, and goes with the fitting or a pull box that it advises', () => {
    const atLimit = 6 / (3.38e-5 * 1.8 * 1000 * 50)
    expect(said(atLimit - 1e-3)).toEqual([])
    expect(said(atLimit)).toEqual(['route/expansion-tube'])
    expect(said(atLimit + 1e-3)).toEqual(['route/expansion-tube'])
    expect(said(12, { expansionFitted: true })).toEqual([])
  })
  it('does not come of the conduit that is advised for its room', () => {
    const on = (change: object) => {
      const duct = tube([[0, 0], [9, 0]], { conduitId: 'metric-20', ...change }) // prettier-ignore
      const devices = [1, 2, 3, 4, 5].map((i) => ({ ...camera, id: `d${i}`, mark: `0${i}` }))
      return job({ devices, things: [duct, headEnd(duct.path.at(-1)!.x, 0)] })
    }
    const found = (change: object) =>
      assess(on(change), CATALOGUE).devices[0]!.stages!.route.result.findings.filter(
        ({ verdict }) => verdict !== 'good',
      )
    const full = (change: object) => found(change).find(({ id }) => id.startsWith('route/conduit-'))!.advice
    // 9 m over 50 °C: PVC grows 27 mm, steel 5.5 mm.
    expect(full({})).toMatch(/^Take EMT 1 in/)
    expect(full({ expansionFitted: true })).toMatch(/^Take PVC 1 in/)
    // 30 m of steel grow too much as well, and of the metric ones nobody knows: fittings are told with it.
    const far = [0, 30].map((x) => ({ x, y: 0 }))
    expect(full({ path: far })).toMatch(/^Take PVC 1 in with expansion fittings,/)
    // The list of conduits says the same.
    const listed = (change: object) => {
      const { things, devices } = on(change)
      const all = job({ devices, things })
      const cables = ledOn(all, CATALOGUE)
      return fittingWords(conduitsIn(all, CATALOGUE, cables)[0]!)
    }
    expect([listed({}), listed({ expansionFitted: true })]).toEqual(['EMT 1 in', 'PVC 1 in'])
    expect(listed({ path: far })).toBe('PVC 1 in, with expansion fittings')
    const ids = (change: object) => found(change).map(({ id }) => id)
    expect(ids({ conduitId: 'emt-1' })).toEqual(ids({}).filter((id) => !id.startsWith('route/conduit-')))
    expect(ids({ conduitId: 'pvc-1' })).toContain('route/expansion-tube')
  })
})
