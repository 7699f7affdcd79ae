import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import type { Job, Mount } from '../job'
import { METRIC_BITS } from './limits'
import { resolve } from '../parts'
import {
  assessMount,
  bitMm,
  climb,
  exposureCoefficient,
  footOf,
  holeSpots,
  holeWords,
  hungParts,
  leastThreadMm,
  mountFacts,
  pilotMm,
  proposeMount,
  sideAreaM2,
} from '.'

const context = (change: Parameters<typeof device>[0] = {}, on: Partial<Job> = {}) => {
  const found = resolve(device(change), job(on), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const sightAt = (heightM: number) => ({
  heightM,
  targetDistanceM: 8,
  targetHeightM: 1.6,
  level: 'recognise' as const,
  focalMm: 4,
  tiltDeg: 10,
  portrait: false,
  shutterS: 0.01,
  wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
  place: null,
})
const verdicts = (of: Parameters<typeof device>[0], mount: Partial<Mount> = {}, on: Partial<Job> = {}) => {
  const c = context(of, on)
  return assessMount(c, { ...proposeMount(c), ...mount }).findings.map(
    ({ id, verdict }) => `${id} ${verdict}`,
  )
}
const fixing = (id: string) => CATALOGUE.fixings.get(id)!

/** ASCE 7-16 table 26.10-1, from memory: Kz by height (ft) for exposure B, C and D. */
it('gives the exposure coefficients of the table', () => {
  const table: [number, number, number, number][] = [
    [15, 0.57, 0.85, 1.03],
    [20, 0.62, 0.9, 1.08],
    [30, 0.7, 0.98, 1.16],
    [40, 0.76, 1.04, 1.22],
    [60, 0.85, 1.13, 1.31],
  ]
  for (const [ft, b, c, d] of table) {
    const [kb, kc, kd] = (['built-up', 'open', 'water'] as const).map((terrain) =>
      exposureCoefficient(terrain, ft * 0.3048),
    )
    expect(Math.abs(kb! - b)).toBeLessThan(0.011)
    expect(Math.abs(kc! - c)).toBeLessThan(0.011)
    expect(Math.abs(kd! - d)).toBeLessThan(0.011)
  }
  expect(exposureCoefficient('open', 0)).toBe(exposureCoefficient('open', 4.572))
})

describe('levers', () => {
  it('an arm that turns down carries what hangs below it at its own reach, however long that is', () => {
    const hung = hungParts(
      context({
        surfaceId: 'brick',
        cameraId: 'large-dome-4mp',
        mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'],
      }),
    )
    expect(hung.map(({ outM }) => outM)).toEqual([0.15, 0.3, 0.3, 0.3])
    expect(hung.map(({ dropM }) => Math.round(dropM * 1000))).toEqual([0, 250, 545, 675])
  })
  it('a longer rod adds wind but no turning of its weight beyond its reach', () => {
    const facts = (mountIds: string[]) => {
      const c = context({ surfaceId: 'brick', cameraId: 'large-dome-4mp', mountIds })
      return mountFacts(c, { ...proposeMount(c), fixingId: 'bolt-8', fixingCount: 4 })
    }
    const [short, long] = [
      facts(['wall-arm', 'pendant-hood']),
      facts(['wall-arm', 'pendant-rod-500', 'pendant-hood']),
    ]
    // the rod's own 0.8 kg at 0.3 m
    expect(long.weightNm - short.weightNm).toBeCloseTo(0.8 * 9.80665 * 0.3, 9)
    expect(long.windNm).toBeGreaterThan(1.5 * short.windNm)
  })
  it('under a ceiling the weight turns nothing, the wind swings the whole drop', () => {
    const c = context({
      surfaceId: 'concrete-ceiling',
      cameraId: 'turret-5mp-2.8',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
    })
    const facts = mountFacts(c, proposeMount(c))
    expect([facts.weightNm, facts.pullN]).toEqual([0, facts.loadN / proposeMount(c).fixingCount])
    // Plate, rod, box and turret by hand: F = q·0.85·1.3·A at 20, 290, 565 and 637.5 mm.
    const q = 0.613 * exposureCoefficient('open', 0) * 45 ** 2 * 0.85 * 1.3
    expect(facts.windNm).toBeCloseTo(
      q * (0.12 * 0.04 * 0.02 + 0.042 * 0.5 * 0.29 + 0.12 * 0.05 * 0.565 + 0.11 * 0.095 * 0.6375),
      6,
    )
  })
  it('a camera in a housing meets the wind once', () => {
    const c = context({
      surfaceId: 'brick',
      cameraId: 'box-4mp-5-50',
      mountIds: ['housing-bracket', 'outdoor-housing'],
    })
    expect(sideAreaM2(c.mounts, c.camera)).toBeCloseTo(0.042 * 0.21 + 0.12 * 0.4, 9)
  })
})

describe('wood', () => {
  /**
   * NDS 12.1.4: lead holes of 65–85 % (G above 0.6), 60–75 % (above 0.5), 40–70 % (up to 0.5) of a lag's
   * diameter.
   */
  it('lead holes of lags lie in the range of the standard, in whatever bits the job drills', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.36, 0.42, 0.5, 0.5001, 0.55, 0.6, 0.6001, 0.7),
        fc.constantFrom('metric' as const, 'imperial' as const),
        (g, units) => {
          const share = bitMm(pilotMm(fixing('lag-quarter'), g)!, 'pilot', units) / 6.35
          const softer = g > 0.5 ? ([0.6, 0.75] as const) : ([0.4, 0.7] as const)
          const [low, high] = g > 0.6 ? [0.65, 0.85] : softer
          expect(share).toBeGreaterThanOrEqual(low)
          expect(share).toBeLessThanOrEqual(high)
        },
      ),
    )
  })
  /** NDS 12.1.5: wood screws count from 6 D; 12.1.4: lags from 4 D. No. 8 is 0.164 in. */
  it('asks for the least thread, exactly', () => {
    expect(leastThreadMm(fixing('screw-8'))!).toBeCloseTo(6 * 0.164 * 25.4, 1)
    expect(leastThreadMm(fixing('lag-quarter'))).toBeCloseTo(25.4, 9)
    const least = leastThreadMm(fixing('screw-8'))!
    const short = (threadInWoodMm: number) =>
      verdicts({}, { fixingId: 'screw-8', threadInWoodMm }).includes('mount/thread stop')
    expect([short(least - 0.01), short(least), short(least + 0.01)]).toEqual([true, false, false])
  })
  /**
   * NDS table 2.3.2: C_D 0.9 for permanent load, 1.6 for wind. No. 8 in G 0.50: 117 lb/in (published), 27
   * mm of thread, dry.
   */
  it('takes the permanent duration for weight and the wind’s for wind', () => {
    const c = context({ exposure: 'under a soffit' })
    const facts = mountFacts(c, {
      ...proposeMount(c),
      fixingId: 'screw-8',
      woodId: 'douglas-fir-larch',
      threadInWoodMm: 27,
    })
    const reference = 116.85 * 4.4482216 * (27 / 25.4)
    expect(facts.capacityN).toBeCloseTo(0.9 * reference, 0)
    expect(facts.blown.capacityN).toBeCloseTo(1.6 * reference, 0)
  })
})

