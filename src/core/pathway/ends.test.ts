import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, plannedThrough, run, said } from '@/testing/jobs'
import { headEnd, pathway, stands, xy } from '@/testing/plans'
import { crossings, EVERYTHING, over, spot, yard } from '@/testing/ways'
import { assess, assessAgain } from '../assess'
import { apply, type Change, type Job } from '../job'
import { conduitPulls, ledOn, pullsOf, waysOn } from '.'

/** A lane of 40 m from the head end at its start; equipment at 30 m, a camera at 10 m. */
const lane = pathway(
  [
    [0, 0],
    [40, 0],
  ],
  { id: 'lane', name: 'Lane', heightM: 1, endM: 1 },
)
const placed = plannedThrough(device())
const camera = {
  ...placed,
  id: 'd1',
  power: { supplyId: 'far', port: 1 },
  sight: {
    ...placed.sight!,
    heightM: 1,
    place: { floor: 'ground' as const, x: 10, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
}
const far = equipment({ id: 'far', mark: 'E2', name: 'Far switch', stands: 'on site' })
const near = equipment({ id: 'switch' })
const uplink = run({ fromId: 'switch', toId: 'far', segments: [] })
const on = (change: Partial<Job> = {}) =>
  job({
    devices: [camera],
    equipment: [near, far],
    runs: [uplink],
    things: [lane, headEnd(0, 0), stands('far', 30, 0, 1)],
    ...change,
  })
const lengths = (of: Job) =>
  Object.fromEntries(
    [...waysOn(of, CATALOGUE)].map(([id, way]) => [
      id,
      'none' in way
        ? way.none
        : way.segments.map(({ lengthM, riseM }) => (riseM === 0 ? lengthM : [lengthM, riseM])),
    ]),
  )

describe('cables lead to what they end at', () => {
  it('equipment with a spot of its own, the head end without one, nowhere while it stands on site', () => {
    expect(lengths(on())).toEqual({ 'd1': [20], 'run-1': [30] })
    expect(lengths(on({ things: [lane, headEnd(0, 0)] }))).toEqual({})
    const inside = on({ things: [lane, headEnd(0, 0)], equipment: [near, { ...far, stands: 'head end' }] })
    expect(lengths(inside)).toEqual({ d1: [10] })
    const off = on({ things: [lane, headEnd(0, 0), stands('far', 30, 20)] })
    const none = 'Nothing that it ends at is drawn within reach of a pathway.'
    expect(lengths(off)).toMatchObject({ d1: none })
  })
  it('a run is told from where it comes, whichever end is led to', () => {
    const risen = [{ ...lane, endM: 5 }, headEnd(0, 0), stands('far', 40, 0, 5)]
    const back = run({ fromId: 'far', toId: 'switch', segments: [] })
    expect(lengths(on({ things: risen }))).toMatchObject({ 'run-1': [[40, 4]] })
    expect(lengths(on({ things: risen, runs: [back] }))).toMatchObject({ 'run-1': [[40, -4]] })
  })
  it('from equipment to equipment, and from a camera to it; nothing kept, or of mains', () => {
    const both = [lane, headEnd(0, 0), stands('far', 30, 0, 1), stands('switch', 5, 0, 1)]
    expect(lengths(on({ things: both }))).toMatchObject({ 'run-1': [25] })
    const sound = run({ fromId: 'far', toId: 'd1', segments: [] })
    expect(lengths(on({ runs: [sound] }))).toMatchObject({ 'run-1': [20] })
    const other = { ...camera, id: 'd2', mark: '02' }
    for (const left of [
      { ...uplink, state: 'kept' as const },
      { ...uplink, cableId: 'mains-14-2' },
    ])
      expect(Object.keys(lengths(on({ devices: [camera, other], runs: [left] })))).toEqual(['d1', 'd2'])
  })
  it('from camera to camera, told from where it comes, whichever of them moves', () => {
    const other = (x: number) => ({
      ...camera,
      ...{ id: 'd2', mark: '02' },
      sight: { ...camera.sight, heightM: 3, place: { ...camera.sight.place, x } },
    })
    const between = run({ fromId: 'd1', toId: 'd2', segments: [] })
    const before = on({ devices: [camera, other(25)], runs: [between] })
    // Along the lane, then 2 m up to the higher one.
    const laid = (of: Job) => {
      const way = waysOn(of, CATALOGUE).get('run-1')!
      return 'none' in way ? way.none : way.segments.map(({ lengthM, riseM }) => [lengthM, riseM])
    }
    expect(laid(before)).toEqual([[15, 2]])
    expect(laid({ ...before, runs: [{ ...between, fromId: 'd2', toId: 'd1' }] })).toEqual([[15, -2]])
    expect(laid({ ...before, devices: [camera, other(12)] })).toEqual([[2, 2]])
    expect(laid({ ...before, devices: [camera, other(60)] })).toMatch(/^Nothing that it ends at/)
  })
  it('to a camera as it would be to a head end that stood there', () => {
    fc.assert(
      fc.property(yard, crossings, crossings, fc.nat(3), (lanes, from, to, aside) => {
        const there = { floor: 'ground' as const, at: xy(4 * to.x + aside, 4 * to.y), heightM: 1 }
        const camera = spot(4 * from.x + 1, 4 * from.y)
        const end = { deviceId: 'd', spot: there }
        const found = over([...lanes, headEnd(8, 8)]).find(camera, { ...EVERYTHING, to: end })
        const alone = over([...lanes, headEnd(there.at.x, there.at.y)]).find(camera, EVERYTHING)
        expect('way' in found).toBe('way' in alone)
        if (!('way' in found) || !('way' in alone)) return
        expect(found.way.minutes).toBeCloseTo(alone.way.minutes, 6)
      }),
      { numRuns: 400 },
    )
  })
  it('a run follows the camera and the equipment that it ends at, when only they move', () => {
    const sound = run({ fromId: 'far', toId: 'd1', segments: [] })
    const before = on({ runs: [sound] })
    expect(lengths(before)).toMatchObject({ 'run-1': [20] })
    const at = { ...camera.sight.place, x: 12 }
    const moved = { ...before, devices: [{ ...camera, sight: { ...camera.sight, place: at } }] }
    expect(lengths(moved)).toMatchObject({ 'run-1': [18] })
    const things = [lane, headEnd(0, 0), stands('far', 28, 0, 1)]
    expect(lengths({ ...moved, things })).toMatchObject({ 'run-1': [16] })
  })
  it('to equipment as it would be to a head end that stood there', () => {
    fc.assert(
      fc.property(yard, crossings, crossings, (lanes, from, to) => {
        const there = { floor: 'ground' as const, at: xy(4 * to.x, 4 * to.y), heightM: 1 }
        const camera = spot(4 * from.x + 1, 4 * from.y)
        const piece = stands('e', there.at.x, there.at.y, there.heightM)
        const found = over([...lanes, headEnd(8, 8), piece]).find(camera, { ...EVERYTHING, to: piece.id })
        const alone = over([...lanes, headEnd(there.at.x, there.at.y)]).find(camera, EVERYTHING)
        expect('way' in found).toBe('way' in alone)
        if (!('way' in found) || !('way' in alone)) return
        expect(found.way.minutes).toBeCloseTo(alone.way.minutes, 6)
        expect(found.way.lengthM).toBeGreaterThan(0)
      }),
    )
  })
})

describe('a run on the plan', () => {
  const entered = (lengthM: number) => [{ ...run().segments[0]!, lengthM }]
  const said = (of: Job) => assess(of, CATALOGUE).runs[0]!.findings.map(({ id }) => id)
  it('is held against its way, to the tenth that it may be shorter', () => {
    const strays = (lengthM: number) =>
      said(on({ runs: [{ ...uplink, segments: entered(lengthM) }] })).includes('route/stray')
    expect([strays(26.999), strays(27), strays(27.001)]).toEqual([true, false, false])
  })
  it('fills the conduit of its way for itself and for the camera that shares it', () => {
    const duct = { ...lane, space: 'conduit' as const, conduitId: 'metric-20' }
    const things = [duct, headEnd(0, 0), stands('far', 30, 0, 1)]
    const three = ['run-1', 'run-2', 'run-3'].map((id, i) => ({ ...uplink, id, mark: `R${i + 1}` }))
    const tight = (runs: Job['runs']) => {
      const { devices, runs: judged } = assess(on({ things, runs, devices: [{ ...camera }] }), CATALOGUE)
      const full = ({ id }: { id: string }) => id.startsWith('route/conduit-')
      return [
        devices[0]!.stages!.route.result.findings.some(full),
        judged.map(({ findings }) => findings.some(full)),
      ]
    }
    // 201 mm² of bore, 40 % of it for four: four cables of 6 mm and 7 mm want 123 mm².
    expect(tight([])).toEqual([false, []])
    expect(tight(three)).toEqual([true, [true, true, true]])
  })
  it('computed again from what was known it is as from scratch, whatever moves', () => {
    const x = fc.integer({ min: 5, max: 40 })
    fc.assert(
      fc.property(fc.array(fc.tuple(x, x, fc.boolean()), { minLength: 1, maxLength: 5 }), (moves) => {
        let now = on()
        let assessed = assess(now, CATALOGUE)
        for (const [cameraX, farX, led] of moves) {
          const at = { ...camera.sight.place, x: cameraX }
          const next = {
            ...now,
            devices: [{ ...camera, sight: { ...camera.sight, place: at } }],
            things: led ? [lane, headEnd(0, 0), stands('far', farX, 0, 1)] : [lane, headEnd(0, 0)],
          }
          assessed = assessAgain({ job: now, assessment: assessed }, next, CATALOGUE)
          now = next
          expect(assessed).toEqual(assess(structuredClone(now), CATALOGUE))
        }
      }),
      { numRuns: 30 },
    )
  })
})

describe('equipment on the plan, said', () => {
  const after = (change: Change, from: Job) => apply(from, said(change), CATALOGUE)
  it('stands at one spot, and is there; what is taken out leaves its spot to another', () => {
    const twice = after({ type: 'putThing', thing: { ...stands('far', 1, 1), id: 'other' } }, on())
    expect(twice).toMatchObject({
      ok: false,
      reasons: [
        { path: '/thing/equipmentId', message: 'E2 Far switch stands on the plan already: move it.' },
      ],
    })
    const unknown = after({ type: 'putThing', thing: stands('gone', 1, 1) }, on())
    expect(unknown).toMatchObject({ ok: false, reasons: [{ path: '/thing/equipmentId' }] })
    const edited = { type: 'editThing', thingId: 'stands-far', change: { equipmentId: 'gone' } } as const
    expect(after(edited, on())).toMatchObject({ ok: false, reasons: [{ path: '/change/equipmentId' }] })
    const moved = after({ type: 'putThing', thing: stands('far', 9, 1) }, on())
    expect(moved.ok && moved.job.things[2]).toMatchObject({ at: { x: 9, y: 1 } })
    const free = on({ devices: [], runs: [] })
    const out = after({ type: 'removeEquipment', equipmentId: 'far' }, free)
    expect(out.ok && out.job.things[2]).toEqual({ ...stands('far', 30, 0, 1), equipmentId: null })
  })
})

it('a ready-made lead is drawn as its ends ask for, whichever end is the better one', () => {
  const duct = { ...lane, space: 'conduit' as const, path: [xy(0, 0), xy(30, 0), xy(30, 10)] }
  const pulled = (fedFrom: 'near end' | 'far end') => {
    const of = {
      ...camera,
      cableId: 'lead-thin',
      power: null,
      sight: { ...camera.sight, place: { ...camera.sight.place, x: 0, y: 0 } },
      route: { ...camera.route!, lead: { lengthM: 60, fedFrom, coilAt: null } },
    }
    const led = ledOn(on({ devices: [of], runs: [], things: [duct, headEnd(30, 10)] }), CATALOGUE)
    const [only] = conduitPulls(led)
    return { ...only!, either: led[0]!.pulls[0]!.pullN, turned: pullsOf(led).turned }
  }
  const [fromCamera, fromRack] = [pulled('near end'), pulled('far end')]
  // The short leg first is the easier: out towards the camera.
  expect(fromRack).toMatchObject({ outTowards: 'the devices', pullN: fromRack.either.toDevice, turned: [] })
  expect(fromCamera).toMatchObject({ outTowards: 'the head end', pullN: fromCamera.either.toHeadEnd })
  expect(fromCamera.pullN).toBeGreaterThan(fromRack.pullN)
  expect(fromCamera.turned).toEqual([camera.mark])
})

it('what is drawn through a conduit in both directions is one pull, out of the better end of both', () => {
  const duct = { ...lane, space: 'conduit' as const, path: [xy(0, 0), xy(30, 0), xy(30, 10)] }
  const there = { ...camera, sight: { ...camera.sight, place: { ...camera.sight.place, x: 0, y: 0 } } }
  const both = on({ devices: [there], things: [duct, headEnd(0, 0), stands('far', 30, 10, 1)] })
  const cables = ledOn(both, CATALOGUE)
  expect(cables).toHaveLength(2)
  const [only, ...more] = conduitPulls(cables)
  expect(more).toEqual([])
  expect(only!.marks).toEqual([there.mark, uplink.mark])
  // Past a bend what was drawn before it counts more: the short leg is drawn first, out towards the head end.
  const [ofCamera, ofRun] = cables.map(({ pulls: [pull] }) => pull!.pullN)
  expect(ofCamera!.toDevice).toBeLessThan(ofCamera!.toHeadEnd)
  expect(only!.outTowards).toBe(`the device of ${there.mark}`)
  expect(only!.pullN).toBeCloseTo(Math.max(ofCamera!.toDevice, ofRun!.toHeadEnd), 9)
})
