import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess } from '../assess'
import type { Device, Job, PlanThing } from '../job'

const { route, sight, ...rest } = plannedThrough(device())
const camera = (segments: object[], change: Partial<NonNullable<typeof route>> = {}): Device => ({
  ...rest,
  route: { ...route!, ...change, segments: segments as NonNullable<typeof route>['segments'] },
  sight: {
    ...sight!,
    heightM: 2.5,
    place: { floor: 'ground', x: 0, y: 0.4, panDeg: 0, rollDeg: 0, locked: false },
  },
})
const stretch = (space: string, change: object = {}) => ({
  ...{ id: 'a', space, lengthM: 10, riseM: 0, temperatureC: 20, conduitId: null, conduitName: '' },
  ...change,
})
const found = (of: Job, key: string) =>
  assess(of, CATALOGUE).devices[0]!.findings.find(({ id }) => id === `route/${key}`)
const none = { deviceSlackM: 0, headEndSlackM: 0, dripLoopM: 0 }

it.each([
  ['in a loft, which rain does not reach', 'loft', false],
  ['clipped outside', 'clipped outside', true],
])('a drip loop is wanted %s: %s, %s', (_, space, wanted) => {
  const of = job({ devices: [camera([stretch(space)])] })
  expect(found({ ...of, allowances: { ...of.allowances, ...none } }, 'drip') !== undefined).toBe(wanted)
  expect(found(of, 'drip')).toBeUndefined()
})
it('nothing is said of slack where no stretch is entered, or the cable lies there', () => {
  const bare = (one: Device) => {
    const of = job({ devices: [one] })
    return { ...of, allowances: { ...of.allowances, ...none } }
  }
  expect(found(bare(camera([stretch('loft')])), 'slack')).toMatchObject({ title: 'Too tight at the device' })
  expect(found(bare(camera([])), 'slack')).toBeUndefined()
  expect(found(bare(camera([stretch('loft')], { laid: 'kept' })), 'slack')).toBeUndefined()
})

/** Two pathways side by side; mains run along the short one. */
const yard = (space: 'loft' | 'conduit', besideMains = true): readonly PlanThing[] => [
  pathway(
    [
      [0, 0],
      [12, 0],
    ],
    { id: 'short', name: 'Short', space, heightM: 2.5, endM: 3.5, besideMains },
  ),
  pathway(
    [
      [0, 0],
      [0, 9],
      [12, 9],
      [12, 0],
    ],
    { id: 'long', name: 'Long', space: 'loft', heightM: 2.5, endM: 2.5, minutesPerM: 20 },
  ),
  headEnd(12, 0),
]
const led = (things: readonly PlanThing[], change: Parameters<typeof camera>[1] = {}) =>
  job({ devices: [camera([stretch('loft', { lengthM: 60 })], change)], things: [...things] })

it('mains along the way on the plan are said with how far; a conduit of its own keeps them apart', () => {
  expect(found(led(yard('loft')), 'mains')).toMatchObject({
    verdict: 'check',
    figure: { value: expect.closeTo(13, 9) as number, kind: 'length' },
    reason: expect.stringMatching(/along Short\. .* 50 mm off them/) as string,
  })
  expect(found(led(yard('conduit')), 'mains')).toBeUndefined()
  expect(found(led(yard('loft', false)), 'mains')).toBeUndefined()
  expect(found(led(yard('loft'), { laid: 'kept' }), 'mains')).toBeUndefined()
})
it('what is advised against mains helps, and brings nothing else', () => {
  const before = assess(led(yard('loft')), CATALOGUE).devices[0]!.findings
  const after = assess(led(yard('loft'), { forced: { through: null, around: ['short'] } }), CATALOGUE)
  const bad = (of: typeof before) => of.flatMap(({ id, verdict }) => (verdict === 'good' ? [] : [id]))
  expect(new Set(bad(before))).toEqual(new Set([...bad(after.devices[0]!.findings), 'route/mains']))
})

it.each([
  ['conduit', null, true],
  ['conduit', 'emt-1', false],
  ['trunking indoors', null, true],
  ['loft', null, false],
])('through a %s of size %s, that nobody judged how full it is: %s', (space, conduitId, said) => {
  const of = job({ devices: [camera([stretch(space, { conduitId })])] })
  const route = assess(of, CATALOGUE).devices[0]!.stages!.route
  expect('unjudged' in route && route.unjudged.some((words) => words.startsWith('How full'))).toBe(said)
})