describe('holes and bits', () => {
  it('an anchor never gets a larger hole than it allows, in either drill index, and one size on every list', () => {
    for (const { id, holeMm, holeFit } of CATALOGUE.fixings.values()) {
      if (holeMm === null || holeMm === 0) continue
      for (const units of ['metric', 'imperial'] as const) {
        const bit = bitMm(holeMm, holeFit, units)
        expect([
          id,
          units,
          holeFit === 'clear' ? bit >= holeMm : bit <= holeMm + 0.2 && bit > holeMm - 0.7,
        ]).toEqual([id, units, true])
      }
    }
    expect(bitMm(6, 'anchor', 'imperial')).toBeCloseTo((15 / 64) * 25.4, 9) // 1/4 in lets a 6 mm plug spin
    expect(bitMm(10, 'anchor', 'metric')).toBe(10)
    expect(METRIC_BITS).toContain(10)
  })
  it('says the pattern as the template draws it', () => {
    const size = (mm: number) => `${mm.toFixed(1)} mm`
    for (const [count, spacing] of [
      [2, 85],
      [3, 70],
      [4, 90],
    ] as const) {
      const spots = holeSpots(count, spacing)
      const apart = Math.min(
        ...spots.flatMap((a, i) => spots.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y))),
      )
      expect(holeWords(count, spacing, size)).toContain(`${apart.toFixed(1)} mm apart`)
      expect(Math.max(...spots.map(({ y }) => y)) - Math.min(...spots.map(({ y }) => y))).toBeCloseTo(
        spacing,
        9,
      )
    }
  })
  it('more fixings than holes is a Stop; as many is not', () => {
    expect(verdicts({}, { fixingCount: 5 })).toContain('mount/holes stop')
    expect(verdicts({}, { fixingCount: 4 })).not.toContain('mount/holes stop')
  })
})

