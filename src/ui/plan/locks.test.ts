import { expect, it } from 'vitest'
import type { Change } from '@/core/job'
import { device, job } from '@/testing/jobs'
import { wall, xy } from '@/testing/plans'
import { isLocked, lockedOut } from './locks'

const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: true }
const sight = { place } as never
const on = job({ devices: [device({ sight })], things: [wall(0, 0, 4, 0, { id: 'w', locked: true })] })
const [front] = on.things as [ReturnType<typeof wall>]
const sightTo = (change: object | null): Change => ({
  type: 'setPlan',
  deviceId: 'device-1',
  plan: { sight: { place: change && { ...place, ...change } } },
})

it.each<readonly [string, Change, RegExp | null]>([
  [
    'moving it',
    { type: 'putThing', thing: { ...front, to: xy(9, 0) } },
    /^A wall is locked: unlock it first/,
  ],
  ['unlocking it', { type: 'putThing', thing: { ...front, locked: false } }, null],
  ['drawing beside it', { type: 'putThing', thing: { ...front, id: 'v' } }, null],
  ['removing it', { type: 'removeThing', thingId: 'w' }, /locked/],
  ['moving a camera', sightTo({ x: 1 }), /is locked: unlock it first/],
  ['turning a camera', sightTo({ panDeg: 1 }), /locked/],
  ['taking a camera off the plan', sightTo(null), /locked/],
  ['unlocking a camera', sightTo({ x: 1, locked: false }), null],
  ['its lens', sightTo({}), null],
])('%s', (_, change, says) => {
  const refused = lockedOut(on, [change])
  if (says === null) expect(refused).toBeNull()
  else expect(refused).toMatch(says)
  expect(lockedOut({ things: [{ ...front, locked: false }], devices: [] }, [change])).toBeNull()
})

it('tells what is locked', () => {
  expect(['w', 'device-1', 'other'].map((id) => isLocked(on, { id }))).toEqual([true, true, false])
})
