import { expect, it } from 'vitest'
import { offUprightDeg } from './TiltReader'

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
  expect(offUprightDeg(beta, gamma)).toBeCloseTo(off, 6),
)
