import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, said } from '@/testing/jobs'
import { area, soffit, wall, xy, pathway } from '@/testing/plans'
import { proposeMount } from '../mount'
import { proposeSight } from '../sight'
import { resolve } from '../parts'
import {
  apply,
  Command,
  commandsOf,
  inverseOf,
  RECORD_VERSION,
  openJobFile,
  PlanThing,
  reasonsOf,
  Site,
  type Change,
  type Job,
} from '.'

const after = (now: Job, ...changes: Change[]) =>
  changes.reduce((held, change) => {
    const applied = apply(held, Command.parse(said(change)), CATALOGUE)
    if (!applied.ok) throw new Error(applied.reasons.map(({ message }) => message).join())
    return applied.job
  }, now)
const sight = () => {
  const context = resolve(device(), job(), CATALOGUE)
  if ('missing' in context) throw new Error('missing')
  return proposeSight(context)
}
const mounted = () => {
  const context = resolve(device(), job(), CATALOGUE)
  if ('missing' in context) throw new Error('missing')
  return proposeMount(context)
}
const sha256 = 'c'.repeat(64)
const background = {
  name: 'Yard.dxf',
  sha256,
  widthPx: 800,
  heightPx: 600,
  at: xy(-2, 40),
  metresPerPx: 0.05,
  turnDeg: 12,
}

const along = (change: Parameters<typeof pathway>[1]) =>
  pathway([[0, 0], [9, 0]], { space: 'loft', coldestC: 0, temperatureC: 30, ...change }) // prettier-ignore

describe('things on the plan', () => {
  const opening = { id: 'o', name: '', alongM: 1, widthM: 1, sillM: 0, headM: 2 }
  it.each<[string, object, string, RegExp]>([
    ['a wall without length', wall(3, 3, 3, 3.01), '/to', /same point/],
    [
      'an outline that crosses itself',
      area(0, 0, 4, 4, { outline: [xy(0, 0), xy(4, 4), xy(4, 0), xy(0, 4)] }),
      '/outline',
      /crosses itself/,
    ],
    [
      'an outline that encloses nothing',
      area(0, 0, 4, 4, { outline: [xy(0, 0), xy(1, 0), xy(0.5, 0.001)] }),
      '/outline',
      /encloses nothing/,
    ],
    ['two corners', area(0, 0, 4, 4, { outline: [xy(0, 0), xy(4, 4)] }), '/outline', /three corners/],
    [
      'a door past the end',
      wall(0, 0, 2, 0, { openings: [{ ...opening, alongM: 1.5 }] }),
      '/openings/0/widthM',
      /past the end/,
    ],
    [
      'a head under the sill',
      wall(0, 0, 4, 0, { openings: [{ ...opening, sillM: 2.5 }] }),
      '/openings/0/headM',
      /above the sill/,
    ],
    ['a point that is not a number', wall(Number.NaN, 0, 4, 0), '/from/x', /number of m/],
    [
      'a walk that goes nowhere',
      { id: 'w', floor: 'ground', name: '', locked: false, kind: 'walk', path: [xy(1, 1), xy(1, 1)] },
      '/path',
      /nowhere/,
    ],
    ['a pathway that goes nowhere', along({ path: [xy(1, 1)] }), '/path', /nowhere/],
    [
      'a coldest that is warmer than the warmest',
      along({ coldestC: 21, temperatureC: 20 }),
      '/coldestC',
      /no warmer/,
    ],
    ['the size of a loft', along({ conduitId: 'pvc-1' }), '/conduitId', /Only a conduit/],
    ['cables that lie in a loft', along({ lyingCables: 1 }), '/lyingCables', /Only what lies in a conduit/],
    ['a loft to put up', along({ yetToPut: true }), '/yetToPut', /Only a conduit/],
    ['bare edges of a loft', along({ bareEdges: true }), '/bareEdges', /no edge/],
    ['what is free in a duct', along({ space: 'buried duct', freeMm: 40 }), '/freeMm', /its size instead/],
    [
      'half a cable in a duct',
      along({ space: 'buried duct', lyingCables: 0.5 }),
      '/lyingCables',
      /whole number/,
    ],
    ['a floor that there is none of', soffit(0, 0, 1, 0, { floor: 'cellar' as never }), '/floor', /./],
  ])('refuse %s, at the field', (_, thing, path, message) => {
    const parsed = PlanThing.safeParse(thing)
    expect(parsed.success).toBe(false)
    const [reason] = reasonsOf(parsed.error!)
    expect(reason!.path).toBe(path)
    expect(reason!.message).toMatch(message)
  })
  it('take thousands, and no more than a job holds', () => {
    const full = job({ things: Array.from({ length: 5000 }, (_, i) => wall(i, 0, i, 1, { id: `w${i}` })) })
    expect(
      apply(
        full,
        Command.parse(said({ type: 'putThing', thing: wall(0, 0, 1, 1, { id: 'one-more' }) })),
        CATALOGUE,
      ),
    ).toMatchObject({ ok: false, reasons: [{ path: '/thing' }] })
    expect(after(full, { type: 'putThing', thing: wall(0, 0, 1, 1, { id: 'w7' }) }).things[7]).toMatchObject({
      to: xy(1, 1),
    })
  })
  it('need a site that is on earth and a clock that there is', () => {
    const site = { latitudeDeg: 51, longitudeDeg: 0, upBearingDeg: 0, timeZone: 'Europe/London' }
    expect(Site.safeParse(site).success).toBe(true)
    for (const wrong of [{ latitudeDeg: 91 }, { timeZone: 'Atlantis/Deep' }, { longitudeDeg: Infinity }])
      expect(Site.safeParse({ ...site, ...wrong }).success).toBe(false)
  })
})

