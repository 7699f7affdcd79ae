import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, pullPoint } from '@/testing/plans'
import type { PlanThing } from '../job'
import { toolFor } from './tools'
import { ledOn, reachesOn } from '.'

/** How far tools reach: common practice, no source; an extending pole goes 25 ft. */
describe('the tool that reaches', () => {
  it.each([
    ['wall cavity', 5.999, 'Rods with a magnet'],
    ['wall cavity', 6, 'Rods with a magnet'],
    ['wall cavity', 6.001, 'Rods'],
    ['joist bay', 7.6, 'Extending pole'],
    ['joist bay', 7.601, 'Rods'],
    ['soffit channel', 10, 'Rods'],
    ['conduit', 30, 'Fish tape'],
    ['conduit', 30.001, 'Line blown or drawn in by vacuum'],
  ] as const)('%s of %s m: %s', (space, m, tool) => expect(toolFor(space, [m])).toEqual({ tool, ports: 0 }))
  it.each([
    ['soffit channel', [10.001], 1],
    ['soffit channel', [20], 1],
    ['soffit channel', [20.001], 2],
    ['soffit channel', [25, 4, 11], 3],
    ['conduit', [60.001], 1],
  ] as const)('%s of %j m wants %s ports', (space, m, ports) => expect(toolFor(space, m)?.ports).toBe(ports))
  it('ports part every stretch into what the tool reaches, and one fewer does not', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 200, noNaN: true }), (m) => {
        const { ports } = toolFor('soffit channel', [m])!
        expect(m / (ports + 1)).toBeLessThanOrEqual(10 + 1e-4)
        if (ports > 0) expect(m / ports).toBeGreaterThan(10 - 1e-4)
      }),
    )
  })
  it('what is open to the hand wants none', () => expect(toolFor('loft', [80])).toBeNull())
})

describe('on the plan', () => {
  const at = (id: string, x: number) => {
    const beside = plannedThrough(device({ id, mark: id }))
    const place = { floor: 'ground', x, y: 0, panDeg: 0, rollDeg: 0, locked: false } as const
    return { ...beside, sight: { ...beside.sight!, heightM: 2.5, place } }
  }
  const eaves = pathway([[0, 0], [40, 0]], { space: 'soffit channel', name: 'Eaves' }) // prettier-ignore
  const reaches = (things: readonly PlanThing[], places: readonly number[]) => {
    const on = job({ devices: places.map((x, i) => at(`d${i}`, x)), things: [...things] })
    return reachesOn(on.things, ledOn(on, CATALOGUE))
  }
  it('as far as it is used, by everything that goes there', () =>
    expect(reaches([eaves, headEnd(40, 0)], [15, 22])).toEqual([
      { name: 'Eaves', marks: ['d0', 'd1'], longestM: 25, throughM: 25, tool: 'Rods', ports: 2, people: 2 },
    ]))
  it('an access port on the way parts it', () =>
    expect(reaches([eaves, headEnd(40, 0), { ...pullPoint(31, 0), is: 'access port' }], [22])).toEqual([
      { name: 'Eaves', marks: ['d0'], longestM: 9, throughM: 18, tool: 'Rods', ports: 0, people: 1 },
    ]))
  it('conduits that follow each other are one stretch, with the pull boxes that they want', () => {
    const one = pathway([[0, 0], [20, 0]], { space: 'conduit', name: 'A' }) // prettier-ignore
    const two = pathway([[20, 0], [40, 0]], { space: 'conduit', name: 'B' }) // prettier-ignore
    const line = 'Line blown or drawn in by vacuum'
    expect(reaches([one, two, headEnd(40, 0)], [0])).toEqual([
      { name: 'A, B', marks: ['d0'], longestM: 40, throughM: 40, tool: line, ports: 1, people: 2 },
    ])
    expect(reaches([one, two, headEnd(40, 0), pullPoint(20, 0)], [0]).map(({ tool }) => tool)).toEqual([
      'Fish tape',
      'Fish tape',
    ])
  })
})
