import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { area } from '@/testing/plans'
import { aimAt, densityAt, imagerOf, inFrame, lensFor, project } from '.'

const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const BULLET = CATALOGUE.cameras.get('bullet-4mp-vf')!

describe('lens finder', () => {
  const question = {
    level: 'recognise' as const,
    from: { x: 0, y: 0, z: 3 },
    portrait: false,
    tiltRangeDeg: [-90, 90] as const,
    units: 'metric' as const,
  }
  const corners = (x: number, y: number, w: number, h: number) =>
    area(x, y, w, h).outline.map((p) => ({ ...p, z: 1.6 }))

  it('reduces on the axis to f = ρ·D·w/Nx', () => {
    const answer = lensFor(BULLET, {
      ...question,
      from: { x: 0, y: 0, z: 1.6 },
      points: [{ x: 0, y: 12, z: 1.6 }],
    })
    expect(answer.leastMm).toBeCloseTo((125 * 12 * 5.38) / 2688, 6)
  })
  it(
    'what it proposes shows every corner at the level; shorter than its least does not ' +
      'reach, longer than its most cuts off',
    () => {
      fc.assert(
        fc.property(
          angle(10),
          fc.double({ min: 4, max: 14, noNaN: true }),
          fc.double({ min: 1, max: 6, noNaN: true }),
          (x, y, size) => {
            const points = corners(x, y, size, size)
            const answer = lensFor(BULLET, { ...question, points })
            const pose = { ...question.from, panDeg: answer.panDeg, tiltDeg: answer.tiltDeg, rollDeg: 0 }
            const all = (focal: number) =>
              points.every((p) => {
                const imager = imagerOf(BULLET, focal, false)
                const at = project(imager, pose, p)
                return at !== null && inFrame(imager, at) && densityAt(imager, pose, p) >= 125 - 1e-9
              })
            if (answer.setMm !== null) expect([answer.verdict, all(answer.setMm)]).toEqual(['good', true])
            expect(all(answer.leastMm * 0.99)).toBe(false)
            expect(all(answer.mostMm * 1.01)).toBe(false)
          },
        ),
        { numRuns: 200 },
      )
    },
  )
  it('says the conflict in words', () => {
    expect(lensFor(BULLET, { ...question, points: corners(-5, 10, 10, 15) }).says).toMatch(
      /The two disagree: recognise at the far end wants [\d.]+ mm, but beyond [\d.]+ mm/,
    )
    expect(
      lensFor(BULLET, { ...question, level: 'identify', points: [{ x: 0, y: 60, z: 1.6 }] }).says,
    ).toMatch(/Identify wants 30\.0 mm; this lens ends at 12\.0 mm/)
    expect(
      lensFor(CATALOGUE.cameras.get('panoramic-12mp')!, { ...question, points: [{ x: 0, y: 60, z: 1.6 }] }),
    ).toMatchObject({ verdict: 'stop', setMm: null })
  })
  it('aims at the middle of what it must show, across the seam of the compass too', () => {
    expect(
      aimAt(
        [
          { x: -2, y: 10, z: 0 },
          { x: 2, y: 10, z: 0 },
        ],
        { x: 0, y: 0, z: 3 },
        [-90, 90],
      ).panDeg % 360,
    ).toBeCloseTo(0, 9)
    expect(aimAt([{ x: 1, y: 4, z: 0 }], { x: 0, y: 0, z: 3 }, [0, 20]).tiltDeg).toBe(20)
  })
})
