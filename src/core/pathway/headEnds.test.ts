import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import type { Job, PlanThing } from '../job'
import { headEndQuestion, headEndSteps, ledOn, totalsOf } from '.'

const at = (id: string, x: number) => {
  const beside = plannedThrough(device({ id, mark: id }))
  const place = { floor: 'ground', x, y: 0, panDeg: 0, rollDeg: 0, locked: false } as const
  return { ...beside, sight: { ...beside.sight!, heightM: 2, place } }
}
const dry = (from: number, to: number, change = {}) =>
  pathway([[from, 0], [to, 0]], { heightM: 2, endM: 2, ...change }) // prettier-ignore
const asked = (on: Job) => {
  const steps = headEndSteps(headEndQuestion(on, CATALOGUE))
  for (let step = steps.next(), share = 0; ; step = steps.next()) {
    if (step.done) return step.value
    expect(step.value).toBeGreaterThanOrEqual(share)
    share = step.value
  }
}
const yard = (things: readonly PlanThing[], places = [0, 2, 30]) =>
  job({ devices: places.map((x, i) => at(`d${i}`, x)), things: [...things] })

describe('spots for the head end', () => {
  it('each comes to what the cables come to with the head end drawn there', () => {
    // A cable leaves its pathway before the end of it where the head end is nearer from there.
    const beside = pathway([[0, 0], [0, 2], [14, 3]], { heightM: 1, endM: 1 }) // prettier-ignore
    const up = pathway([[12, 0], [12, 8]], { heightM: 2, endM: 2 }) // prettier-ignore
    const lanes = [dry(0, 12), dry(12, 30, { name: 'Back' }), up, beside]
    const on = yard([...lanes, headEnd(30, 0)])
    const spots = asked(on)
    expect(spots.length).toBeGreaterThan(3)
    for (const { spot, lengthM, minutes, led } of spots) {
      const moved = { ...on, things: [...lanes, headEnd(spot.at.x, spot.at.y)] }
      const totals = totalsOf(ledOn(moved, CATALOGUE))
      expect([lengthM, minutes, led]).toEqual([
        expect.closeTo(totals.lengthM, 9),
        expect.closeTo(totals.minutes, 9),
        totals.found,
      ])
    }
  })
  it('the least labour comes first, the one as it is drawn is among them and named so', () => {
    const spots = asked(yard([dry(0, 30), headEnd(30, 0)]))
    expect(spots.map(({ spot, beside }) => [spot.at.x, beside === null])).toEqual([
      [0, false],
      [30, true],
    ])
  })
  it('whatever leads fewer cables comes after, however short', () => {
    const apart = pathway([[100, 0], [101, 0]], { heightM: 2, endM: 2, name: 'Shed' }) // prettier-ignore
    const spots = asked(yard([dry(0, 30), apart, headEnd(30, 0)], [0, 30, 100]))
    expect(spots.at(-1)).toMatchObject({ beside: 'Shed', led: 1 })
  })
  it('none where rain comes in, or higher than a cable is brought down', () => {
    const wet = pathway([[30, 0], [40, 0]], { heightM: 2, endM: 2, space: 'conduit' }) // prettier-ignore
    const high = pathway([[0, 0], [0, 20]], { heightM: 5.1, endM: 5.1 }) // prettier-ignore
    const spots = asked(yard([dry(0, 30), wet, high, headEnd(30, 0)]))
    expect(spots.map(({ spot }) => [spot.at.x, spot.at.y])).toEqual([[0, 0], [30, 0]]) // prettier-ignore
  })
})
