import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, wall } from '@/testing/plans'
import { MOUNT_LIMITS } from '../mount/limits'
import { ledOn } from '.'
import { aroundTimes } from '../geometry'
import { wallHoles } from './holes'
import { FED_FREELY } from '../route/plan'

const placed = plannedThrough(device())
/** A camera at so many metres along the lane of 20 m, which rises from 2 m to 4 m. */
const camera = (x: number, i = 1, change: Partial<typeof placed> = {}) => ({
  ...placed,
  ...{ id: `d${i}`, mark: `0${i}` },
  sight: {
    ...placed.sight!,
    heightM: 2,
    place: { floor: 'ground' as const, x, y: 0, panDeg: 0, rollDeg: 0, locked: false },
  },
  ...change,
})
const lane = (change: Parameters<typeof pathway>[1] = {}) =>
  pathway([[0, 0], [20, 0]], { id: 'lane', name: 'Lane', heightM: 2, endM: 2, ...change }) // prettier-ignore
const holes = (
  things: Parameters<typeof wallHoles>[0],
  devices = [camera(0)],
  units: 'metric' | 'imperial' = 'metric',
) => {
  const on = job({ devices, things: [...things, headEnd(20, 0)] })
  return wallHoles(on.things, ledOn(on, CATALOGUE), CATALOGUE, units)
}
const across = (x: number, change: Parameters<typeof wall>[4] = {}) => wall(x, -5, x, 5, change)

describe('holes in walls', () => {
  it('stand where a pathway leads through one, as high as it is there and as deep as it goes', () => {
    const slanted = wall(5, -5, 15, 5, { thicknessM: 0.2, heightM: 9 })
    const [only, ...more] = holes([lane({ endM: 4 }), slanted])
    expect(more).toEqual([])
    expect(only).toMatchObject({ wall: 'a wall', through: 'Lane', floor: 'ground', marks: ['01'] })
    expect(only!.at.x).toBeCloseTo(10, 9)
    expect(only!.heightM).toBeCloseTo(3, 9)
    expect(only!.deepM).toBeCloseTo(0.2 * Math.SQRT2, 9)
  })
  it('are none beside it, under it, over it, on another floor, in a door, or where a cable only comes up to it', () => {
    const door = { id: 'o', name: '', alongM: 4, widthM: 2, sillM: 0, headM: 2.1 }
    for (const free of [
      wall(10, 1, 10, 5),
      across(10, { baseM: 2.1 }),
      across(10, { heightM: 1.9 }),
      across(10, { floor: 'upper' }),
      across(10, { openings: [door] }),
      across(0.2),
      across(19.9),
      wall(0, 1, 20, 1),
    ])
      expect(holes([lane(), free])).toEqual([])
    expect(holes([lane(), across(10, { openings: [{ ...door, headM: 1.9 }] })])).toHaveLength(1)
    expect(holes([lane(), across(0.4)])).toHaveLength(1)
  })
  it('are one for a wall at the joint of two pathways, whichever way it is drawn', () => {
    const first = pathway([[0, 0], [10, 0]], { id: 'a', heightM: 2, endM: 2 }) // prettier-ignore
    const second = pathway([[10, 0], [20, 0]], { id: 'b', heightM: 2, endM: 2 }) // prettier-ignore
    for (const joint of [across(10), wall(10, 5, 10, -5)])
      expect(holes([first, second, joint])).toHaveLength(1)
  })
  it('are one for all that goes there, and only for what does', () => {
    const all = [camera(0, 1), camera(5, 2), camera(15, 3)]
    expect(holes([lane(), across(10), across(2)], all).map(({ marks }) => marks)).toEqual([
      ['01', '02'],
      ['01'],
    ])
  })
  it('pass the bundle with room, the plug of a lead beside it, a conduit as it is outside', () => {
    const { diameterMm } = CATALOGUE.cables.get(placed.cableId)!
    const { cableClearanceMm, plugHoleMm } = MOUNT_LIMITS
    const pass = (devices: Parameters<typeof holes>[1], change = {}) =>
      holes([lane(change), across(10)], devices)[0]!.passMm
    const three = [1, 2, 3].map((i) => camera(0, i))
    expect(pass([camera(0)])).toBeCloseTo(diameterMm + cableClearanceMm.value, 9)
    // Three circles that touch: their middles make a triangle of equal sides.
    expect(pass(three)).toBeCloseTo((1 + 2 / Math.sqrt(3)) * diameterMm + cableClearanceMm.value, 2)
    const lead = { ...placed.route!, lead: { lengthM: 30, ...FED_FREELY } }
    expect(pass([camera(0, 1, { route: lead })])).toBe(plugHoleMm.value)
    expect(pass([camera(0, 1, { route: lead }), camera(0, 2)])).toBeCloseTo(plugHoleMm.value + diameterMm, 9)
    // A pipe of nominal 1 in is 33.4 mm outside (ISO 4200, DN 25: 33.7; ASTM D1785: 1.315 in; from memory).
    expect(pass(three, { space: 'conduit', conduitId: 'pvc-1' })).toBeCloseTo(
      33.4 + cableClearanceMm.value,
      1,
    )
    expect(pass(three, { space: 'conduit', conduitId: 'emt-half' })).toBeCloseTo(
      17.9 + cableClearanceMm.value,
      1,
    )
    expect(pass(three, { space: 'conduit', conduitId: null })).toBeNull()
  })
  it('take the next bit that is sold; none where none is as large', () => {
    const bits = (count: number, units: 'metric' | 'imperial') =>
      holes(
        [lane(), across(10)],
        Array.from({ length: count }, (_, i) => camera(0, i + 1)),
        units,
      )[0]!.bit
    expect(bits(1, 'metric')).toMatch(/^\d+ mm \(\S+"\)$/)
    expect(bits(1, 'imperial')).toMatch(/" \(\d+ mm\)$/)
    expect(bits(120, 'metric')).toBeNull()
  })
  it('a circle that holds one more is no smaller, and cables never take more of it than circles can', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), (count) => {
        const times = aroundTimes(count)
        expect(aroundTimes(count + 1)).toBeGreaterThanOrEqual(times)
        // No packing of equal circles is denser than π/√12 (Thue; Fejes Tóth).
        expect(count / times ** 2).toBeLessThanOrEqual(count === 1 ? 1 : Math.PI / Math.sqrt(12))
      }),
    )
    // A ring of k that touch each other, with one inside where it fits.
    const ring = (k: number) => 1 + 1 / Math.sin(Math.PI / k)
    for (const [count, k] of [
      [3, 3],
      [4, 4],
      [5, 5],
      [7, 6],
      [8, 7],
      [9, 8],
    ] as const)
      expect(aroundTimes(count)).toBeCloseTo(ring(k), 3)
  })
})
