import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Sight } from '@/core/job'
import { SIGHT, stagesOf, wordsOf } from '@/testing/drawn'
import type { Mark, Spot } from '.'
import { elevationDrawing, elevationFrame, elevationHandles } from './elevation'

const elevation = (change: Partial<Sight> = {}) =>
  stagesOf({ sight: { ...SIGHT, ...change } }).sight.result.drawing

/** Whether a spot lies inside an outline: crossings of a ray, counted. */
function insideOf(outline: readonly Spot[], x: number, y: number): boolean {
  return outline.reduce((inside, [ax, ay], i) => {
    const [bx, by] = outline[(i + 1) % outline.length]!
    const crosses = ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)
    return crosses ? !inside : inside
  }, false)
}

describe('the side elevation is to scale', () => {
  it('puts height and distance on one scale, the camera over its foot', () => {
    const e = elevation()
    const frame = elevationFrame(e, 760)
    const { camera, target } = elevationHandles(e, frame)
    expect((frame.groundY - camera[1]) / frame.perMetre).toBeCloseTo(3, 9)
    expect((target[0] - camera[0]) / frame.perMetre).toBeCloseTo(8, 9)
    expect((frame.groundY - target[1]) / frame.perMetre).toBeCloseTo(1.6, 9)
  })
  it('lets the lower ray meet the ground where the dead zone ends', () => {
    const e = elevation({ tiltDeg: 30 })
    const frame = elevationFrame(e, 760)
    const rays = elevationDrawing(e, 'metric', frame).marks.filter(
      (mark) => mark.kind === 'line' && mark.pen === 'ray',
    )
    const lower = rays[1] as Extract<Mark, { kind: 'line' }>
    expect(lower.to[1]).toBeCloseTo(frame.groundY, 6)
    expect((lower.to[0] - frame.cameraX) / frame.perMetre).toBeCloseTo(e.nearestGround as number, 6)
  })
  it('keeps camera and target on the sheet at any width and any legal size', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 60, noNaN: true }),
        fc.double({ min: 0.3, max: 500, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.integer({ min: 280, max: 820 }),
        (heightM, targetDistanceM, tiltDeg, width) => {
          const e = elevation({ heightM, targetDistanceM, tiltDeg })
          const frame = elevationFrame(e, width)
          for (const [x, y] of Object.values(elevationHandles(e, frame)).slice(0, 2)) {
            expect([x >= 0, x <= width, y >= 0, y <= frame.height]).toEqual([true, true, true, true])
          }
        },
      ),
    )
  })
  it('says in words and in the call-out when the target is out of the picture', () => {
    const e = elevation({ tiltDeg: 70 })
    const drawing = elevationDrawing(e, 'metric', elevationFrame(e, 760))
    expect(wordsOf(drawing)).toContain('not in the picture')
    expect(drawing.says).toContain('is outside the picture')
  })
  it('writes its dimensions in the units of the job', () => {
    const e = elevation()
    expect(wordsOf(elevationDrawing(e, 'imperial', elevationFrame(e, 760)))).toContain(`26' 3"`)
  })
  it.each([
    ['level', 0],
    ['a little down, the upper edge rising', 8],
    ['down', 30],
    ['up', -20],
    ['straight down', 90],
  ])('takes in just what lies between the edges of the picture: %s', (_, tiltDeg) => {
    const e = { ...elevation(), tiltDeg }
    const frame = elevationFrame(e, 760)
    const drawing = elevationDrawing(e, 'metric', frame)
    const fan = drawing.marks.flatMap((mark) =>
      mark.kind === 'shape' && mark.fill === 'seen' ? [mark.spots] : [],
    )[0]!
    const [x0, y0] = elevationHandles(e, frame).camera
    for (const [x, y] of fan) {
      expect(x).toBeGreaterThan(7.9)
      expect(x).toBeLessThan(frame.width - 7.9)
      expect(y).toBeGreaterThan(3.9)
      expect(y).toBeLessThan(frame.groundY + 0.1)
    }
    let checked = 0
    for (let x = 20; x < frame.width - 20; x += 37) {
      for (let y = 15; y < frame.groundY - 5; y += 23) {
        const off = (Math.atan2(y - y0, x - x0) * 180) / Math.PI - tiltDeg
        const turned = Math.abs(((off + 540) % 360) - 180)
        const half = e.verticalFovDeg / 2
        if (Math.abs(turned - half) < 1.5 || Math.hypot(x - x0, y - y0) < 8) continue
        checked++
        expect([x, y, insideOf(fan, x, y)]).toEqual([x, y, turned < half])
      }
    }
    expect(checked).toBeGreaterThan(40)
  })
  it('names what stands ahead once, though its front and its back are both drawn', () => {
    const ahead = (distanceM: number) => ({ distanceM, fromM: 0, toM: 1, name: 'Boat' })
    const { surroundings: _, ...bare } = elevation()
    const e = { ...bare, surroundings: { uprights: [ahead(5), ahead(6)], boards: [], hiddenBy: null } }
    const drawing = elevationDrawing(e, 'metric', elevationFrame(e, 760))
    expect(wordsOf(drawing).filter((word) => word === 'Boat')).toHaveLength(1)
  })
  it('hangs it on a pole where it is banded to one, and hatches no wall there', () => {
    const hatched = (onPole: boolean) => {
      const e = { ...elevation(), onPole }
      const { marks } = elevationDrawing(e, 'metric', elevationFrame(e, 760))
      return marks.filter((mark) => mark.kind === 'shape' && mark.fill === 'hatch').length
    }
    expect([hatched(false) > 0, hatched(true)]).toEqual([true, 0])
  })
})
