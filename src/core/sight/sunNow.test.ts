import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { bearingDeg, contains, distanceM } from '../geometry'
import { area, block, looking, onGround, wall, xy } from '@/testing/plans'
import { imagerOf, sunAt, sunOnPlan, type WalkCamera } from '.'

const SITE = { latitudeDeg: 51.5, longitudeDeg: -0.12, upBearingDeg: 0, timeZone: 'Europe/London' }
const NOON = Date.UTC(2026, 2, 20, 12, 0)
const imager = imagerOf(CATALOGUE.cameras.get('bullet-4mp-vf')!, 2.8, false)
const camera = (deviceId: string, panDeg: number, tiltDeg: number): WalkCamera =>
  ({ deviceId, mark: deviceId, eye: { imager, pose: looking(0, 0, 3, panDeg, tiltDeg) } }) as WalkCamera
const pole = wall(0, 0, 0.05, 0, { heightM: 2 })

describe('the sun on a plan', () => {
  // A gnomon: where the sun stands α high, a stick of height h throws h / tan α, away from the sun. At an
  // equinox noon the sun stands 90° less the latitude high (facts of astronomy, no source).
  it('at an equinox noon a stick’s shade is its height times the tangent of the latitude, to the north', () => {
    const { shades, altitudeDeg } = sunOnPlan([], onGround([pole]), SITE, NOON)
    expect(Math.abs(altitudeDeg - 38.5)).toBeLessThan(0.5)
    const tip = shades[0]![3]!
    expect(Math.abs(distanceM(xy(0, 0), tip) - 2 * Math.tan((51.5 * Math.PI) / 180))).toBeLessThan(0.05)
    expect(Math.abs(((bearingDeg(xy(0, 0), tip) + 180) % 360) - 180)).toBeLessThan(4)
  })
  it('turns with the sheet', () => {
    const sheet = { ...SITE, upBearingDeg: 90 } // east is up
    const tip = sunOnPlan([], onGround([pole]), sheet, NOON).shades[0]![3]!
    expect(Math.abs(bearingDeg(xy(0, 0), tip) - 270)).toBeLessThan(4)
  })
  it('a point is in the shade where a block stands between it and the sun, and nowhere else', () => {
    const shed = block(0, 0, 4, 3, { heightM: 3 })
    const moment = Date.UTC(2026, 5, 1, 15, 30)
    const { azimuthDeg, altitudeDeg } = sunAt(SITE, moment)
    const { shades } = sunOnPlan([], onGround([shed]), SITE, moment)
    const [turn, up] = [(azimuthDeg * Math.PI) / 180, (altitudeDeg * Math.PI) / 180]
    let [dark, bright] = [0, 0]
    for (let x = -6; x < 10; x += 0.37)
      for (let y = -6; y < 10; y += 0.41) {
        if (x > 0 && x < 4 && y > 0 && y < 3) continue
        // Walks from the spot towards the sun in small steps until it is above the shed.
        let hit = false
        for (let s = 0; s * Math.sin(up) < 3; s += 0.01) {
          const [px, py] = [x + Math.sin(turn) * Math.cos(up) * s, y + Math.cos(turn) * Math.cos(up) * s]
          if (px > 0 && px < 4 && py > 0 && py < 3) hit = true
        }
        expect(
          shades.some((outline) => contains(outline, xy(x, y))),
          `${x} ${y}`,
        ).toBe(hit)
        if (hit) dark++
        else bright++
      }
    expect(Math.min(dark, bright)).toBeGreaterThan(50)
  })
  it('dazzles who looks into it, unless something stands in between', () => {
    const { azimuthDeg, altitudeDeg } = sunAt(SITE, NOON)
    const cameras = [camera('into', azimuthDeg, 5 - altitudeDeg), camera('away', azimuthDeg + 180, 10)]
    expect(sunOnPlan(cameras, onGround([]), SITE, NOON).inPictureOf).toEqual(['into'])
    const high = wall(-20, -2, 20, -2, { heightM: 9 })
    expect(sunOnPlan(cameras, onGround([high]), SITE, NOON).inPictureOf).toEqual([])
  })
  it('by night there is neither shade nor dazzle, and what lies flat throws none', () => {
    const night = sunOnPlan([camera('into', 0, 0)], onGround([pole]), SITE, NOON + 12 * 3_600_000)
    expect([night.shades, night.inPictureOf, night.altitudeDeg < 0]).toEqual([[], [], true])
    expect(sunOnPlan([], onGround([area(0, 0, 2, 2)]), SITE, NOON).shades).toEqual([])
  })
})
