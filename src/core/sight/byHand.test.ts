import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { dice } from '@/testing/dice'
import { looking } from '@/testing/plans'
import { project } from './projection'
import { focalFor, imagerOf, tiltFor } from '.'

const varifocal = CATALOGUE.cameras.get('bullet-4mp-vf')!
const lens = varifocal.lens.kind === 'rectilinear' ? varifocal.lens.focalMm : [0, 0]

describe('lens and tilt set by hand', () => {
  it('the edge that was drawn to an angle stands at that angle', () => {
    for (const portrait of [false, true])
      for (let focal = lens[0] + 0.3; focal < lens[1]; focal += 0.7) {
        const half = imagerOf(varifocal, focal, portrait).horizontalFovDeg / 2
        expect(Math.abs(focalFor(varifocal, portrait, half)! - focal)).toBeLessThan(0.0501)
      }
  })
  it('goes no farther than the lens does', () => {
    expect(focalFor(varifocal, false, 89)).toBe(lens[0])
    expect(focalFor(varifocal, false, 1)).toBe(lens[1])
    expect(focalFor(varifocal, false, -5)).toBe(lens[1])
  })
  it('a lens that cannot be set has no such handle', () => {
    for (const camera of CATALOGUE.cameras.values()) {
      const fixed = camera.lens.kind !== 'rectilinear' || camera.lens.focalMm[0] === camera.lens.focalMm[1]
      expect(focalFor(camera, false, 30) === null, camera.id).toBe(fixed)
    }
  })
  // The full projection is the other way: a point of the ground so far out must come to the upper edge.
  it('the ground so far out comes to the upper edge of the picture', () => {
    const throwDie = dice(5)
    for (let turn = 0; turn < 60; turn++) {
      const [heightM, farM] = [throwDie(2, 8), throwDie(6, 60)]
      const imager = imagerOf(varifocal, throwDie(lens[0], lens[1]), false)
      const tilt = tiltFor(farM, heightM, imager.verticalFovDeg / 2)
      const { v } = project(imager, looking(0, 0, heightM, 0, tilt), { x: 0, y: farM, z: 0 })!
      // A quarter of a degree is what the step of the tilt leaves open.
      expect(Math.abs(v) / imager.heightPx).toBeLessThan((0.26 / imager.verticalFovDeg) * 1.4)
    }
  })
  it('nearer than one’s own feet it looks straight down, not behind itself', () =>
    expect(tiltFor(-3, 5, 20)).toBe(90))
})
