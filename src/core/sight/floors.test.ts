import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { thing as anyThing } from '@/testing/anyThing'
import { device, job } from '@/testing/jobs'
import { looking, rectangle, slab, thing, wall } from '@/testing/plans'
import type { Floor, Job, PlanThing } from '../job'
import { UNKNOWN_HEIGHTS } from '../job'
import { resolve } from '../parts'
import { apartBy, FLOORS_UP } from './floors'
import {
  camerasOn,
  firstBetween,
  notLooking,
  proposeSight,
  settingOf,
  sightStage,
  survey,
  surveyRequest,
} from '.'

const heights = { ...UNKNOWN_HEIGHTS, upper: 3, roof: 6 }
const on = (floor: Floor, one: PlanThing): PlanThing => ({ ...one, floor })

const placed = (floor: Floor, x: number, y: number, change: object = {}) => {
  const context = resolve(device(), job(), CATALOGUE)
  if ('missing' in context) throw new Error('missing')
  const place = { floor, x, y, panDeg: 0, rollDeg: 0, locked: false }
  return device({
    sight: { ...proposeSight(context), heightM: 3, tiltDeg: 30, focalMm: 2.8, place, ...change },
  })
}

describe('what another floor stands in the way of', () => {
  it('lies as much higher as its floor does, whatever it is', () => {
    fc.assert(
      fc.property(anyThing, fc.double({ min: 0.5, max: 30, noNaN: true }), (one, upper) => {
        const things = [on('upper', one)]
        const from = (floor: Floor) =>
          settingOf({ things, floorHeightsM: { ...UNKNOWN_HEIGHTS, upper } }, floor)
        const [below, own] = [from('ground'), from('upper')]
        expect(below.uprights.map(({ fromM, toM }) => [fromM, toM])).toEqual(
          own.uprights.map(({ fromM, toM }) => [fromM + upper, toM + upper]),
        )
        expect(below.boards.map(({ heightM }) => heightM)).toEqual(
          own.boards.map(({ heightM }) => heightM + upper),
        )
        expect(from('loft').uprights).toEqual([])
      }),
    )
  })
  it('a balcony over a door hides the street from it; nobody knows while its height is not said', () => {
    const balcony = on('upper', slab(-2, 0, 4, 2))
    const hidden = (floorHeightsM: Job['floorHeightsM']) =>
      firstBetween(settingOf({ things: [balcony], floorHeightsM }, 'ground'), looking(0, 0.5, 5), {
        x: 0,
        y: 1.5,
        z: 0,
      })
    expect(hidden(heights)?.thing.kind).toBe('slab')
    expect(hidden(UNKNOWN_HEIGHTS)).toBeNull()
  })
})

describe('which floors look at each other', () => {
  const roof = on('roof', slab(-4, -4, 8, 8))
  const upper = on('upper', slab(-4, -4, 8, 8))
  const inside = on('upper', wall(0, 0, 3, 0))
  it.each<readonly [string, PlanThing[], Job['floorHeightsM'], Floor, Floor, RegExp | null]>([
    ['heights and slab', [roof], heights, 'ground', 'roof', null],
    ['the other way round', [roof], heights, 'roof', 'ground', null],
    ['one and the same', [], UNKNOWN_HEIGHTS, 'roof', 'roof', null],
    ['no height', [roof], UNKNOWN_HEIGHTS, 'ground', 'roof', /how high the roof lies is not said/],
    ['no slab', [], heights, 'ground', 'roof', /no floor slab is drawn on the roof/],
    ['a floor between, with its slab', [roof, upper, inside], heights, 'ground', 'roof', null],
    [
      'a floor between, without',
      [roof, inside],
      heights,
      'ground',
      'roof',
      /no floor slab .* the upper floor/,
    ],
    [
      'a floor between, of no height',
      [roof, on('loft', inside)],
      heights,
      'roof',
      'ground',
      /how high the loft/,
    ],
    ['a slab of another floor', [upper], heights, 'upper', 'roof', /no floor slab is drawn on the roof/],
  ])('%s', (_, things, floorHeightsM, floor, other, why) => {
    const said = apartBy({ things, floorHeightsM }, floor, other)
    if (why === null) expect(said).toBeNull()
    else expect(said).toMatch(why)
  })
  it('a camera on the roof sees the yard from where the edge of the roof lets it', () => {
    // Lens 9 m up, 2 m behind the edge of a roof 6 m up: ground is seen from 2 · 9/3 = 6 m out.
    const world = { things: [roof], floorHeightsM: heights }
    const yard = job({ ...world, devices: [placed('roof', 0, 2)] })
    const [one] = camerasOn(yard, CATALOGUE, 'ground')
    expect(one!.eye.pose.z).toBe(9)
    const setting = settingOf(world, 'ground')
    const free = (y: number) => firstBetween(setting, one!.eye.pose, { x: 0, y: 2 + y, z: 0 }) === null
    expect([free(5.99), free(6.01)]).toEqual([false, true])
    const made = survey(surveyRequest(yard, CATALOGUE, 'ground'))
    expect(made.marks).toEqual([one!.mark])
    const seen = made.count.reduce((sum, count) => sum + count, 0)
    expect(seen).toBeGreaterThan(100)
    const without = job({ things: [], floorHeightsM: heights, devices: yard.devices })
    expect(survey(surveyRequest(without, CATALOGUE, 'ground')).marks).toEqual([])
    expect(notLooking(without, 'ground')).toEqual([
      { floor: 'roof', why: 'no floor slab is drawn on the roof' },
    ])
    expect(notLooking(yard, 'ground')).toEqual([])
    for (const floor of FLOORS_UP) expect(notLooking(job(), floor)).toEqual([])
  })
  it('private ground below is looked into from the roof, or it is said that nobody judged it', () => {
    const garden = thing('privacy', -3, 10, 6, 6)
    const sees = (things: PlanThing[], floorHeightsM: Job['floorHeightsM']) => {
      const one = placed('roof', 0, 2)
      const context = resolve(one, job({ things, floorHeightsM }), CATALOGUE)
      if ('missing' in context) throw new Error('missing')
      const found = sightStage.assess(context, one.sight!).findings.some(({ id }) => id === 'sight/privacy')
      return [found, sightStage.unjudged(context, one.sight!).some((why) => /^Private ground/.test(why))]
    }
    expect(sees([roof, garden], heights)).toEqual([true, false])
    expect(sees([roof, garden], UNKNOWN_HEIGHTS)).toEqual([false, true])
    expect(sees([garden], heights)).toEqual([false, true])
    const wide = on('roof', { ...slab(-50, -50, 100, 100), outline: rectangle(-50, -50, 100, 100) })
    expect(sees([wide, garden], heights)).toEqual([false, false])
  })
})