describe('undo', () => {
  const start = () =>
    job({
      devices: [device({ sight: sight() })],
      things: [wall(0, 0, 4, 0, { id: 'a' }), wall(4, 0, 4, 4, { id: 'b' })],
    })
  it.each<[string, Change]>([
    ['a new thing', { type: 'putThing', thing: wall(0, 0, 9, 0, { id: 'fresh' }) }],
    ['a moved thing', { type: 'putThing', thing: wall(1, 1, 9, 0, { id: 'a' }) }],
    [
      'a moved device',
      {
        type: 'setPlan',
        deviceId: 'device-1',
        plan: {
          sight: { ...sight(), place: { floor: 'ground', x: 1, y: 2, panDeg: 3, rollDeg: 0, locked: false } },
        },
      },
    ],
    [
      'a site',
      { type: 'setSite', site: { latitudeDeg: 1, longitudeDeg: 2, upBearingDeg: 3, timeZone: 'UTC' } },
    ],
    ['a background', { type: 'setBackground', floor: 'roof', background }],
  ])('takes back %s', (_, change) => {
    const before = start()
    expect(after(before, change, inverseOf(before, change)!)).toEqual(before)
  })
  it('takes back a removal (the thing comes back last) and a replaced background', () => {
    const before = after(start(), { type: 'setBackground', floor: 'roof', background })
    const removal: Change = { type: 'removeThing', thingId: 'a' }
    expect(new Set(after(before, removal, inverseOf(before, removal)!).things)).toEqual(
      new Set(before.things),
    )
    const replaced: Change = {
      type: 'setBackground',
      floor: 'roof',
      background: { ...background, turnDeg: 0 },
    }
    expect(after(before, replaced, inverseOf(before, replaced)!)).toEqual(before)
  })
  it('does not cover other commands', () =>
    expect(inverseOf(job(), { type: 'removeDevice', deviceId: 'device-1' })).toBeNull())
})

describe('job files', () => {
  it('of a job with a plan come back the same through its commands', () => {
    const planned = after(
      job({
        devices: [
          device({
            sight: {
              ...sight(),
              place: { floor: 'upper', x: 1, y: 2, panDeg: 3, rollDeg: 4, locked: false },
            },
          }),
        ],
      }),
      { type: 'putThing', thing: area(0, 0, 2, 2) },
      { type: 'setBackground', floor: 'ground', background },
      { type: 'setSite', site: { latitudeDeg: 1, longitudeDeg: 2, upBearingDeg: 3, timeZone: 'UTC' } },
    )
    let n = 0
    const again = commandsOf(
      planned,
      () => `0b0b3a3e-7b6c-4f0e-9a55-${String(n++).padStart(12, '0')}`,
    ).reduce<Job | null>((held, command) => {
      const applied = apply(held, Command.parse(command), CATALOGUE)
      if (!applied.ok) throw new Error(applied.reasons[0]!.message)
      return applied.job
    }, null)
    expect(again).toEqual(planned)
  })
  it('of version 1 open as if they had always known the plan', () => {
    const { site: _s, backgrounds: _b, things: _t, windMS: _w, ...old } = job({ devices: [] })
    const {
      place: _p,
      wish: { at: _a, ...wish },
      ...plan
    } = sight()
    const words = JSON.stringify({
      format: 'neat-bracket-job',
      version: 1,
      job: { ...old, devices: [{ ...device(), sight: { ...plan, wish } }, device({ id: 'd2', mark: '02' })] },
      photos: [],
    })
    const opened = openJobFile(words)
    expect(opened).toEqual({
      ok: true,
      file: {
        format: 'neat-bracket-job',
        version: RECORD_VERSION,
        job: job({ devices: [device({ sight: sight() }), device({ id: 'd2', mark: '02' })] }),
        photos: [],
      },
    })
  })
  it('of version 2 open as if they had always known the wind and the pole', () => {
    const { windMS: _w, ...old } = job({ devices: [] })
    const { edgeMm: _e, slotMm: _l, pole: _o, ...mount } = mounted()
    const opened = openJobFile(
      JSON.stringify({
        format: 'neat-bracket-job',
        version: 2,
        job: { ...old, devices: [device({ mount: mount as never })] },
        photos: [],
      }),
    )
    expect(opened).toEqual({
      ok: true,
      file: {
        format: 'neat-bracket-job',
        version: RECORD_VERSION,
        job: job({ devices: [device({ mount: mounted() })] }),
        photos: [],
      },
    })
  })
  it.each([[0], [1.5], [-1]])('of version %s are refused', (version) =>
    expect(
      openJobFile(JSON.stringify({ format: 'neat-bracket-job', version, job: job(), photos: [] })),
    ).toMatchObject({ ok: false, reasons: [{ path: '/version' }] }),
  )
  it('of version 1 that are malformed are refused, not thrown', () => {
    for (const wrong of [null, [], { devices: 3 }, { devices: [null, { sight: 4 }, { sight: { wish: 1 } }] }])
      expect(
        openJobFile(JSON.stringify({ format: 'neat-bracket-job', version: 1, job: wrong, photos: [] })).ok,
      ).toBe(false)
  })
})
