import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess } from '../assess'
import type { Device, PlanThing } from '../job'
import { ledOn } from '.'
import { narrowsOf } from './narrow'
import { FED_FREELY } from '../route/plan'

const placed = plannedThrough(device())
const { diameterMm } = CATALOGUE.cables.get(placed.cableId)!
/** Round a cable, or a bundle, so much room is left in a hole (common practice, no source). */
const ROOM_MM = 3

/** A camera at so many metres along the lane of 20 m. */
const camera = (x: number, i = 1, change: Partial<Device> = {}): Device => ({
  ...placed,
  ...{ id: `d${i}`, mark: `0${i}` },
  route: { ...placed.route!, segments: placed.route!.segments.map((one) => ({ ...one, lengthM: 30 })) },
  sight: {
    ...placed.sight!,
    heightM: 2,
    place: { floor: 'ground', x, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
  ...change,
})
const lane = (freeMm: number) =>
  pathway(
    [
      [0, 0],
      [20, 0],
    ],
    { id: 'lane', name: 'Void', space: 'wall cavity', heightM: 2, endM: 2, freeMm },
  )
const on = (devices: readonly Device[], things: readonly PlanThing[], headEndAt = 20) =>
  job({ devices: [...devices], things: [...things, headEnd(headEndAt, 0)] })
const narrowsIn = (of: ReturnType<typeof on>) => ledOn(of, CATALOGUE).map(({ narrows }) => narrows)
const found = (of: ReturnType<typeof on>, i = 0) =>
  assess(of, CATALOGUE).devices[i]!.findings.filter(({ id }) => id.startsWith('route/narrow'))

it('what lies together somewhere wants its room there: two beside each other, and not one after the other', () => {
  const both = {
    along: 'Void',
    cables: 2,
    freeMm: 10,
    thickMm: 2 * diameterMm,
    passMm: 2 * diameterMm + ROOM_MM,
  }
  expect(narrowsIn(on([camera(0), camera(10, 2)], [lane(10)]))).toEqual([[both], [both]])
  expect(narrowsIn(on([camera(0), camera(20, 2)], [lane(10)], 10))).toEqual([[], []])
  expect(narrowsIn(on([camera(0), camera(10, 2)], [lane(0)]))).toEqual([[], []])
  expect(narrowsIn(on([camera(0), camera(10, 2)], [lane(both.passMm)]))).toEqual([[], []])
})
it('a cable that comes back through a pathway lies there twice', () => {
  const [once] = ledOn(on([camera(0)], [lane(10)]), CATALOGUE)
  const way = 'way' in once!.found ? once!.found.way : null
  const trace = way!.traces.find(({ on: along }) => along !== null)!
  const back = { ...trace, on: { ...trace.on!, from: trace.on!.to, to: trace.on!.from } }
  const there = { ...once!, found: { way: { ...way!, traces: [...way!.traces, back] } } }
  expect(narrowsOf([once!]).size).toBe(0)
  expect(narrowsOf([there]).get('d1')).toMatchObject([{ cables: 2, thickMm: 2 * diameterMm }])
})
it('the fullest place is said of each: of three, the last is beside both, the first two are too', () => {
  const three = narrowsIn(on([camera(0), camera(8, 2), camera(14, 3)], [lane(5)]))
  expect(three.map(([only, ...more]) => [only!.cables, more.length])).toEqual(new Array(3).fill([3, 0]))
})
it('a plug that is never cut wants its own room, alone or beside others', () => {
  const lead = camera(0, 1, {
    cableId: 'lead-thin',
    route: { ...placed.route!, lead: { lengthM: 30, ...FED_FREELY } },
  })
  const alone = narrowsIn(on([lead], [lane(5)]))[0]![0]!
  expect(alone.passMm).toBe(alone.thickMm)
  expect(alone.passMm).toBeGreaterThan(diameterMm + ROOM_MM)
})
it('tight is a Check, too thick a Stop; of a cable that lies there nothing is said', () => {
  const tight = on([camera(0), camera(0, 2)], [lane(2 * diameterMm)])
  expect(found(tight)).toMatchObject([
    { id: 'route/narrow-1', verdict: 'check', title: 'Tight in Void', limit: { value: 2 * diameterMm } },
  ])
  const thick = on([camera(0), camera(0, 2)], [lane(2 * diameterMm - 0.1)])
  expect(found(thick)).toMatchObject([{ verdict: 'stop', title: 'Too thick for Void' }])
  const kept = camera(0, 1, { route: { ...camera(0).route!, laid: 'kept' } })
  expect(found(on([kept], [lane(2)]))).toEqual([])
})
it('what is advised helps, and brings nothing else: another way for some, or the room it wants', () => {
  const beside = pathway([[0, 0], [0, 6], [20, 6], [20, 0]], { id: 'beside', heightM: 2, endM: 2 }) // prettier-ignore
  const bad = (of: ReturnType<typeof on>) =>
    assess(of, CATALOGUE).devices.flatMap(({ findings }) =>
      findings.flatMap(({ id, verdict }) => (verdict === 'good' ? [] : [id])),
    )
  const narrow = on([camera(0), camera(0, 2)], [lane(10), beside])
  const more = bad(narrow).filter((id) => id.startsWith('route/narrow'))
  const rest = bad(narrow).filter((id) => !id.startsWith('route/narrow'))
  expect(more).toHaveLength(2)
  const around = { ...camera(0, 2).route!, forced: { through: null, around: ['lane'] } }
  expect(bad(on([camera(0), camera(0, 2, { route: around })], [lane(10), beside]))).toEqual(rest)
  expect(bad(on([camera(0), camera(0, 2)], [lane(2 * diameterMm + ROOM_MM), beside]))).toEqual(rest)
})
