import { expect, it } from 'vitest'
import type { Device, SpaceId } from '@/core/job'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { cablesFrom, over, spot } from '@/testing/ways'
import { assess } from '../assess'
import { cures } from '../findings'
import { edgesOn } from './edges'

const along = (
  id: string,
  [x1, x2]: readonly [number, number],
  space: SpaceId,
  name = id,
) => pathway([[x1, 0], [x2, 0]], { id, name, space, heightM: 1, endM: 1 }) // prettier-ignore
const edges = (things: Parameters<typeof over>[0], spots: readonly ReturnType<typeof spot>[]) => {
  const cables = cablesFrom(over([...things, headEnd(0, 0)]), spots)
  return edgesOn(cables).map(({ of, towards, at, marks, passMm, remedy }) => [
    ...[of, towards, at.x, marks.join(' '), +passMm.toFixed(2), remedy],
  ])
}
/** A Cat 6 of 6.0 mm with 3 mm of room, and two of them side by side. */
const [ONE, TWO] = [9, 15]

it('cables leave a covered pathway by a notch at both ends, and half-way where one goes to its device', () => {
  const NOTCH = 'Notch the trim, round and smooth; tape its edge'
  expect(edges([along('Eaves', [0, 20], 'soffit channel')], [spot(20, 0, 1), spot(8, 0, 1)])).toEqual([
    ['Eaves', 'their devices', 20, '1', ONE, NOTCH],
    ['Eaves', 'what they end at', 0, '1 2', TWO, NOTCH],
    ['Eaves', 'their devices', 8, '2', ONE, NOTCH],
  ])
})
it('a conduit is bushed at its ends, left half-way through a box, and not cut where another goes on', () => {
  const [near, far] = [along('Near', [0, 10], 'conduit'), along('Far', [10, 20], 'conduit')]
  expect(edges([near, far], [spot(20, 0, 1), spot(4, 0, 1)])).toEqual([
    ['Far', 'their devices', 20, '1', ONE, 'Bush its end'],
    ['Near', 'what they end at', 0, '1 2', TWO, 'Bush its end'],
    ['Near', 'their devices', 4, '2', ONE, 'Out through a box or a tee, bushed'],
  ])
})
it('from one kind of space into another both are named; an open space has no edge', () => {
  const [loft, duct] = [along('Loft', [0, 10], 'loft'), along('Duct', [10, 20], 'buried duct')]
  expect(edges([loft, duct], [spot(20, 0, 1)])).toEqual([
    ['Duct', 'their devices', 20, '1', ONE, 'Bush its end and seal it'],
    ['Duct', 'Loft', 10, '1', ONE, 'Bush its end and seal it'],
  ])
  expect(edges([loft], [spot(10, 0, 1)])).toEqual([])
})

const placed = plannedThrough(device())
const looked = (change: Parameters<typeof pathway>[1], of: Partial<Device> = {}) => {
  const place = { floor: 'ground' as const, x: 20, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  const camera = { ...placed, ...of, sight: { ...placed.sight!, heightM: 1, place } }
  const level = { name: 'Eaves', space: 'soffit channel', heightM: 1, endM: 1 } as const
  const eaves = pathway([[0, 0], [20, 0]], { ...level, ...change }) // prettier-ignore
  return assess(job({ devices: [camera], things: [eaves, headEnd(0, 0)] }), CATALOGUE).devices[0]!.findings
}
const edgesSaid = (...of: Parameters<typeof looked>) =>
  looked(...of).filter(({ id }) => id.startsWith('route/edge'))

it('an edge that is said to be bare is found on every cable that is yet to come out past it', () => {
  expect(edgesSaid({ bareEdges: true })).toMatchObject([
    {
      verdict: 'check',
      title: 'A sharp edge of Eaves is unprotected',
      reason: expect.stringMatching(/towards its device/) as string,
      advice: expect.stringMatching(/^Notch the trim, round and smooth; tape its edge; then say/) as string,
    },
    { reason: expect.stringMatching(/towards what it ends at/) as string },
  ])
  expect(edgesSaid({})).toEqual([])
  expect(edgesSaid({ bareEdges: true }, { route: { ...placed.route!, laid: 'kept' } })).toEqual([])
})
it('lined as is advised, and said so, the finding is gone and no other has come', () => {
  const [before, after] = [looked({ bareEdges: true }), looked({})]
  for (const { id } of edgesSaid({ bareEdges: true })) expect(cures(id, before, after)).toBe(true)
})
