import { describe, expect, it } from 'vitest'
import { bearingOf, offUprightDeg, SENSOR_LIMITS } from '.'

it.each([
  [90, 0, 0],
  [88.4, 0, 0],
  [90, 1.5, 1.5],
  [90, -2, 2],
  [0, 90, 0],
  [0.8, 90, 0.8],
  [0, 0, 0],
  [1.2, -0.4, 1.2],
])('tilts %f and %f are %f° off upright', (beta, gamma, off) =>
  expect(offUprightDeg({ beta, gamma })).toBeCloseTo(off, 6),
)
it('a sensor that tells nothing is no tilt', () =>
  expect(offUprightDeg({ beta: null, gamma: null })).toBeNull())

describe('which way a phone points', () => {
  const flat = { alpha: 0, beta: 3, gamma: -2 }
  // W3C Device Orientation Event: alpha grows counter-clockwise seen from above; 0 points north.
  it.each([
    [0, 0],
    [90, 270],
    [270, 90],
    [359, 1],
  ])('turned %d° counter-clockwise from north it points to %d°', (alpha, deg) =>
    expect(bearingOf({ ...flat, alpha, absolute: true })?.deg).toBeCloseTo(deg, 6),
  )
  it('is taken from a phone that says it itself, never surer than near steel', () => {
    const said = (webkitCompassAccuracy: number) =>
      bearingOf({ ...flat, webkitCompassHeading: 42, webkitCompassAccuracy })
    expect(said(25)).toEqual({ deg: 42, uncertainDeg: 25 })
    expect(said(1)).toEqual({ deg: 42, uncertainDeg: SENSOR_LIMITS.compassDeg.value })
    expect(said(-1)).toBeNull()
  })
  it('is not known where it counts from anywhere, or is not held flat', () => {
    expect(bearingOf({ ...flat, alpha: 20, absolute: false })).toBeNull()
    expect(bearingOf({ ...flat, beta: 41, absolute: true })).toBeNull()
    expect(bearingOf({ alpha: 20, beta: null, gamma: null, absolute: true })).toBeNull()
  })
})
