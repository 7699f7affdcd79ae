import { describe, expect, it } from 'vitest'
import type { Change } from '@/core/job'
import { moved } from '@/core/plan'
import { device, job } from '@/testing/jobs'
import { area, block, wall } from '@/testing/plans'
import { planChange } from '../device/plan'
import { doingOf } from './undoing'

const place = { floor: 'ground' as const, x: 1, y: 2, panDeg: 30, rollDeg: 0, locked: false }
const placed = (change: object | null) =>
  planChange('sight', 'device-1', { heightM: 3, place: change && { ...place, ...change } } as never)
const skip = block(0, 0, 2, 2, { id: 'skip', name: 'Skip' })
const fence = wall(0, 0, 4, 0)
const before = job({
  things: [skip, fence],
  devices: [device({ sight: { heightM: 3, place } as never })],
})

describe('what undo says that it takes back', () => {
  it.each<[string, Change]>([
    ['drawing Yard', { type: 'putThing', thing: area(0, 0, 2, 2, { name: 'Yard' }) }],
    ['drawing wall', { type: 'putThing', thing: wall(0, 5, 4, 5) }],
    ['moving Skip', { type: 'putThing', thing: moved(skip, 1, 0) }],
    ['moving wall', { type: 'putThing', thing: { ...fence, to: { x: 9, y: 9 } } }],
    ['changing Skip', { type: 'putThing', thing: { ...moved(skip, 1, 0), heightM: 9 } as typeof skip }],
    ['removing Skip', { type: 'removeThing', thingId: 'skip' }],
    ['moving 01', placed({ x: 3 })],
    ['turning 01', placed({ panDeg: 90 })],
    ['changing 01', placed({})],
    ['taking off the plan 01', placed(null)],
    ['where it lies', { type: 'setSite', site: null }],
  ])('%s', (words, change) => expect(doingOf(before, [change])).toBe(words))

  it('counts what else goes with it', () => {
    const all: Change[] = [skip, fence].map((thing) => ({ type: 'putThing', thing: moved(thing, 1, 1) }))
    expect(doingOf(before, all)).toBe('moving Skip and 1 more')
  })
  it('a device that stood nowhere is placed', () => {
    const off = job({ devices: [device({ sight: { heightM: 3, place: null } as never })] })
    expect(doingOf(off, [placed({})])).toBe('placing 01')
  })
})
