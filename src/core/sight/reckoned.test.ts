import fc from 'fast-check'
import { PerspectiveCamera, Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import { LEVELS, type Device, type Sight } from '../job'
import { resolve } from '../parts'
import { assessSight, imagerOf, nearestFaceM, proposeSight, tiltRangeDeg } from '.'
import { aheadOf } from './ahead'
import { keepsToM } from './ways'

const context = (change: Partial<Device> = {}) => {
  const found = resolve(device(change), job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const sight = (change: Partial<Sight> = {}): Sight => ({ ...proposeSight(context()), ...change })
const rolled = (rollDeg: number) => ({
  floor: 'ground' as const,
  x: 0,
  y: 0,
  panDeg: 0,
  rollDeg,
  locked: false,
})
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** The same camera in the 3D library: y up, it looks along −z; a positive roll turns the camera clockwise. */
function threeCamera({ heightM, tiltDeg, focalMm, place }: Sight) {
  const imager = imagerOf(CATALOGUE.cameras.get('bullet-4mp-vf')!, focalMm, false)
  const camera = new PerspectiveCamera(
    imager.verticalFovDeg,
    Math.tan((imager.horizontalFovDeg * Math.PI) / 360) / Math.tan((imager.verticalFovDeg * Math.PI) / 360),
    0.01,
    5000,
  )
  camera.position.set(0, heightM, 0)
  camera.rotation.set((-tiltDeg * Math.PI) / 180, 0, 0)
  camera.rotateZ((-(place?.rollDeg ?? 0) * Math.PI) / 180)
  camera.updateMatrixWorld(true)
  camera.updateProjectionMatrix()
  const pixel = (x: number, y: number, z: number) => {
    const at = new Vector3(x, y, z).project(camera)
    return {
      u: (at.x * imager.widthPx) / 2,
      v: (at.y * imager.heightPx) / 2,
      in: Math.abs(at.x) <= 1 && Math.abs(at.y) <= 1 && at.z < 1,
    }
  }
  return { pixel, imager }
}

describe('against the 3D library (three)', () => {
  const camera = CATALOGUE.cameras.get('bullet-4mp-vf')!
  const any = fc.record({
    heightM: real(1, 8),
    tiltDeg: real(-20, 60),
    focalMm: real(2.8, 12),
    targetDistanceM: real(2, 40),
    targetHeightM: real(0, 2.5),
    roll: real(-80, 80),
  })
  it('one camera sees its target, rolled or not, where the library does, at the library’s pixels a metre', () => {
    fc.assert(
      fc.property(any, ({ roll, ...change }) => {
        const planned = sight({ ...change, place: rolled(roll) })
        const { pixel } = threeCamera(planned)
        const at = pixel(0, planned.targetHeightM, -planned.targetDistanceM)
        const ahead = aheadOf(camera, planned)
        const off = Math.abs(Math.abs(planned.tiltDeg - ahead.downDeg) - ahead.halfDeg)
        if (off > 1e-6 && Math.abs(planned.tiltDeg - ahead.downDeg) < 89) expect(ahead.inPicture).toBe(at.in)
        if (!at.in) return
        const aside = pixel(0.001, planned.targetHeightM, -planned.targetDistanceM)
        expect(ahead.densityPxM).toBeCloseTo(Math.hypot(aside.u - at.u, aside.v - at.v) / 0.001, 0)
      }),
      { numRuns: 500 },
    )
  })
  it('the width of the scene at the target times its density is the picture’s width', () => {
    fc.assert(
      fc.property(any, (change) => {
        const { roll: _, ...plain } = change
        const { acrossM, densityPxM, inPicture } = aheadOf(camera, sight(plain))
        if (inPicture) expect(acrossM! * densityPxM).toBeCloseTo(2688, 6)
      }),
    )
  })
  it('the level holds just as far as is said: a step farther it is lost', () => {
    fc.assert(
      fc.property(
        any,
        fc.constantFrom('observe' as const, 'recognise' as const, 'identify' as const),
        (change, level) => {
          const planned = sight({ ...change, place: rolled(change.roll), level })
          const holds = keepsToM(camera, planned)
          if (holds === null) return
          const { pixel } = threeCamera(planned)
          const keeps = (m: number) => {
            const [at, aside] = [pixel(0, planned.targetHeightM, -m), pixel(0.001, planned.targetHeightM, -m)]
            return (
              at.in && Math.hypot(aside.u - at.u, aside.v - at.v) / 0.001 >= LEVELS[level].densityPxM * 0.9995
            )
          }
          if (!keeps(planned.targetDistanceM)) return
          expect([keeps(holds - 0.02), keeps(holds * 1.002 + 0.05)]).toEqual([true, false])
        },
      ),
      { numRuns: 300 },
    )
  })
})

/**
 * Similar triangles and the rays of the picture's edges: a face leaves over the lower edge of a high lens,
 * over the upper edge of a low one.
 */
describe('the nearest face', () => {
  it('lies on the edge ray, above and below face height', () => {
    fc.assert(
      fc.property(real(0.3, 6), real(-40, 70), real(5, 45), (heightM, tiltDeg, halfDeg) => {
        const near = nearestFaceM(heightM, 1.6, tiltDeg, halfDeg)
        const shown = (m: number) =>
          Math.abs((Math.atan2(heightM - 1.6, m) * 180) / Math.PI - tiltDeg) <= halfDeg
        if (near === 'none')
          for (const m of [0.01, 0.1, 0.5]) expect(shown(m) && heightM !== 1.6 && shown(m * 0.5)).toBe(false)
        else if (typeof near === 'number') {
          expect(shown(near * 0.999)).toBe(false)
          if (near * 1.001 < 1e4 && Math.abs(tiltDeg) < halfDeg) expect(shown(near * 1.001)).toBe(true)
        }
      }),
    )
  })
  it.each([
    [1.6, 0, 20, 'own feet'],
    [1.6, 30, 20, 'none'],
    [1.6, 20, 20, 'own feet'],
    [1.2, 0, 20, 0.4 / Math.tan((20 * Math.PI) / 180)],
    [1.2, 25, 20, 'none'],
    [1.2, -80, 20, 'own feet'],
    [2.6, 25, 20, 1],
  ])('lens at %f m, tilt %f°, half %f°: %s', (heightM, tiltDeg, halfDeg, expected) => {
    const near = nearestFaceM(heightM, 1.6, tiltDeg, halfDeg)
    if (typeof expected === 'number') expect(near).toBeCloseTo(expected, 9)
    else expect(near).toBe(expected)
  })
})

describe('advice is tried before it is given', () => {
  const number = (words: string, pattern: RegExp) => {
    const found = pattern.exec(words)
    return found ? Number(found[1]!.replace('−', '-')) : null
  }
  const apart = (before: Sight, says: string): Partial<Sight>[] =>
    says.split(', or ').flatMap((way) => {
      const focalMm = number(way, /lens to ([\d.]+) mm/i)
      const tiltDeg = number(way, /tilt (?:it )?to (−?[\d.]+)°/i)
      const targetDistanceM = number(way, /(?:within|from) ([\d.]+) m/)
      const heightM = number(way, /camera to ([\d.]+) m/)
      const change = {
        ...(focalMm === null ? {} : { focalMm }),
        ...(tiltDeg === null ? {} : { tiltDeg }),
        ...(targetDistanceM === null ? {} : { targetDistanceM }),
        ...(heightM === null ? {} : { heightM }),
      }
      return Object.keys(change).length > 0 ? [{ ...before, ...change }] : []
    })
  it('with any change that is named the finding is gone and no other has come', () => {
    let tried = 0
    fc.assert(
      fc.property(
        fc.constantFrom(
          'bullet-4mp-vf',
          'dome-4mp-vf',
          'turret-5mp-2.8',
          'large-dome-4mp',
          'box-4mp-5-50',
          'panoramic-12mp',
        ),
        fc.constantFrom('timber-wall', 'timber-soffit'),
        fc.record({
          heightM: real(2, 7),
          tiltDeg: real(-10, 80),
          targetDistanceM: real(1, 30),
          targetHeightM: fc.constantFrom(0, 1.6),
          level: fc.constantFrom('observe' as const, 'recognise' as const, 'identify' as const),
          share: real(0, 1),
          roll: fc.constantFrom(0, 0, 30),
        }),
        (cameraId, surfaceId, { share, roll, ...change }) => {
          const c = context({ cameraId, surfaceId, mountIds: [], exposure: 'dry indoors' })
          const [low, high] = c.camera.lens.focalMm
          const planned: Sight = {
            ...proposeSight(c),
            ...change,
            shutterS: 1 / 1000,
            focalMm: low + (high - low) * share,
            place: { ...rolled(roll), floor: 'loft' },
          }
          const before = assessSight(c, planned).findings
          for (const { id, verdict, advice } of before) {
            if (verdict === 'good' || id === 'sight/wish') continue
            for (const changed of apart(planned, advice!)) {
              tried++
              const after = assessSight(c, { ...planned, ...changed })
                .findings.filter((one) => one.verdict !== 'good')
                .map((one) => one.id)
              expect([id, advice, after.includes(id)]).toEqual([id, advice, false])
              expect(
                after.filter((one) => !before.some((b) => b.id === one && b.verdict !== 'good')),
              ).toEqual([])
            }
          }
        },
      ),
      { numRuns: 400 },
    )
    expect(tried).toBeGreaterThan(100)
  })
  it('and where no change of that kind can, it says so', () => {
    const c = context({
      cameraId: 'mini-dome-2mp',
      surfaceId: 'plasterboard-ceiling',
      mountIds: [],
      exposure: 'dry indoors',
    })
    const far = assessSight(c, {
      ...proposeSight(c),
      targetDistanceM: 20,
      level: 'identify',
      tiltDeg: tiltRangeDeg(c.camera, 'down')[0],
    }).findings
    expect(far.find(({ id }) => id === 'sight/level')?.advice).toMatch(
      /^bring the target within|^No lens setting of this camera/,
    )
    const up = assessSight(c, { ...proposeSight(c), targetDistanceM: 20, targetHeightM: 12 }).findings.find(
      ({ id }) => id === 'sight/in-picture',
    )
    expect(up?.advice).toMatch(/^Neither tilt nor lens of this camera/)
  })
})

/** f-theta: r = f·θ. Half the sensor's width lies at half the field of view. */
it('a distorting lens keeps its own relation of focal length and angle, and every catalogue entry obeys it', () => {
  for (const { id, lens, sensor } of CATALOGUE.cameras.values()) {
    if (lens.kind !== 'f-theta') continue
    const deg = (mm: number) => ((mm / lens.focalMm[0]) * 180) / Math.PI
    expect([
      id,
      Math.abs(deg(sensor.widthMm) / lens.horizontalFovDeg - 1) < 0.01,
      Math.abs(deg(sensor.heightMm) / lens.verticalFovDeg - 1) < 0.01,
    ]).toEqual([id, true, true])
  }
})

it('figure and finding of blur are one and the same', () => {
  const c = context()
  const { figures, findings } = assessSight(c, sight({ shutterS: 1 / 25, level: 'identify', focalMm: 12 }))
  expect(figures.find(({ label }) => label.startsWith('Walking blur'))!.reading).toEqual(
    findings.find(({ id }) => id === 'sight/blur')!.figure,
  )
})