describe('where parts may hang', () => {
  it('an arm is no part for a ceiling, a ceiling plate none for a wall, and the other is named', () => {
    const stack = (surfaceId: string, first: string) =>
      assessMount(
        context({ surfaceId, cameraId: 'ptz-2mp', mountIds: [first] }),
        proposeMount(context({ surfaceId, cameraId: 'ptz-2mp', mountIds: [first] })),
      ).findings.find(({ id }) => id === 'mount/facing')
    expect(stack('concrete-ceiling', 'wall-arm')).toMatchObject({
      verdict: 'stop',
      advice: 'Take Ceiling plate with pipe thread.',
    })
    expect(stack('brick', 'ceiling-plate')).toMatchObject({
      verdict: 'stop',
      advice: 'Take Wall arm, 300 mm.',
    })
    expect([stack('brick', 'wall-arm'), stack('concrete-ceiling', 'ceiling-plate')]).toEqual([
      undefined,
      undefined,
    ])
  })
  it('a camera cannot hang above its pole', () => {
    const pole = { material: 'steel' as const, diameterMm: 114.3, wallMm: 3.6, heightM: 5 }
    const above = (heightM: number) =>
      verdicts(
        { surfaceId: 'steel-pole', mountIds: ['pole-adapter'], sight: sightAt(heightM) },
        { pole },
      ).includes('mount/above-pole stop')
    expect([above(4.99), above(5), above(5.01)]).toEqual([false, false, true])
  })
})

describe('a pole under the design wind', () => {
  const pole = { material: 'steel' as const, diameterMm: 114.3, wallMm: 3.6, heightM: 6 }
  /**
   * Statics in slices: each slice of the pole and the device push by q·0.85·1.3·A at their own height. Kz
   * of 6 m in open country.
   */
  it('its foot carries what the slices add up to', () => {
    const foot = footOf(pole, 4.5, 0.03, 45, 'open')
    const q = 0.613 * 2.01 * (6 / 0.3048 / 900) ** (2 / 9.5) * 45 ** 2 * 0.85 * 1.3
    let moment = q * 0.03 * 4.5
    for (let i = 0; i < 6000; i++) moment += q * 0.1143 * 0.001 * (i + 0.5) * 0.001
    expect(foot.momentNm).toBeCloseTo(moment, 1)
    expect(foot.deviceShare).toBeCloseTo((q * 0.03 * 4.5) / moment, 6)
    // Section modulus by the thin-ring handbook formula, π·r²·t, within 4 % of the exact one.
    const thin = (0.6 * moment) / (Math.PI * 0.05535 ** 2 * 0.0036) / 1e6
    expect(Math.abs(foot.stressMPa / thin - 1)).toBeLessThan(0.04)
  })
  it('a thin pole in a gale is stopped, and who answers for it is named when the camera adds much', () => {
    const on = { surfaceId: 'steel-pole', mountIds: ['pole-adapter'], sight: sightAt(4.5) }
    expect(verdicts(on, { pole: { ...pole, diameterMm: 60.3, wallMm: 2 } }, { windMS: 60 })).toContain(
      'mount/pole-strength stop',
    )
    expect(verdicts(on, { pole }, { windMS: 45 })).not.toContain('mount/pole-strength stop')
    expect(verdicts(on, { pole: { ...pole, diameterMm: 60.3 } })).toContain('mount/pole-foot check')
  })
})

/**
 * OSHA 29 CFR 1926.1053(b)(1): side rails at least 3 ft above the landing, upright; ANSI A14.2 from memory:
 * overlap 3 ft to 36 ft, 4 ft to 48 ft, 5 ft to 60 ft.
 */
describe('ladders', () => {
  it('their rails stand 0.9 m above the landing, measured upright', () => {
    for (const heightM of [2.5, 4, 6])
      expect(climb(heightM).railsM * Math.sqrt(1 - 0.25 ** 2)).toBeCloseTo(heightM + 0.9, 9)
  })
  it('overlap by their length', () => {
    for (const [heightM, overlapFt] of [
      [3, 3],
      [8.8, 3],
      [8.9, 4],
      [13, 5],
    ] as const) {
      const { extensionM, railsM } = climb(heightM)
      expect((extensionM! - railsM) / 0.3048).toBeCloseTo(overlapFt, 1)
    }
    expect(climb(18).extensionM).toBeNull()
  })
  it('none is named where a tower is due, nor for a height that nobody gave', () => {
    const labels = (of: Parameters<typeof device>[0]) =>
      assessMount(context(of), proposeMount(context(of)))
        .figures.map(({ label }) => label)
        .filter((label) => /ladder|tower/i.test(label))
    expect(labels({ sight: sightAt(6.1) })).toEqual(['Tower or lift to'])
    expect(labels({ sight: sightAt(6) })).toContain('Ladder, working length')
    expect(labels({})).toEqual(['Ladder'])
  })
})
