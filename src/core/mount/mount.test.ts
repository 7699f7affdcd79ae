import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { resolve } from '../parts'
import { device, job } from '@/testing/jobs'
import {
  assessMount,
  bitMm,
  ladder,
  lagScrewLbPerInch,
  pilotMm,
  printBit,
  proposeMount,
  sumOf,
  woodScrewLbPerInch,
} from '.'

const context = (change: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(change), job(), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}

/**
 * NDS for Wood Construction, withdrawal design values: No. 8 in G 0.50, No. 10 in G 0.42, lag 1/4 in in G
 * 0.50.
 */
it('gives the NDS withdrawal values', () => {
  expect(woodScrewLbPerInch(0.5, 0.164)).toBeCloseTo(117, 0)
  expect(woodScrewLbPerInch(0.42, 0.19)).toBeCloseTo(95.5, 1)
  expect(lagScrewLbPerInch(0.5, 0.25)).toBeCloseTo(225, 0)
})

/**
 * OSHA 29 CFR 1926.1053(b)(5)(i): a quarter of the working length; 4.0 m → 1.0 m out, 75.52°, contact at
 * 3.873 m.
 */
it('sets a ladder 4 to 1 along its length', () => {
  const { workingLengthM, footM } = ladder(3.873)
  expect(workingLengthM).toBeCloseTo(4, 3)
  expect(footM).toBeCloseTo(1, 3)
  expect((Math.acos(footM / workingLengthM) * 180) / Math.PI).toBeCloseTo(75.52, 2)
})

/**
 * Common practice: 5/64 in for the supplied No. 6 and No. 8 screws in soffit timber; 1 in spade bit for a
 * coupler; roots from memory of NDS appendix L.
 */
it('takes the bits that practice takes', () => {
  const pilot = (id: string) => printBit(pilotMm(CATALOGUE.fixings.get(id)!, 0.42)!, 'pilot', 'imperial')
  expect(pilot('screw-8')).toBe('5/64" (2 mm)')
  expect(pilot('screw-6')).toBe('5/64" (2 mm)')
  expect(printBit(25, 'clear', 'metric')).toBe('25 mm (1")')
  expect(printBit(15, 'clear', 'imperial')).toBe('5/8" (16 mm)')
  expect(bitMm(1000, 'clear', 'metric')).toBe(76)
})

describe('findings', () => {
  const ids = (on: Parameters<typeof device>[0], change: Partial<ReturnType<typeof proposeMount>> = {}) => {
    const c = context(on)
    return assessMount(c, { ...proposeMount(c), ...change }).findings.map(
      ({ id, verdict }) => `${id} ${verdict}`,
    )
  }
  it.each<[string, Parameters<typeof device>[0], Partial<ReturnType<typeof proposeMount>>]>([
    [
      'mount/tile stop',
      { surfaceId: 'ceiling-tile', cameraId: 'dome-4mp-vf', mountIds: ['tile-spread-plate'] },
      {},
    ],
    ['mount/backing stop', { surfaceId: 'sheet-soffit', mountIds: [] }, {}],
    ['mount/fixing stop', { surfaceId: 'brick' }, { fixingId: 'screw-8' }],
    ['mount/count stop', {}, { fixingCount: 2 }],
    ['mount/stack stop', { cameraId: 'large-dome-4mp', mountIds: ['wall-arm'] }, {}],
    [
      'mount/load stop',
      { surfaceId: 'hollow-block', cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-hood'] },
      { fixingId: 'sleeve-hollow', makersPullN: 120 },
    ],
    ['mount/hole-cover stop', { mountIds: ['pendant-rod-500'] }, { passage: 'tail and plugs' }],
    ['mount/wood check', {}, { woodId: null }],
    ['mount/load good', {}, {}],
  ])('finds %s on %j %j', (expected, on, change) => expect(ids(on, change)).toContain(expected))

  it('accepts a tile once plate and tether are there', () => {
    expect(
      ids(
        { surfaceId: 'ceiling-tile', cameraId: 'dome-4mp-vf', mountIds: ['tile-spread-plate'] },
        { tethered: true },
      ).filter((id) => id.endsWith('stop')),
    ).toEqual([])
  })
})

it('is never better with more weight or fewer screws', () => {
  const pull = (mountIds: string[], fixingCount: number) => {
    const c = context({ surfaceId: 'timber-soffit', cameraId: 'large-dome-4mp', mountIds })
    return assessMount(c, { ...proposeMount(c), fixingCount }).drawing.pullN
  }
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 23 }), (count) => {
      expect(pull(['ceiling-plate', 'pendant-hood'], count + 1)).toBeLessThanOrEqual(
        pull(['ceiling-plate', 'pendant-hood'], count),
      )
      expect(pull(['ceiling-plate', 'pendant-rod-500', 'pendant-hood'], count)).toBeGreaterThan(
        pull(['ceiling-plate', 'pendant-hood'], count),
      )
    }),
  )
})

it('adds a stack up, camera included', () => {
  const c = context({
    surfaceId: 'concrete-ceiling',
    cameraId: 'turret-5mp-2.8',
    mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
  })
  // Plate 40, rod 500 and box 50 mm, and the turret's 95 mm; two parts screw onto the pipe thread.
  const printed = (mm: number) => `${mm} mm`
  expect(sumOf(c, printed)).toMatchObject({ offMm: 685, acrossMm: 120, threads: 2, holes: 4 })
  expect(sumOf({ ...c, mounts: [] }, printed)).toMatchObject({
    offMm: 95,
    acrossMm: 110,
    threads: 0,
    gaskets: 1,
    holes: 3,
  })
})

it('says of every part what comes before it is closed: shroud before portrait, dome after aiming', () => {
  const notes = (of: Parameters<typeof device>[0]) => {
    const c = context(of)
    return assessMount(c, proposeMount(c)).drawing.parts.map(({ before }) => before)
  }
  const portrait = {
    heightM: 3,
    targetDistanceM: 8,
    targetHeightM: 1.6,
    level: 'recognise' as const,
    focalMm: 4,
    tiltDeg: 10,
    portrait: true,
    shutterS: 0.01,
    wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
    place: null,
  }
  expect(
    notes({ cameraId: 'large-dome-4mp', mountIds: ['wall-arm', 'pendant-hood'] }).map(
      (note) => note?.split(' ')[0],
    ),
  ).toEqual(['Put', 'Screw', 'The'])
  expect(notes({ mountIds: [], sight: portrait })).toEqual([
    'Sun shroud off before it is turned to portrait, on again after.',
  ])
  expect(notes({ mountIds: [] })).toEqual([null])
})
