import fc from 'fast-check'
import { ShapeUtils, Vector2 } from 'three'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { thing as anyThing } from '@/testing/anyThing'
import { device, job } from '@/testing/jobs'
import { block, rectangle, wall, xy } from '@/testing/plans'
import { distanceM } from '../geometry'
import type { PlanThing } from '../job'
import { survey, surveyRequest } from '../sight'
import { fromEarth, geoJsonOf, readGeoJson, readPoints, toEarth, type Read } from '.'

const anchor = { latitudeDeg: 50.1, longitudeDeg: -5.05, upBearingDeg: 30 }
const site = { ...anchor, timeZone: 'Europe/London' }
let ids = 0
const onto = { job: job(), floor: 'ground' as const, anchor, newId: () => `new-${ids++}` }
const ok = (read: Read) => {
  if (!read.ok) throw new Error(read.message)
  return read
}

describe('the earth', () => {
  // Lengths of a degree on WGS 84, km, as tabulated in geographic handbooks; from memory.
  it.each([
    [0, 110.574, 111.32],
    [15, 110.649, 107.55],
    [30, 110.852, 96.486],
    [45, 111.132, 78.847],
    [60, 111.412, 55.8],
    [75, 111.618, 28.902],
  ])('a degree at %s° is %s km north and %s km east', (latitudeDeg, north, east) => {
    const here = { latitudeDeg, longitudeDeg: 10, upBearingDeg: 0 }
    const step = 0.01
    const up = [-step / 2, step / 2].map(
      (by) => fromEarth(here, { ...here, latitudeDeg: latitudeDeg + by }).y,
    )
    expect((up[1]! - up[0]!) / step / 1000).toBeCloseTo(north, 2)
    expect(fromEarth(here, { ...here, longitudeDeg: 10 + step }).x / step / 1000).toBeCloseTo(east, 2)
  })

  /** Through the middle of the earth: a point of WGS 84 in space, turned into the horizon of the anchor. */
  const inHorizon = (of: typeof anchor, to: { latitudeDeg: number; longitudeDeg: number }) => {
    const [a, b] = [6378137, 6356752.314245]
    const space = ({ latitudeDeg, longitudeDeg }: typeof to) => {
      const [p, l] = [(latitudeDeg * Math.PI) / 180, (longitudeDeg * Math.PI) / 180]
      const n = a ** 2 / Math.hypot(a * Math.cos(p), b * Math.sin(p))
      const z = (b ** 2 / a ** 2) * n * Math.sin(p)
      return [n * Math.cos(p) * Math.cos(l), n * Math.cos(p) * Math.sin(l), z] as const
    }
    const [from, there] = [space(of), space(to)]
    const [dx, dy, dz] = [there[0] - from[0], there[1] - from[1], there[2] - from[2]]
    const [p, l] = [(of.latitudeDeg * Math.PI) / 180, (of.longitudeDeg * Math.PI) / 180]
    return {
      east: -Math.sin(l) * dx + Math.cos(l) * dy,
      north: -Math.sin(p) * Math.cos(l) * dx - Math.sin(p) * Math.sin(l) * dy + Math.cos(p) * dz,
    }
  }
  const metres = fc.double({ min: -500, max: 500, noNaN: true })
  it('agrees with a turn in space to the centimetre, and comes back where it was', () =>
    fc.assert(
      fc.property(
        metres,
        metres,
        fc.double({ min: -65, max: 65, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.integer({ min: -360, max: 360 }),
        (x, y, latitudeDeg, longitudeDeg, upBearingDeg) => {
          const here = { latitudeDeg, longitudeDeg, upBearingDeg }
          const there = toEarth(here, { x, y })
          const { east, north } = inHorizon(here, there)
          const turn = (upBearingDeg * Math.PI) / 180
          const onPlan = xy(
            east * Math.cos(turn) - north * Math.sin(turn),
            east * Math.sin(turn) + north * Math.cos(turn),
          )
          expect(distanceM(onPlan, { x, y })).toBeLessThan(0.1)
          expect(distanceM(fromEarth(here, there), { x, y })).toBeLessThan(1e-6)
        },
      ),
    ))
  it('up the sheet points where it was said: east is up where that is 90°', () => {
    const there = toEarth({ latitudeDeg: 0, longitudeDeg: 0, upBearingDeg: 90 }, xy(0, 100))
    expect(there.latitudeDeg).toBeCloseTo(0, 9)
    expect(there.longitudeDeg).toBeGreaterThan(0.0008)
  })
})

describe('GeoJSON', () => {
  const exported = (things: PlanThing[], devices = [device()]) => {
    const of = { ...job({ devices }), things, site }
    return geoJsonOf(of, anchor, 'ground', survey(surveyRequest(of, CATALOGUE, 'ground')), CATALOGUE)
  }
  /** The same to a millimetre; a ring is told against the clock from its lowest corner. */
  const alike = (was: unknown, is: unknown, at = ''): void => {
    if (typeof was === 'number') expect(Math.abs(was - (is as number)), at).toBeLessThan(1e-3)
    else if (typeof was !== 'object' || was === null) expect(is, at).toBe(was)
    else {
      const turned = (one: object) =>
        Object.fromEntries(
          Object.entries(one).map(([key, value]: [string, unknown]) => [
            key,
            key === 'outline' ? fromLowest(value as { x: number; y: number }[]) : value,
          ]),
        )
      const [before, after] = [turned(was), turned(is as object)]
      expect(Object.keys(after).sort(), at).toEqual(Object.keys(before).sort())
      for (const [key, value] of Object.entries(before))
        if (key !== 'id' || at.includes('openings')) alike(value, after[key], `${at}/${key}`)
    }
  }
  const fromLowest = (ring: { x: number; y: number }[]) => {
    const round = ShapeUtils.isClockWise(ring.map(({ x, y }) => new Vector2(x, y))) ? ring.toReversed() : ring
    const lowest = round.reduce((least, { x, y }, i) => {
      const at = round[least]!
      return y < at.y - 0.01 || (y < at.y + 0.01 && x < at.x) ? i : least
    }, 0)
    return [...round.slice(lowest), ...round.slice(0, lowest)]
  }
  it('holds everything that is drawn, and gives it back as it was', () =>
    fc.assert(
      fc.property(fc.array(anyThing, { minLength: 1, maxLength: 6 }), (some) => {
        const things = some.map((thing, i) => ({ ...thing, id: `t${i}`, floor: 'ground' as const }))
        const { things: back, leftOut } = ok(readGeoJson(JSON.stringify(exported(things, [])), onto))
        expect(leftOut).toEqual([])
        alike(things, back)
      }),
      { numRuns: 40 },
    ))
  it('a wall with its door comes back with every field', () => {
    const opening = { id: 'door', name: 'Door', alongM: 1, widthM: 0.9, sillM: 0, headM: 2.1 }
    const one = wall(0, 0, 6, 2, { name: 'Front', openings: [opening] })
    const { things } = ok(readGeoJson(JSON.stringify(exported([one], [])), onto))
    alike([one], things)
  })
  it('outer rings run against the clock and holes with it; every ring is closed', () => {
    const at = { floor: 'ground' as const, x: 0, y: -8, panDeg: 0, rollDeg: 0, locked: false }
    const camera = device({ sight: { ...SIGHT, heightM: 6, tiltDeg: 30, place: at } })
    const { features } = exported([block(-1, 1, 2, 1, { heightM: 1 }), wall(-20, 20, 20, 20)], [camera])
    const seen = features.filter(({ properties }) => properties.kind === 'seen')
    expect(seen.length).toBeGreaterThan(2)
    let holes = 0
    for (const { geometry } of features) {
      if (geometry.type !== 'Polygon' && geometry.type !== 'MultiPolygon') continue
      const polygons = geometry.type === 'Polygon' ? [geometry.coordinates] : geometry.coordinates
      for (const rings of polygons)
        for (const [i, ring] of rings.entries()) {
          expect(ring[0]).toEqual(ring.at(-1))
          const spots = ring
            .slice(1)
            .map(([x, y]) => new Vector2((x - anchor.longitudeDeg) * 1e6, (y - anchor.latitudeDeg) * 1e6))
          expect(ShapeUtils.isClockWise(spots)).toBe(i > 0)
          holes += i > 0 ? 1 : 0
        }
    }
    expect(holes).toBeGreaterThan(0)
    const [marked] = features.filter(({ properties }) => properties.kind === 'device')
    expect(marked!.properties).toMatchObject({ mark: '01', bearingDeg: 30, heightM: 6 })
  })

  const file = (...features: object[]) => JSON.stringify({ type: 'FeatureCollection', features })
  const feature = (geometry: object, properties: object | null = null) => ({
    type: 'Feature',
    geometry,
    properties,
  })
  const earth = (x: number, y: number) => {
    const { longitudeDeg, latitudeDeg } = toEarth(anchor, xy(x, y))
    return [longitudeDeg, latitudeDeg]
  }
  const ring = (x: number, y: number, w: number, h: number) => {
    const corners = rectangle(x, y, w, h).map((p) => earth(p.x, p.y))
    return [...corners, corners[0]!]
  }
  it('a foreign line is a wall a side, an area a block, a point a target', () => {
    const { things, leftOut } = ok(
      readGeoJson(
        file(
          feature({ type: 'LineString', coordinates: [earth(0, 0), earth(4, 0), [...earth(4, 3), 12]] }),
          feature(
            {
              type: 'MultiPolygon',
              coordinates: [[ring(10, 0, 5, 4), ring(11, 1, 1, 1)], [ring(20, 0, 2, 2)]],
            },
            { name: 'Shed', heightM: 4 },
          ),
          feature({ type: 'Point', coordinates: earth(1, 1) }, { name: 'Till', level: 'identify' }),
        ),
        onto,
      ),
    )
    expect(things.map(({ kind, name }) => [kind, name])).toEqual([
      ['wall', ''],
      ['wall', ''],
      ['obstacle', 'Shed'],
      ['obstacle', 'Shed'],
      ['target', 'Till'],
    ])
    expect(things[2]).toMatchObject({ heightM: 4, baseM: 0 })
    expect(things[4]).toMatchObject({ level: 'identify' })
    expect(leftOut).toEqual([{ what: 'Feature 2, Shed', why: 'Its holes: they are filled.' }])
  })
  it.each<[string, string, RegExp]>([
    ['cut short', '{"type":"FeatureColl', /no JSON/],
    ['no collection', '{"type":"Topology"}', /no features/],
    ['a number', '7', /no features/],
  ])('%s is refused in words', (_, words, why) => {
    const read = readGeoJson(words, onto)
    expect(read.ok ? '' : read.message).toMatch(why)
  })
  it('without a site it is refused; what lies elsewhere on earth is left out, and says how far', () => {
    const read = readGeoJson(file(), { ...onto, anchor: null })
    expect(read.ok ? '' : read.message).toMatch(/where this site lies/)
    const far = ok(readGeoJson(file(feature({ type: 'Point', coordinates: [-5.05, 51.1] })), onto))
    expect(far.things).toEqual([])
    expect(far.leftOut[0]!.why).toMatch(/^It lies 111 km from here/)
  })
  it('what cannot be drawn is left out and the rest comes', () => {
    const { things, leftOut } = ok(
      readGeoJson(
        file(
          feature({ type: 'GeometryCollection', geometries: [] }),
          feature({ type: 'LineString', coordinates: [earth(0, 0), earth(0, 0)] }),
          feature({ type: 'Polygon', coordinates: [] }),
          feature({ type: 'Point', coordinates: ['1', null] }),
          feature({ type: 'Point', coordinates: earth(0, 0) }, { kind: 'constructor', __proto__: { x: 1 } }),
          feature({ type: 'Point', coordinates: earth(0, 0) }, { kind: 'device' }),
          feature({ type: 'Point', coordinates: earth(0, 0) }, { targetHeightM: 900 }),
        ),
        onto,
      ),
    )
    expect(things.map(({ kind }) => kind)).toEqual(['target'])
    expect(leftOut.map(({ what }) => what)).toEqual([
      'Feature 1',
      'Feature 4',
      'Feature 6',
      'Feature 2',
      'Feature 7',
    ])
  })
  it('takes two thousand things and not one more', () => {
    const points = (count: number) =>
      file(feature({ type: 'MultiPoint', coordinates: Array.from({ length: count }, () => earth(1, 1)) }))
    expect(ok(readGeoJson(points(2000), onto)).things).toHaveLength(2000)
    expect(readGeoJson(points(2001), onto).ok).toBe(false)
  })
})

describe('a table of points', () => {
  const one = (row: Record<string, string>, on: Partial<typeof onto> | { anchor: null } = {}) =>
    ok(readPoints([row], { ...onto, ...on }))
  it('metres, feet, degrees; a comma for a point', () => {
    expect(one({ name: 'A', x: '1,5', y: '-2' }).things[0]).toMatchObject({ kind: 'target', at: xy(1.5, -2) })
    expect(one({ x_ft: '10', y_ft: '0' }).things[0]).toMatchObject({ at: { x: 3.048, y: 0 } })
    const { latitudeDeg, longitudeDeg } = toEarth(anchor, xy(7, 9))
    const [thing] = one({
      latitude: String(latitudeDeg),
      longitude: String(longitudeDeg),
      kind: 'Head end',
    }).things
    expect(thing!.kind).toBe('head end')
    expect(distanceM((thing as { at: { x: number; y: number } }).at, xy(7, 9))).toBeLessThan(1e-6)
  })
  it('a post has its height and its radius, or the usual ones', () => {
    const [post] = one({ kind: 'obstacle', x: '0', y: '0', height: '6', radius: '0,2' }).things
    expect(post).toMatchObject({ heightM: 6, form: { is: 'round', radiusM: 0.2 } })
    const [usual] = one({ kind: 'obstacle', x: '0', y: '0', height: '', radius: '' }).things
    expect(usual).toMatchObject({ heightM: 2.5, form: { radiusM: 0.1 } })
  })
  it.each<[string, Record<string, string>, RegExp]>([
    ['no place', { name: 'A' }, /neither x and y/],
    ['half a place', { x: '1', y: '' }, /not both numbers/],
    ['words', { x: 'one', y: '2' }, /not both numbers/],
    ['off the globe', { latitude: '91', longitude: '0' }, /not both degrees/],
    ['an unknown kind', { x: '1', y: '1', kind: 'camera' }, /no camera/],
    ['a height that is none', { x: '1', y: '1', kind: 'obstacle', height: 'tall' }, /./],
    ['too far', { x: '5001', y: '0' }, /5 km from here/],
  ])('%s is left out, and why', (_, row, why) => {
    const { things, leftOut } = one(row)
    expect(things).toEqual([])
    expect(leftOut[0]!.what).toMatch(/^Row 2/)
    expect(leftOut[0]!.why).toMatch(why)
  })
  it('degrees want a site; an empty table is refused', () => {
    const row = { latitude: '50', longitude: '-5' }
    expect(one(row, { anchor: null }).leftOut[0]!.why).toMatch(/nobody has said/)
    expect(readPoints([], onto).ok).toBe(false)
  })
})

const SIGHT = {
  heightM: 3,
  targetDistanceM: 6,
  targetHeightM: 1.6,
  level: 'recognise' as const,
  focalMm: 4,
  tiltDeg: 15,
  portrait: false,
  shutterS: 0.01,
  wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
}
