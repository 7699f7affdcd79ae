import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import type { Route, Segment } from '../job'
import { resolve, type RunContext } from '../parts'
import { assessRoute } from '.'
import { midway } from './midway'

const found = resolve(device(), job({ devices: [device()] }), CATALOGUE)
if ('missing' in found) throw new Error(found.missing.join())
const context: RunContext = found
const { deviceSlackM, headEndSlackM } = context.allowances
const segment = (space: Segment['space'], lengthM: number, temperatureC = 20): Segment => ({
  ...{ id: `${space} ${lengthM}`, space, lengthM, riseM: 0, temperatureC },
  ...{ conduitId: null, conduitName: '' },
})
const route = (...segments: Segment[]): Route => ({
  ...{ laid: 'new', segments, cordsM: 0, lead: null, forced: null },
})
const lengthOf = (of: readonly Segment[]) => of.reduce((sum, { lengthM }) => sum + lengthM, 0)
const lengthFinding = (of: Route, on = context) =>
  assessRoute(on, of).findings.find(({ id }) => id === 'route/length')!

/** In none of these does rain run along a cable, nor does it have a loop of its own. */
const dry = fc.constantFrom('joist bay' as const, 'garage or basement' as const, 'trunking indoors' as const)
const stretches = fc.array(
  fc.record({
    space: fc.oneof(dry, fc.constant('conduit' as const)),
    lengthM: fc.integer({ min: 1, max: 90 }),
  }),
  { minLength: 1, maxLength: 5 },
)

it('parts a run where both halves are short enough, at a joint where one does, and nowhere where none is', () => {
  fc.assert(
    fc.property(stretches, fc.integer({ min: 30, max: 120 }), (of, limitM) => {
      const segments = of.map(({ space, lengthM }) => segment(space, lengthM))
      const on = { ...context, ends: [{ ...context.ends[0], outdoors: false }, context.ends[1]] as const }
      const parted = midway(on, route(...segments), limitM, 0, (pieces) =>
        pieces.reduce((sum, { lengthM }) => sum + lengthM, 0),
      )
      const whole = lengthOf(segments)
      const fitsAt = (beforeM: number) =>
        beforeM + 2 * deviceSlackM <= limitM && whole - beforeM + deviceSlackM + headEndSlackM <= limitM
      const ends = segments.map((_, i) => lengthOf(segments.slice(0, i + 1)))
      const inside = segments.flatMap(({ space, lengthM }, i) =>
        space === 'conduit'
          ? []
          : Array.from({ length: 19 }, (_, k) => ends[i]! - lengthM + (lengthM * (k + 1)) / 20),
      )
      const joints = ends.slice(0, -1)
      expect(parted !== null).toBe([...joints, ...inside].some(fitsAt))
      if (!parted) return
      const [before, after] = parted.halves
      expect(lengthOf(before) + lengthOf(after)).toBeCloseTo(whole, 6)
      expect([-1e-9, 0, 1e-9].some((slip) => fitsAt(lengthOf(before) + slip))).toBe(true)
      expect(joints.includes(lengthOf(before)) && !parted.where.startsWith('in the')).toBe(
        joints.some(fitsAt),
      )
    }),
    { numRuns: 400 },
  )
})

it('the place is named in the advice, and each half is short enough there, also where it is hot', () => {
  const long = route(segment('joist bay', 50), segment('conduit', 30, 50), segment('garage or basement', 40))
  const { verdict, advice } = lengthFinding(long) as { verdict: string; advice: string }
  expect(verdict).toBe('stop')
  expect(advice).toContain('a switch where joist bay meets conduit, 50.00 m from the device')
  const halves = [long.segments.slice(0, 1), long.segments.slice(1)]
  for (const half of halves) expect(lengthFinding(route(...half)).verdict).toBe('good')
  const endless = lengthFinding(route(segment('conduit', 400))) as { advice: string }
  expect(endless.advice).not.toContain('switch')
})
it('what was measured beyond the plan is shared by both halves', () => {
  const of = route(segment('joist bay', 60), segment('garage or basement', 25))
  const measured = (installedM: number) =>
    (lengthFinding(of, { ...context, measured: { ...context.measured, installedM } }) as { advice: string })
      .advice
  expect(measured(100)).toContain('a switch where joist bay meets garage or basement')
  expect(measured(160)).toContain('a switch in the')
  expect(measured(300)).not.toContain('switch')
})
it('an amplifier for coax has its place too', () => {
  const coax = resolve(
    device({ cableId: 'rg59' }),
    job({ devices: [device({ cableId: 'rg59' })] }),
    CATALOGUE,
  )
  if ('missing' in coax) throw new Error(coax.missing.join())
  const long = route(segment('joist bay', 200), segment('garage or basement', 180))
  expect(lengthFinding(long, coax)).toMatchObject({
    advice: expect.stringContaining(
      'Put an amplifier where joist bay meets garage or basement, 200.00 m',
    ) as string,
  })
})
it('a run that is longer than its drum has a place too, and what is cut for each half is on one', () => {
  const of = route(segment('joist bay', 200), segment('garage or basement', 180))
  const drum = (on: Route) => assessRoute(context, on).findings.find(({ id }) => id === 'route/drum')
  expect(drum(of)!.advice).toContain('put a switch where joist bay meets garage or basement')
  for (const half of of.segments) expect(drum(route(half))).toBeUndefined()
  const all = ['joist bay', 'conduit', 'joist bay'] as const
  const [endless] = [route(...all.map((space) => segment(space, 300)))].map(drum)
  expect(endless!.advice).toBe('Shorten the way, or order a longer drum.')
})
