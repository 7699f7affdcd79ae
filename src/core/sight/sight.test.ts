import fc from 'fast-check'
import { PerspectiveCamera, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { LEVELS } from '../job'
import { resolve } from '../parts'
import { device, job } from '@/testing/jobs'
import {
  assessSight,
  densityAt,
  farthestGroundM,
  fieldOfViewDeg,
  imagerOf,
  levelReached,
  nearestFaceM,
  nearestGroundM,
  project,
  proposeSight,
  tiltRangeDeg,
} from '.'

const TWO_MP = {
  sensor: { widthMm: 4.8, heightMm: 2.7, widthPx: 1920, heightPx: 1080 },
  lens: { kind: 'rectilinear' as const, focalMm: [2.8, 12] as const },
}
const context = (change: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(change), job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}

describe('field of view, pure geometry', () => {
  it.each([
    [4.8, 4, 61.93],
    [4.8, 2.8, 81.2],
    [4.8, 12, 22.62],
    [2.7, 4, 37.3 - 0.005],
  ])('%f mm at f %f', (size, focal, expected) => expect(fieldOfViewDeg(size, focal)).toBeCloseTo(expected, 1))

  it('swaps width and height in portrait', () => {
    const [upright, turned] = [imagerOf(TWO_MP, 4, false), imagerOf(TWO_MP, 4, true)]
    expect([turned.widthPx, turned.horizontalFovDeg, turned.focalPxX]).toEqual([
      upright.heightPx,
      upright.verticalFovDeg,
      upright.focalPxY,
    ])
  })
})

/**
 * Independent reference: the camera of a general 3D library (three, PerspectiveCamera), whose y axis points
 * up.
 */
function threeProjection(
  imager: ReturnType<typeof imagerOf>,
  pose: { x: number; y: number; z: number; panDeg: number; tiltDeg: number; rollDeg: number },
) {
  const rad = Math.PI / 180
  const camera = new PerspectiveCamera(imager.verticalFovDeg, imager.widthPx / imager.heightPx, 0.01, 10_000)
  camera.position.set(pose.x, pose.z, -pose.y)
  camera.rotation.set(-pose.tiltDeg * rad, -pose.panDeg * rad, -pose.rollDeg * rad, 'YXZ')
  camera.updateMatrixWorld()
  return (point: { x: number; y: number; z: number }) => {
    const ndc = new Vector3(point.x, point.z, -point.y).project(camera)
    return { u: ((ndc.x + 1) / 2) * imager.widthPx, v: ((1 - ndc.y) / 2) * imager.heightPx }
  }
}

describe('projection against a general 3D library', () => {
  const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
  const pose = fc.record({
    x: angle(50),
    y: angle(50),
    z: fc.double({ min: 0.5, max: 20, noNaN: true }),
    panDeg: angle(180),
    tiltDeg: angle(89),
    rollDeg: angle(45),
  })

  it('puts 5000 random points where it does', () => {
    fc.assert(
      fc.property(
        pose,
        fc.double({ min: 2.8, max: 12, noNaN: true }),
        fc.boolean(),
        angle(60),
        angle(60),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (at, focal, portrait, x, y, z) => {
          const imager = imagerOf(TWO_MP, focal, portrait)
          const ours = project(imager, at, { x, y, z })
          if (!ours || ours.depthM < 0.1) return
          const theirs = threeProjection(imager, at)({ x, y, z })
          const scale = 1e-9 * (1 + Math.abs(theirs.u) + Math.abs(theirs.v)) * 1e3
          expect(Math.abs(ours.u - theirs.u)).toBeLessThan(scale)
          expect(Math.abs(ours.v - theirs.v)).toBeLessThan(scale)
        },
      ),
      { numRuns: 5000 },
    )
  })

  it('measures the density across that two of its points give', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 12, noNaN: true }),
        angle(40),
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (height, tilt, distance, z) => {
          const imager = imagerOf(TWO_MP, 4, false)
          const at = { x: 0, y: 0, z: height, panDeg: 0, tiltDeg: tilt, rollDeg: 0 }
          const depth = project(imager, at, { x: 0, y: distance, z })?.depthM ?? 0
          if (depth < 0.3) return
          const theirs = threeProjection(imager, at)
          const expected =
            (theirs({ x: 0.05, y: distance, z }).u - theirs({ x: -0.05, y: distance, z }).u) / 0.1
          expect(densityAt(imager, at, { x: 0, y: distance, z }) / expected).toBeCloseTo(1, 4)
        },
      ),
      { numRuns: 1000 },
    )
  })
})

describe('density', () => {
  const level = { x: 0, y: 0, z: 1.6, panDeg: 0, tiltDeg: 0, rollDeg: 0 }

  it('reduces to Nx/(2·D·tan(HFOV/2)) on the axis: 160 px/m at 10 m, identify out to 6.4 m', () => {
    const at = (y: number, f = 4) => densityAt(imagerOf(TWO_MP, f, false), level, { x: 0, y, z: 1.6 })
    expect(at(10)).toBeCloseTo(160, 4)
    expect(at(6.4)).toBeCloseTo(250, 4)
    expect(levelReached(at(6.41), '2014')).toBe('recognise')
  })

  it('holds an f-theta lens even by angle: on the axis k/D, the same at every bearing for a level board', () => {
    const all = CATALOGUE.cameras.get('panoramic-12mp')!
    const imager = imagerOf(all, 1.6, false)
    expect(densityAt(imager, level, { x: 0, y: 5, z: 1.6 })).toBeCloseTo(4000 / Math.PI / 5, 3)
    expect(densityAt(imager, level, { x: 5 * Math.sin(1.2), y: 5 * Math.cos(1.2), z: 1.6 })).toBeCloseTo(
      4000 / Math.PI / 5,
      3,
    )
  })
})

