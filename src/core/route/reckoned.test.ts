import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import { besideOf, neighboursOf, NOT_MEASURED, resolve, type Measured } from '../parts'
import { SPACES, type Device, type Route, type Segment } from '../job'
import {
  assessRoute,
  coilOf,
  conduitFor,
  filled,
  fillLimit,
  fillPercent,
  goesIn,
  runLengths,
  strandedLimitM,
} from '.'
import { FED_FREELY } from './plan'

const way = (lengthM: number, change: Partial<Segment> = {}): Segment => ({
  id: 'a',
  space: 'trunking indoors',
  lengthM,
  riseM: 0,
  temperatureC: 20,
  conduitId: null,
  conduitName: '',
  ...change,
})
const route = (segments: Segment[], change: Partial<Route> = {}): Route => ({
  segments,
  laid: 'new',
  cordsM: 0,
  forced: null,
  lead: null,
  ...change,
})
const context = (change: Partial<Device> = {}, measured: Measured = NOT_MEASURED, devices: Device[] = []) => {
  const found = resolve(
    device(change),
    job(),
    CATALOGUE,
    measured,
    besideOf(device(), neighboursOf({ devices, runs: [], things: [] }, CATALOGUE)),
  )
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const of = (on: Partial<Device>, planned: Route, measured?: Measured) =>
  assessRoute(context(on, measured), planned)
const verdict = (on: Partial<Device>, planned: Route, id: string, measured?: Measured) =>
  of(on, planned, measured).findings.find((one) => one.id === id)?.verdict ?? null

/**
 * ANSI/TIA-568.2-D from memory: C = (102 − H)/(1 + D), D 0.5 for 26 AWG and 0.2 for 24: with H 0 a channel
 * of 68 m and of 85 m.
 */
describe('ready-made leads', () => {
  it('end where a stranded channel ends', () => {
    expect([strandedLimitM(26), strandedLimitM(24)].map((m) => Math.round(m))).toEqual([68, 85])
    const lead = (lengthM: number, cordsM = 0) =>
      verdict(
        { cableId: 'lead-thin' },
        route([way(lengthM - 6)], { lead: { lengthM, ...FED_FREELY }, cordsM }),
        'route/length',
      )
    expect([lead(67.99), lead(68), lead(68.01)]).toEqual(['good', 'good', 'stop'])
    expect([lead(64, 4), lead(64, 4.01)]).toEqual(['good', 'stop'])
  })
  it('count with their own length, not that of their way', () => {
    expect(
      runLengths(
        context({ cableId: 'lead-thin' }),
        route([way(20)], { lead: { lengthM: 30, ...FED_FREELY } }),
      ).installedM,
    ).toBe(30)
  })
  it('longer than the way by a turn want a place for the coil, told by its turns', () => {
    const wayM = runLengths(context({ cableId: 'lead-thin' }), route([way(20)])).wayM
    const lead = (surplus: number) =>
      verdict(
        { cableId: 'lead-thin' },
        route([way(20)], { lead: { lengthM: wayM + surplus, ...FED_FREELY } }),
        'route/lead',
      )
    // One turn of 250 mm takes 785 mm.
    expect([lead(-0.01), lead(0), lead(0.785), lead(0.786)]).toEqual(['stop', 'good', 'good', 'check'])
    const { turns, thickMm } = coilOf(12, CATALOGUE.cables.get('lead-thin')!)
    expect(turns * 0.25 * 3.14159).toBeGreaterThanOrEqual(12)
    expect((turns - 1) * 0.25 * 3.14159).toBeLessThan(12)
    expect(thickMm / 4.8).toBe(4) // sixteen turns lie four by four
  })
})

/**
 * ANSI/TIA-568 length table from memory: at 60 °C 75 m count as 90 m. Slack at the device lies as warm as
 * the last stretch before it.
 */
it('counts slack where it lies, and loops in the hottest loft', () => {
  const { usedM } = runLengths(
    context({ exposure: 'under a soffit' }),
    route([way(10, { space: 'loft', temperatureC: 60 }), way(10, { id: 'b' })]),
  )
  // 10 m of loft, 1 m slack and 1 m service loop at 60 °C; 10 m and 3 m at 20 °C. No rain in a loft: no loop.
  expect(usedM).toBeCloseTo(12 * (90 / 75) + 13, 9)
})

it('puts the service loop into the hotter of two lofts, whichever comes first', () => {
  const lofts = [40, 60].map((temperatureC) =>
    way(10, { id: `at-${temperatureC}`, space: 'loft', temperatureC }),
  )
  const meanOf = (segments: Segment[]) =>
    runLengths(context({ exposure: 'dry indoors' }), route([way(10), ...segments, way(10, { id: 'b' })]))
      .meanC
  // 10 m at 40 °C, 10 m and the loop of 1 m at 60 °C, 20 m and 4 m of slack at 20 °C.
  const mean = (10 * 40 + 11 * 60 + 24 * 20) / 45
  expect(meanOf(lofts)).toBeCloseTo(mean, 9)
  expect(meanOf(lofts.toReversed())).toBeCloseTo(mean, 9)
})

it('says what is cut, which lead is taken, and of what lies there already neither', () => {
  const told = (change: Partial<Route>) => {
    const { drawing, figures } = of({}, route([way(20)], change))
    return [drawing.cutM !== null, figures.filter(({ label }) => /cut|lead|Take/i.test(label)).length > 0]
  }
  expect(told({})).toEqual([true, true])
  expect(told({ lead: { lengthM: 30, ...FED_FREELY } })).toEqual([false, true])
  expect(told({ laid: 'kept' })).toEqual([false, false])
  const headline = (change: Partial<Route>) => of({}, route([way(20)], change)).headline
  expect(headline({ lead: { lengthM: 30, ...FED_FREELY } })).toMatchObject({ value: 30, kind: 'length' })
  expect(headline({ laid: 'kept' })).toMatchObject({ kind: 'length' })
  expect(headline({})).toMatchObject({ kind: 'cut' })
})

describe('what was measured counts from then on', () => {
  const planned = route([way(70)])
  const measured = (installedM: number) => ({ ...NOT_MEASURED, installedM })
  it('against the 90 m of the standard, exactly, and says so', () => {
    expect([89.99, 90, 90.01].map((m) => verdict({}, planned, 'route/length', measured(m)))).toEqual([
      'good',
      'good',
      'stop',
    ])
    expect(verdict({}, planned, 'route/length')).toBe('good')
    expect(of({}, planned, measured(88)).figures.map(({ label }) => label)).toContain(
      'Installed, as measured',
    )
    expect(of({}, planned, measured(88)).findings[0]!.reason).toContain('88.00 m as measured')
  })
})

it('a run longer than any drum is a Stop: it has no joint', () => {
  const cut = (lengthM: number) => runLengths(context({ cableId: 'rg59' }), route([way(lengthM)])).cutM
  const exact = 100 + (152 - cut(100)) / 1.05 // waste is 5 % of what is installed
  expect(
    [exact - 0.01, exact + 0.01].map((m) => verdict({ cableId: 'rg59' }, route([way(m)]), 'route/drum')),
  ).toEqual([null, 'stop'])
})

describe('jackets', () => {
  it.each<[string, Segment['space'], boolean]>([
    ['cat6', 'clipped outside', false],
    ['cat6-outdoor', 'clipped outside', true],
    ['cat6-outdoor', 'buried duct', false],
    ['cat6-duct', 'buried duct', true],
    ['cat6', 'riser', true],
    ['cat6-outdoor', 'riser', false],
    ['cat6', 'air-handling space', false],
    ['cat6-plenum', 'air-handling space', true],
    ['cat5e', 'under decking', false],
  ])('%s through %s: %s', (cableId, space, stands) => {
    const found = of({ cableId }, route([way(5, { space })])).findings.find(({ id }) => id === 'route/jacket')
    expect(found === undefined).toBe(stands)
    if (!found) return
    const named = [...CATALOGUE.cables.values()].find(({ name }) => found.advice!.includes(name))!
    expect(SPACES[space].asks.every((need) => named.stands.includes(need))).toBe(true)
  })
})

/**
 * NEC chapter 9 table 1: 53, 31 and 40 %; table 4: PVC 3/4 in 0.508 in² inside. Four 6.0 mm cables fill
 * 34.5 %, five 43.1 %.
 */
describe('a conduit that runs share', () => {
  it('is filled by all of them', () => {
    expect([1, 2, 3, 9].map((n) => fillLimit(n).value)).toEqual([53, 31, 40, 40])
    expect(fillPercent(new Array(4).fill(6), 0.508 * 645.16)).toBeCloseTo(34.5, 1)
    const yard = (id: string) =>
      device({
        id,
        cableId: 'cat6',
        route: route([
          way(9, { space: 'conduit', conduitId: 'pvc-three-quarter', conduitName: 'yard duct' }),
        ]),
      })
    const found = (count: number) => {
      const devices = Array.from({ length: count }, (_, i) => yard(`d${i}`))
      return assessRoute(context(devices[0], NOT_MEASURED, devices), devices[0]!.route!).findings.find(
        ({ id }) => id === 'route/conduit-a',
      )
    }
    expect([1, 3, 4].map((n) => found(n)?.verdict ?? null)).toEqual([null, null, null])
    expect(found(5)).toMatchObject({ verdict: 'check', limit: { value: 40 } })
    const larger = [...CATALOGUE.conduits.values()].find(({ name }) => found(5)!.advice!.includes(name))!
    expect(fillPercent(new Array(5).fill(6), larger.boreAreaMm2)).toBeLessThanOrEqual(40)
  })
  it.each([
    ['four, of which 4.64 fit into 3/4 in of PVC', 'pvc-three-quarter', 4, true],
    ['five, of which 4.64 fit', 'pvc-three-quarter', 5, false],
    ['five, of which 4.86 fit into 3/4 in of EMT', 'emt-three-quarter', 5, true],
    ['six there', 'emt-three-quarter', 6, false],
  ])('of one size, %s (chapter 9 note 7: from 0.8 one more)', (_, id, count, good) =>
    expect(goesIn(new Array<number>(count).fill(6), CATALOGUE.conduits.get(id)!.boreAreaMm2)).toBe(good),
  )
  it('of several sizes none is rounded up, and two have their own limit', () => {
    const bore = CATALOGUE.conduits.get('emt-three-quarter')!.boreAreaMm2
    expect(goesIn([6, 6, 6, 6, 6.001], bore)).toBe(false)
    expect(goesIn([8.2, 8.2], bore)).toBe(true)
    expect(goesIn([8.3, 8.3], bore)).toBe(false)
  })
  it('trunking takes 45 % whatever lies in it, and none more by rounding', () => {
    const trunking = { ...CATALOGUE.conduits.get('trunking-50-25')!, boreAreaMm2: 1000 }
    const mm = (area: number, count: number) =>
      new Array<number>(count).fill(2 * Math.sqrt(area / count / Math.PI))
    for (const count of [1, 2, 3, 7]) {
      expect(filled(mm(450 - 1e-6, count), trunking)).toMatchObject({
        goesIn: true,
        jamRatio: null,
        jams: false,
      })
      expect(filled(mm(450 + 1e-6, count), trunking).goesIn).toBe(false)
      expect(filled(mm(450, count), trunking).percent).toBeCloseTo(45, 9)
    }
    expect(conduitFor([6, 6], CATALOGUE.conduits.values(), 'trunking')?.id).toBe('trunking-16-16')
    // Nine of 6.2 mm are 272 mm²: more than 45 % of 38 × 16 mm, whose inside is 452 mm².
    expect(conduitFor(new Array<number>(9).fill(6.2), CATALOGUE.conduits.values(), 'trunking')?.id).toBe(
      'trunking-38-25',
    )
  })
  it('the conduit that is advised takes them with ease and lets none wedge', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 3, max: 14, noNaN: true }), { minLength: 1, maxLength: 8 }),
        (mm) => {
          const advised = conduitFor(mm, CATALOGUE.conduits.values())
          const area = mm.reduce((sum, d) => sum + Math.PI * (d / 2) ** 2, 0)
          const share = [0.53, 0.31, 0.4][Math.min(mm.length, 3) - 1]!
          const wedged = (bore: number) =>
            mm.length === 3 && Math.abs((3 * bore) / (mm[0]! + mm[1]! + mm[2]!) - 3) <= 0.2
          const right = ({ boreAreaMm2 }: { boreAreaMm2: number }) =>
            area <= share * boreAreaMm2 && !wedged(2 * Math.sqrt(boreAreaMm2 / Math.PI))
          const round = [...CATALOGUE.conduits.values()].filter(({ form }) => form === undefined)
          const all = round.filter(right).map(({ boreAreaMm2 }) => boreAreaMm2)
          expect(advised?.boreAreaMm2 ?? Infinity).toBe(Math.min(Infinity, ...all))
        },
      ),
    )
  })
})

