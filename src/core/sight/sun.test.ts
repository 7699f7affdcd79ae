import { Body, Equator, Horizon, Observer } from 'astronomy-engine'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { block, looking, onGround } from '@/testing/plans'
import { imagerOf, sunAt, sunInPicture } from '.'
import { sunYear } from './sun'

const BULLET = CATALOGUE.cameras.get('bullet-4mp-vf')!
const LONDON = { latitudeDeg: 51.5, longitudeDeg: -0.12, upBearingDeg: 0, timeZone: 'Europe/London' }
const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true })

describe('sun', () => {
  // Published worked value: Reda and Andreas, Solar Position Algorithm, NREL/TP-560-34302, example of 17
  // October 2003, 12:30:30 UTC−7.
  it('stands where the published worked example has it', () => {
    const { azimuthDeg, altitudeDeg } = sunAt(
      { latitudeDeg: 39.742476, longitudeDeg: -105.1786 },
      Date.UTC(2003, 9, 17, 19, 30, 30),
    )
    expect(Math.abs(azimuthDeg - 194.34024)).toBeLessThan(0.03)
    expect(Math.abs(altitudeDeg - (90 - 50.11162))).toBeLessThan(0.03)
  })
  it('stands where a second astronomy library has it, anywhere, any time', () => {
    fc.assert(
      fc.property(
        angle(66),
        angle(180),
        fc.integer({ min: Date.UTC(2024, 0, 1), max: Date.UTC(2030, 0, 1) }),
        (latitudeDeg, longitudeDeg, moment) => {
          const observer = new Observer(latitudeDeg, longitudeDeg, 0)
          const { ra, dec } = Equator(Body.Sun, new Date(moment), observer, true, true)
          const theirs = Horizon(new Date(moment), observer, ra, dec, 'normal')
          if (theirs.altitude < 1) return
          const own = sunAt({ latitudeDeg, longitudeDeg }, moment)
          expect(Math.abs(own.altitudeDeg - theirs.altitude)).toBeLessThan(0.06)
          expect(
            Math.abs(((own.azimuthDeg - theirs.azimuth + 540) % 360) - 180) *
              Math.cos((theirs.altitude * Math.PI) / 180),
          ).toBeLessThan(0.06)
        },
      ),
      { numRuns: 500 },
    )
  })

  it('stands in its year, put together from noons, where each moment by itself has it', () => {
    const site = fc.record({ latitudeDeg: angle(90), longitudeDeg: angle(180), upBearingDeg: angle(180) })
    fc.assert(
      fc.property(site, (at) => {
        const { moments, days, ways } = sunYear(at)
        // Half of a year is day, all over the earth (refraction makes it a little more).
        expect(Math.abs(moments.length / (183 * 144) - 0.5)).toBeLessThan(0.04)
        for (let i = 0; i < moments.length; i += 97) {
          const { azimuthDeg, altitudeDeg } = sunAt(at, moments[i]!)
          const [turn, up] = [((azimuthDeg - at.upBearingDeg) * Math.PI) / 180, (altitudeDeg * Math.PI) / 180]
          const way = [Math.sin(turn) * Math.cos(up), Math.cos(turn) * Math.cos(up), Math.sin(up)]
          way.forEach((part, axis) => expect(ways[3 * i + axis]).toBeCloseTo(part, 4))
          expect(moments[i]! - days[i]! * 86_400_000).toBeLessThan(86_400_000)
          expect(moments[i]!).toBeGreaterThan(days[i]! * 86_400_000)
        }
      }),
      { numRuns: 20 },
    )
  })

  const eye = (panDeg: number, tiltDeg: number) => ({
    imager: imagerOf(BULLET, 2.8, false),
    pose: looking(0, 0, 3, panDeg, tiltDeg),
  })
  const none = onGround([])
  it('never stands in a picture that looks north in London, and often in one to the south-west', () => {
    expect(sunInPicture(eye(0, 10), none, LONDON).hoursAYear).toBe(0)
    const west = sunInPicture(eye(240, 5), none, LONDON)
    expect(west.hoursAYear).toBeGreaterThan(150)
    expect(west.byMonth.reduce((sum, h) => sum + h, 0)).toBeCloseTo(west.hoursAYear, 6)
    // low in winter
    expect(west.byMonth[0]! + west.byMonth[11]!).toBeGreaterThan(west.byMonth[5]! + west.byMonth[6]!)
  })
  it('turns with the plan: up the sheet to the south-west and the camera up the sheet is the same', () => {
    expect(sunInPicture(eye(0, 5), none, { ...LONDON, upBearingDeg: 240 }).hoursAYear).toBeCloseTo(
      sunInPicture(eye(240, 5), none, LONDON).hoursAYear,
      6,
    )
  })
  it('is kept out by a tall building in its way, and by tilting down', () => {
    const tower = onGround([block(-120, -60, 118, 55, { heightM: 90 })])
    expect(sunInPicture(eye(240, 5), tower, LONDON).hoursAYear).toBeLessThan(
      sunInPicture(eye(240, 5), none, LONDON).hoursAYear / 4,
    )
    expect(sunInPicture(eye(240, 40), none, LONDON).hoursAYear).toBe(0)
  })
  it('names its worst days apart, on the clock of the site', () => {
    const { worst } = sunInPicture(eye(240, 5), none, LONDON)
    expect(worst).toHaveLength(3)
    for (const { day, from, to, minutes } of worst) {
      expect(day).toMatch(/^\d{1,2} \w+$/)
      expect(from < to).toBe(true)
      expect(minutes).toBeGreaterThan(60)
    }
  })
})