/** EN/IEC 62676-4:2014. The 2025 values are from memory: check against your copy. */
it('knows the levels of detail of both editions', () => {
  const of = (edition: string) =>
    Object.values(LEVELS)
      .filter((level) => level.edition === edition)
      .map(({ densityPxM }) => densityPxM)
  expect(of('2014')).toEqual([12.5, 25, 62.5, 125, 250, 1000])
  expect(of('2025')).toEqual([20, 40, 80, 125, 250, 500, 1500])
})

describe('ground in the picture, pure geometry', () => {
  it('H 3.0 m, θ 25°, VFOV 37.30°: dead zone 3.14 m, far limit 26.96 m', () => {
    expect(nearestGroundM(3, 25, 37.3)).toBeCloseTo(3.14, 2)
    expect(farthestGroundM(3, 25, 37.3)).toBeCloseTo(26.96, 1)
  })
  it('names what has no distance', () => {
    expect(nearestGroundM(3, 75, 37.3)).toBe('own feet')
    expect(nearestGroundM(3, -30, 37.3)).toBe('none')
    expect(farthestGroundM(3, 10, 37.3)).toBe('endless')
    expect(nearestFaceM(1.5, 1.6, 30, 20)).toBe('none')
  })
  it('meets the edge rays that the projection draws', () => {
    const imager = imagerOf(TWO_MP, 4, false)
    const near = nearestGroundM(3, 25, imager.verticalFovDeg) as number
    const pictured = project(
      imager,
      { x: 0, y: 0, z: 3, panDeg: 0, tiltDeg: 25, rollDeg: 0 },
      { x: 0, y: near, z: 0 },
    )
    expect(pictured!.v).toBeCloseTo(imager.heightPx, 6)
  })
})

/**
 * Common practice: a ceiling dome's range counts from straight down; one ending at 67° cannot rise above
 * 23°, at 85° above 5°.
 */
it('counts a ceiling dome’s tilt from straight down', () => {
  expect(tiltRangeDeg({ axisFromBaseDeg: [0, 67] }, 'down')).toEqual([23, 90])
  expect(tiltRangeDeg({ axisFromBaseDeg: [0, 85] }, 'down')[0]).toBe(5)
})

describe('findings', () => {
  const ids = (change: Partial<ReturnType<typeof proposeSight>>, on: Parameters<typeof device>[0] = {}) => {
    const c = context(on)
    return assessSight(c, { ...proposeSight(c), ...change })
      .findings.filter(({ verdict }) => verdict !== 'good')
      .map(({ id, verdict }) => `${id} ${verdict}`)
  }
  it('says what to do when the target leaves the picture by its upper edge', () => {
    const c = context()
    const found = assessSight(c, { ...proposeSight(c), tiltDeg: 60, focalMm: 6 }).findings.find(
      ({ id }) => id === 'sight/in-picture',
    )!
    expect(found.title).toBe('The target stands above the picture')
    expect(found.advice).toBe('Tilt to 13.0°.')
  })
  it.each([
    [{ focalMm: 20 }, {}, 'sight/lens stop'],
    [{ level: 'inspect' as const }, {}, 'sight/level stop'],
    [{ level: 'perceive' as const }, {}, 'sight/level check'],
    [
      { tiltDeg: 10 },
      { cameraId: 'mini-dome-2mp', surfaceId: 'plasterboard-ceiling', mountIds: [] },
      'sight/tilt stop',
    ],
    [{ heightM: 6, targetDistanceM: 4, tiltDeg: 48 }, {}, 'sight/face-angle check'],
    [{ shutterS: 1 / 30 }, {}, 'sight/blur check'],
    [{ targetDistanceM: 55, tiltDeg: 2, focalMm: 12 }, {}, 'sight/infrared check'],
    [
      { wish: { place: 'left', at: null, kept: false, reason: 'light', agreedBy: '' } },
      {},
      'sight/wish check',
    ],
  ])('finds %j on %j: %s', (change, on, expected) => expect(ids(change, on)).toContain(expected))

  it('promises no more with a shorter lens, a longer way or a lower level met', () => {
    const c = context()
    fc.assert(
      fc.property(
        fc.double({ min: 2.8, max: 11, noNaN: true }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        (focalMm, targetDistanceM) => {
          const at = (f: number, d: number) =>
            assessSight(c, { ...proposeSight(c), tiltDeg: 10, focalMm: f, targetDistanceM: d }).drawing
              .densityPxM
          expect(at(focalMm + 1, targetDistanceM)).toBeGreaterThan(at(focalMm, targetDistanceM))
          expect(at(focalMm, targetDistanceM + 1)).toBeLessThan(at(focalMm, targetDistanceM))
        },
      ),
    )
  })
})
