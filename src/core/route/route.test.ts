import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { resolve } from '../parts'
import type { Route } from '../job'
import { device, job } from '@/testing/jobs'
import { allowedM, assessRoute, cordLimitM, cutM, installedM, lengthItems, lengthUsedM, supports } from '.'
import { dripLoopM } from './length'
import { routeTasks } from './tasks'
import { FED_FREELY } from './plan'

const context = (change: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(change), job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const way = (
  lengthM: number,
  temperatureC: number,
  space: Route['segments'][number]['space'] = 'trunking indoors',
  riseM = 0,
): Route => ({
  segments: [{ id: 'a', space, lengthM, riseM, temperatureC, conduitId: null, conduitName: '' }],
  laid: 'new',
  cordsM: 2,
  forced: null,
  lead: null,
})
const ids = (route: Route, on: Parameters<typeof device>[0] = {}) =>
  assessRoute(context(on), route).findings.map(({ id, verdict }) => `${id} ${verdict}`)

/**
 * ANSI/TIA-568.2-D annex: 0.4 %/°C to 40 °C and 0.6 %/°C to 60 °C; table values from memory. The two stay
 * within 1 m.
 */
it('follows the length table and stays within a metre of the coefficients', () => {
  expect([20, 30, 40, 50, 60].map((t) => allowedM(t, false))).toEqual([90, 87, 84, 79.5, 75])
  const byCoefficient = (t: number) => 90 / (1 + 0.004 * Math.min(t - 20, 20) + 0.006 * Math.max(0, t - 40))
  for (let t = 20; t <= 60; t++) expect(Math.abs(allowedM(t, false) - byCoefficient(t))).toBeLessThan(1.01)
  expect(allowedM(-10, false)).toBe(90)
  expect(allowedM(50, true)).toBeCloseTo(84.75, 9)
})

it('uses up the whole link exactly when every metre lies at one temperature', () => {
  fc.assert(
    fc.property(fc.double({ min: 20, max: 60, noNaN: true }), fc.boolean(), (t, screened) => {
      const length = allowedM(t, screened)
      expect(lengthUsedM([{ lengthM: length, temperatureC: t }], { screened })).toBeCloseTo(90, 6)
    }),
  )
})

/** From memory of ANSI/TIA-568: C = (102 − H)/(1 + D). */
it('limits cords by gauge', () => {
  expect(cordLimitM(90, 24)).toBeCloseTo(10, 9)
  expect(cordLimitM(90, 26)).toBeCloseTo(8, 9)
})

it('itemises the cut length, and counts only what stays against the link', () => {
  const items = lengthItems(context({ exposure: 'open weather' }), way(20, 25, 'loft', -3))
  const of = (label: string) => items.find((item) => item.label.startsWith(label))?.lengthM
  expect([
    of('Along'),
    of('Rises'),
    of('Slack at the device'),
    of('Slack at the head'),
    of('Drip'),
    of('Service'),
    of('Scuffed'),
  ]).toEqual([20, 3, 1, 3, undefined, 1, 0.3]) // no rain runs along a cable out of a loft
  expect(installedM(items)).toBeCloseTo(28, 9)
  expect(cutM(items)).toBeCloseTo(28 * 1.05 + 0.2 + 0.3, 9)
})

/** Rain runs along what lies in it, and along a pole. Common practice, no source. */
it.each([
  ['open weather', 'clipped outside', {}, 0.3],
  ['open weather', 'conduit', {}, 0.3],
  ['under a soffit', 'under decking', {}, 0.3],
  ['marine', 'buried duct', {}, 0.3],
  ['open weather', 'wall cavity', {}, 0],
  ['open weather', 'soffit channel', {}, 0],
  ['open weather', 'wall cavity', { surfaceId: 'steel-pole' }, 0.3],
  ['dry indoors', 'conduit', {}, 0],
  ['damp indoors', 'clipped outside', {}, 0],
] as const)('in %s, out of %s %j the loop takes %d m', (exposure, space, on, lengthM) => {
  const of = context({ exposure, ...on })
  const run = way(10, 20, space)
  expect(dripLoopM(of, run)).toBe(lengthM)
  expect(dripLoopM(of, { segments: [] })).toBe(of.exposure.outdoors ? 0.3 : 0) // nobody knows yet
  const asked = routeTasks(of, run).map(({ id }) => id)
  expect(asked.includes('route/drip-loop')).toBe(lengthM > 0)
})

it('says what keeps the cable whole past the edges of what covers it, once a kind of space', () => {
  const edged = (...spaces: Parameters<typeof way>[2][]) =>
    routeTasks(context(), {
      ...way(5, 20),
      segments: spaces.map((space, i) => ({ ...way(5, 20, space).segments[0]!, id: `s${i}` })),
    })
      .find(({ id }) => id === 'route/pull')!
      .items.filter((item) => item.startsWith('Past no bare edge'))
  expect(edged('soffit channel', 'loft', 'soffit channel', 'conduit')).toEqual([
    'Past no bare edge of the soffit channel: notch the trim, round and smooth; tape its edge',
    'Past no bare edge of the conduit: bush its end',
  ])
  expect(edged('loft', 'joist bay', 'clipped outside', 'garage or basement')).toEqual([])
})

/** Clips every 250 mm is UK common practice; hooks every 1.5 m TIA-569 from memory. */
it('counts supports with spares', () => {
  expect(supports(way(10, 20, 'clipped outside'))).toEqual([{ name: 'clips', count: 44 }])
  expect(supports(way(15, 20, 'loft'))).toEqual([{ name: 'J-hooks or straps', count: 11 }])
})

it('stops a long link, warns of a hot one, an over-hot space, indoor cable outside and a short lead', () => {
  expect(ids(way(100, 20))).toContain('route/length stop')
  expect(ids(way(80, 50))).toContain('route/length check')
  expect(ids(way(20, 65))).toContain('route/heat stop')
  expect(ids(way(20, 25, 'clipped outside'), { cableId: 'cat6' })).toContain('route/jacket stop')
  expect(ids({ ...way(20, 20), lead: { lengthM: 15, ...FED_FREELY } })).toContain('route/lead stop')
  expect(ids({ ...way(85, 20), cordsM: 20 })).toContain('route/cords check')
  expect(ids(way(240, 20), { cableId: 'rg59' })).toContain('route/length stop')
  expect(ids(way(220, 20), { cableId: 'rg59' })).toContain('route/length good')
})

/** NEC chapter 9 table 1: 53 % for one cable; 1/2 in PVC 0.285 in². */
it('guides the fill of a conduit', () => {
  const conduit = (conduitId: string): Route => ({
    segments: [
      { id: 'a', space: 'conduit', lengthM: 5, riseM: 0, temperatureC: 20, conduitId, conduitName: '' },
    ],
    laid: 'new',
    cordsM: 0,
    forced: null,
    lead: null,
  })
  expect(ids(conduit('pvc-half'), { cableId: 'rg59-18-2' })).not.toContain('route/conduit-a check')
  const fat = context({ cableId: 'rg59-18-2' })
  expect(
    assessRoute({ ...fat, cable: { ...fat.cable, diameterMm: 11.2 } }, conduit('pvc-half')).findings.some(
      ({ id }) => id === 'route/conduit-a',
    ),
  ).toBe(true)
})
