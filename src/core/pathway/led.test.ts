import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, pullPoint, wall } from '@/testing/plans'
import { crossings, yard } from '@/testing/ways'
import type { Job } from '../job'
import { shownSheet } from '../pull'
import { assess } from '../assess'
import { bundlesOf, conduitsIn, foundOn, isQuick, ledOn, takeFound, waysOn } from '.'

const { sight, route } = plannedThrough(device())
const camera = (id: string, x: number, y: number) =>
  device({
    ...{ id, mark: id.toUpperCase(), route },
    sight: { ...sight!, place: { floor: 'ground', x, y, panDeg: 0, rollDeg: 0, locked: false } },
  })
/** The same in every word, and nowhere the same object. */
const afresh = <T>(of: T): T => structuredClone(of)
/** How much of a job is told of its cables, from whichever side it is asked. */
const toldOf = (of: Job) => {
  const led = ledOn(of, CATALOGUE)
  return {
    ways: [...waysOn(of, CATALOGUE)],
    conduits: conduitsIn(of, CATALOGUE, led),
    bundles: bundlesOf(led.flatMap(({ found }) => ('way' in found ? [found.way] : []))),
    sheet: shownSheet(of, CATALOGUE),
    findings: assess(of, CATALOGUE).devices,
  }
}

it('what was found elsewhere and told is what would have been found here', () => {
  let [through, narrow] = [0, 0]
  fc.assert(
    fc.property(yard, fc.array(crossings, { minLength: 1, maxLength: 4 }), crossings, (lanes, spots, end) => {
      const level = { heightM: 2.5, endM: 2.5, conduitId: 'emt-1' }
      const tubes = lanes.map((lane, i) => ({
        ...lane,
        ...level,
        ...(i % 3 > 0 ? { space: 'conduit' as const } : { freeMm: 5 }),
      }))
      const things = [...tubes, headEnd(4 * end.x, 4 * end.y), pullPoint(4, 4)]
      const devices = spots.map(({ x, y }, i) => camera(`d${i}`, 4 * x + 0.4, 4 * y))
      const here = job({ devices, things })
      const there = afresh(here)
      takeFound(there, CATALOGUE, afresh(foundOn(afresh(here), CATALOGUE)))
      through += ledOn(there, CATALOGUE).filter(({ pulls }) => pulls.length > 0).length
      narrow += ledOn(there, CATALOGUE).filter(({ narrows }) => narrows.length > 0).length
      expect(toldOf(there)).toEqual(toldOf(here))
    }),
    { numRuns: 60, seed: 5 },
  )
  expect(through).toBeGreaterThan(9)
  expect(narrow).toBeGreaterThan(1)
})

describe('nobody is held up', () => {
  const row = (count: number) =>
    Array.from({ length: count }, (_, i) =>
      pathway(
        [
          [i, 0],
          [i + 1, 0],
        ],
        { id: `p${i}` },
      ),
    )
  const many = job({ devices: [camera('a', 3, 0.4)], things: [...row(151), headEnd(0, 0), wall(0, 9, 9, 9)] })
  const moved = (things: Job['things']) =>
    things.map((thing) =>
      thing.id === 'p7' && thing.kind === 'pathway' ? { ...thing, minutesPerM: 9 } : thing,
    )

  it('while few pathways are drawn, or the same lead to the same', () => {
    const few = { ...many, things: [...row(150), headEnd(0, 0)] }
    expect(isQuick({ ...few, things: moved(few.things) }, few, CATALOGUE)).toBe(true)
    const walled = { ...many, things: many.things.map((one) => (one.kind === 'wall' ? afresh(one) : one)) }
    expect(isQuick({ ...walled, devices: [camera('a', 5, 0.4)] }, many, CATALOGUE)).toBe(true)
  })
  it('but one among many that changed holds up, until it was found', () => {
    const now = { ...many, things: moved(many.things) }
    expect(isQuick(now, many, CATALOGUE)).toBe(false)
    expect(isQuick({ ...many, floorHeightsM: { ...many.floorHeightsM, upper: 3 } }, many, CATALOGUE)).toBe(
      false,
    )
    takeFound(now, CATALOGUE, foundOn(afresh(now), CATALOGUE))
    expect(isQuick(now, many, CATALOGUE)).toBe(true)
    // What ways do not rest on may change meanwhile.
    const renamed: Job = { ...now, name: 'Other' }
    expect(isQuick(renamed, many, CATALOGUE)).toBe(true)
  })
})