/**
 * ANSI/TIA-568.0-D: 4 D and 110 N for four pairs; NEC 334.24: 5 D; fibre 10 D at rest, both from memory;
 * coax 10 D common practice, no source.
 */
it('bends and pulls each kind of cable by its own rule', () => {
  const handling = (id: string) => [CATALOGUE.cables.get(id)!.bendTimes, CATALOGUE.cables.get(id)!.handling]
  expect([handling('cat6'), handling('mains-14-2'), handling('fibre-single'), handling('rg6')]).toEqual([
    [4, 'tia-568-0'],
    [5, 'nec-334'],
    [10, 'tia-568-0'],
    [10, 'practice'],
  ])
  expect(CATALOGUE.cables.get('cat6')!.pullN).toBe(110)
})

describe('how it may be pulled and bent', () => {
  const figure = (on: Partial<Device>, label: string) => {
    const found = of(on, route([way(20)])).figures.find((one) => one.label === label)!.reading
    return 'value' in found ? found.value : found.text
  }
  /** ANSI/TIA-568: four diameters and 110 N for four pairs. Coax: common practice. */
  it.each([
    ['cat6', 4 * 6, 110],
    ['rg59', 10 * 6.1, 150],
  ])('%s: no tighter than %f mm, no harder than %f N', (cableId, bendMm, pullN) => {
    expect(figure({ cableId }, 'Bend no tighter than, radius')).toBeCloseTo(bendMm, 1)
    expect(figure({ cableId }, 'Pull no harder than')).toBe(pullN)
  })
  it('gives coax its longest run as the limit, to the metre', () => {
    const at = (installedM: number) =>
      of({ cableId: 'rg59' }, route([way(installedM - 4)])).findings.find(({ id }) => id === 'route/length')!
    const { limit } = at(20)
    const longest = limit && 'value' in limit ? limit.value : 0
    expect(longest).toBeGreaterThan(100)
    expect([longest - 0.5, longest + 0.5].map((m) => at(m).verdict)).toEqual(['good', 'stop'])
    expect(at(longest + 0.5).figure).toMatchObject({ kind: 'length' })
  })
  it('counts no supports for a stretch of no length', () => {
    const items = of({}, route([way(0, { space: 'loft' }), way(5)])).figures.map(({ label }) => label)
    expect(items.some((label) => label.includes('J-hooks'))).toBe(false)
  })
})
