import fc from 'fast-check'
import { lusolve, matrix, subset, index } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import type { Job, Mount } from '../job'
import { IMPACT_J, resolve } from '../parts'
import { device, job } from '@/testing/jobs'
import { assessMount, climb, mountFacts, proposeMount, velocityPressurePa, windForceN } from '.'

const context = (change: Parameters<typeof device>[0] = {}, on: Partial<Job> = {}) => {
  const found = resolve(device(change), job(on), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const TUBE = { material: 'steel' as const, diameterMm: 114.3, wallMm: 3.6, heightM: 4 }
const ARM = {
  surfaceId: 'hollow-block',
  cameraId: 'large-dome-4mp',
  mountIds: ['wall-arm', 'pendant-rod-500', 'pendant-hood'],
}
const sightAt = (heightM: number, focalMm = 4) => ({
  heightM,
  targetDistanceM: 8,
  targetHeightM: 1.6,
  level: 'recognise' as const,
  focalMm,
  tiltDeg: 10,
  portrait: false,
  shutterS: 0.01,
  wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
  place: null,
})

/** ASCE 7-22, 26.10: 100 mph with every factor 1 → 25.6 lb/ft²; 1 lb/ft² = 47.880 Pa. */
it('gives the velocity pressure of the standard', () => {
  expect(velocityPressurePa(100 * 0.44704, 1) / 47.880_26).toBeCloseTo(25.6, 1)
  expect(windForceN(1000, 0.1)).toBeCloseTo(1000 * 0.85 * 1.3 * 0.1, 9)
})

/** IEC 62262: IK07 2 J, IK08 5 J, IK09 10 J, IK10 20 J. */
it('knows the blows of the impact classes', () =>
  expect(IMPACT_J).toEqual({ IK07: 2, IK08: 5, IK09: 10, IK10: 20 }))

describe('overturning, by a second derivation', () => {
  it('a general matrix library solves the same pull from forces and moments about the lower fixings', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('junction-box', 'wall-arm', 'surface-hood', 'corner-adapter'),
        fc.integer({ min: 2, max: 12 }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        (baseId, fixingCount, windMS) => {
          const c = context({ surfaceId: 'brick', mountIds: [baseId] }, { windMS })
          const facts = mountFacts(c, { ...proposeMount(c), fixingId: 'plug-8', fixingCount })
          const top = Math.max(1, Math.floor(fixingCount / 2))
          // Each part pulls at its own middle; below an arm that turns down the camera hangs at the arm's
          // reach.
          const [base, camera] = [c.mounts[0]!, c.camera]
          const down = base.turns === 'down'
          const outM = [base.reachMm / 2000, (base.reachMm + (down ? 0 : camera.depthMm / 2)) / 1000] as const
          const weightNm = 9.80665 * (base.massKg * outM[0] + camera.massKg * outM[1])
          const spacingM = facts.spacingMm / 1000
          // Unknown: pull of each top fixing and push at the lower ones. Level forces balance; moments
          // about the lower ones balance.
          const solve = (momentNm: number) =>
            subset(
              lusolve(
                matrix([
                  [top, -1],
                  [top * spacingM, 0],
                ]),
                matrix([0, momentNm]),
              ),
              index(0, 0),
            ) as unknown as number
          expect(solve(4 * weightNm)).toBeCloseTo(facts.pullN, 6)
          expect(solve(weightNm + 0.6 * facts.windNm)).toBeCloseTo(facts.blown.pullN, 6)
        },
      ),
      { numRuns: 100 },
    )
  })
})

describe('what is used up', () => {
  const used = (mountIds: string[], fixingCount: number, windMS: number) => {
    const c = context({ surfaceId: 'brick', cameraId: 'large-dome-4mp', mountIds }, { windMS })
    return mountFacts(c, { ...proposeMount(c), fixingId: 'bolt-8', fixingCount }).used
  }
  it('never falls with more weight or wind, never rises with more fixings', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 23 }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (count, windMS, more) => {
          expect(used(['wall-arm', 'pendant-hood'], count + 1, windMS)).toBeLessThanOrEqual(
            used(['wall-arm', 'pendant-hood'], count, windMS) + 1e-12,
          )
          expect(used(['wall-arm', 'pendant-hood'], count, windMS + more)).toBeGreaterThanOrEqual(
            used(['wall-arm', 'pendant-hood'], count, windMS) - 1e-12,
          )
          expect(used(['wall-arm', 'pendant-rod-500', 'pendant-hood'], count, windMS)).toBeGreaterThan(
            used(['wall-arm', 'pendant-hood'], count, windMS),
          )
        },
      ),
    )
  })
  it('is told by the pull and the shear together', () => {
    const c = context(ARM)
    const facts = mountFacts(c, { ...proposeMount(c), fixingId: 'sleeve-hollow', fixingCount: 4 })
    expect(facts.usedByWeight).toBeCloseTo(facts.pullN / 300 + facts.loadN / 4 / 400, 9)
  })
})

describe('the smallest change that passes', () => {
  const advised = (c: ReturnType<typeof context>, mount: Mount) =>
    assessMount(c, mount).findings.find(({ id }) => id === 'mount/load' || id === 'mount/wind')!.advice!
  const change = (of: Parameters<typeof device>[0], mount: Partial<Mount>) => {
    const c = context(of)
    const planned = { ...proposeMount(c), ...mount }
    return { c, mount: planned, says: advised(c, planned) }
  }
  it('uses the holes of the base first, and passes when done', () => {
    const c = context({
      surfaceId: 'brick',
      cameraId: 'large-dome-4mp',
      mountIds: ['wall-arm', 'pendant-hood'],
    })
    const two = { ...proposeMount(c), fixingId: 'bolt-8', fixingCount: 2 }
    const mount = { ...two, makersPullN: mountFacts(c, two).pullN * 0.8 }
    expect(advised(c, mount)).toBe('Use 4 of them: the base has the holes.')
    expect([3, 4].map((fixingCount) => mountFacts(c, { ...mount, fixingCount }).used <= 1)).toEqual([
      false,
      true,
    ])
  })
  it('then the rest of the thread', () =>
    expect(
      change(
        { mountIds: ['wall-arm', 'pendant-hood'], cameraId: 'large-dome-4mp' },
        { fixingId: 'lag-quarter', fixingCount: 4, woodId: 'douglas-fir-larch', threadInWoodMm: 8 },
      ).says,
    ).toMatch(/^Bring all 38 mm of the thread/))
  it('then a fixing that is strong enough, as the boatyard’s arm on hollow block needs', () => {
    const { c, mount, says } = change(ARM, { fixingId: 'sleeve-hollow', fixingCount: 4 })
    expect(mountFacts(c, mount).used).toBeGreaterThan(1)
    expect(says).toMatch(/^Use 4 × Resin anchor/)
    expect(mountFacts(c, { ...mount, fixingId: 'resin-hollow' }).used).toBeLessThanOrEqual(1)
  })
  it('says so when nothing of the catalogue is enough', () => {
    const c = context({ ...ARM, surfaceId: 'existing-box' })
    expect(advised(c, { ...proposeMount(c), fixingId: 'box-screw', makersPullN: 1 })).toMatch(
      /^Use|shorten the arm/,
    )
    const weak = context({
      ...ARM,
      surfaceId: 'ceiling-tile',
      mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-hood'],
    })
    expect(advised(weak, { ...proposeMount(weak), fixingId: 'tile-bolt', makersPullN: 5 })).toMatch(
      /^No fixing of the catalogue is enough/,
    )
  })
})

describe('findings of wind, pole, edges and reach', () => {
  const found = (of: Parameters<typeof device>[0], mount: Partial<Mount> = {}, on: Partial<Job> = {}) => {
    const c = context(of, on)
    return assessMount(c, { ...proposeMount(c), ...mount }).findings
  }
  const POLE = { surfaceId: 'steel-pole', mountIds: ['pole-adapter'] }
  it.each<[string, 'stop' | 'check', Parameters<typeof device>[0], Partial<Mount>, Partial<Job>]>([
    [
      'mount/wind',
      'stop',
      { surfaceId: 'brick', cameraId: 'box-4mp-5-50', mountIds: ['housing-bracket', 'outdoor-housing'] },
      { fixingId: 'bolt-8', makersPullN: 400 },
      { windMS: 120 },
    ],
    ['mount/pole', 'check', POLE, { pole: null }, {}],
    ['mount/band', 'stop', POLE, { pole: { ...TUBE, diameterMm: 219 } }, {}],
    ['mount/shake', 'check', { ...POLE, sight: sightAt(4.5, 12) }, { pole: { ...TUBE, heightM: 6 } }, {}],
    ['mount/edge', 'stop', { surfaceId: 'brick' }, { edgeMm: 20 }, {}],
    ['mount/edge', 'stop', { surfaceId: 'timber-wall' }, { edgeMm: 10 }, {}],
    [
      'mount/slot',
      'stop',
      { surfaceId: 'timber-soffit', mountIds: [] },
      { slotMm: 12, passage: 'coupler' },
      {},
    ],
    [
      'mount/hole-fixing',
      'check',
      { surfaceId: 'brick', mountIds: [], cameraId: 'mini-dome-2mp' },
      { passage: 'tail and plugs' },
      {},
    ],
    ['mount/ladder', 'check', { sight: sightAt(7) }, {}, {}],
    [
      'mount/two-people',
      'check',
      {
        surfaceId: 'steel-pole',
        cameraId: 'large-dome-4mp',
        mountIds: ['pole-adapter', 'wall-arm', 'pendant-rod-500', 'pendant-hood'],
      },
      {},
      {},
    ],
    ['mount/impact', 'check', { sight: sightAt(2.6) }, {}, {}],
  ])('%s is a %s', (id, verdict, of, mount, on) => {
    const one = found(of, mount, on).find((finding) => finding.id === id)
    expect(one).toMatchObject({ verdict })
    expect(one!.advice!.length).toBeGreaterThan(10)
  })
  it('the shake goes with a shorter lens, exactly where the advice says', () => {
    const ids = (focalMm: number) =>
      found({ ...POLE, sight: sightAt(4.5, focalMm) }, { pole: { ...TUBE, heightM: 6 } }).map(({ id }) => id)
    const advice = found({ ...POLE, sight: sightAt(4.5, 12) }, { pole: { ...TUBE, heightM: 6 } }).find(
      ({ id }) => id === 'mount/shake',
    )!.advice!
    const calm = Number(/At ([\d.]+) mm/.exec(advice)![1])
    expect([ids(calm - 0.1).includes('mount/shake'), ids(calm + 0.1).includes('mount/shake')]).toEqual([
      false,
      true,
    ])
  })
  it('a band for every ordinary pole, or the finding names one', () => {
    expect(
      found(POLE, { pole: { ...TUBE, diameterMm: 219 } }).find(({ id }) => id === 'mount/band')!.advice,
    ).toBe('Take Stainless pole band, 150–320 mm.')
    expect(
      found(POLE, { pole: { ...TUBE, diameterMm: 219 }, fixingId: 'pole-band-large' }).map(({ id }) => id),
    ).not.toContain('mount/band')
  })
  it('no wind indoors', () => {
    const c = context({ exposure: 'dry indoors' }, { windMS: 120 })
    expect(mountFacts(c, proposeMount(c)).windN).toBe(0)
  })
})

/** OSHA 29 CFR 1926.1053(b)(1): rails 3 ft (0.9 m) above a landing; overlap from memory of ANSI A14.2. */
it('adds rails and overlap to the ladder', () => {
  const up = climb(3.873)
  expect([up.workingLengthM, up.railsM, up.extensionM!].map((m) => Math.round(m * 100) / 100)).toEqual([
    4, 4.93, 5.84,
  ])
  expect([climb(5.9).tower, climb(6.1).tower]).toEqual([false, true])
})

/** Every kind of mount the product must hold, as a fragment of a job, with what there is to object to. */
describe('the stacks of the trade', () => {
  it.each<[string, Parameters<typeof device>[0], Partial<Mount>, string[]]>([
    ['A1 bullet with its tail in the open', { mountIds: [], surfaceId: 'timber-wall' }, {}, []],
    ['A2 bullet on its junction box', { mountIds: ['junction-box'], surfaceId: 'brick' }, {}, []],
    [
      'A3 modular dome on a soffit',
      { cameraId: 'modular-dome-5mp', mountIds: [], surfaceId: 'timber-soffit' },
      {},
      [],
    ],
    [
      'A4 turret on a box on a rod',
      {
        cameraId: 'turret-5mp-2.8',
        mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
        surfaceId: 'concrete-ceiling',
      },
      {},
      [],
    ],
    [
      'A8 mini dome on a surface plate, two anchors',
      { cameraId: 'mini-dome-2mp', mountIds: ['wall-plate'], surfaceId: 'brick', exposure: 'dry indoors' },
      { fixingCount: 2 },
      [],
    ],
    [
      'A10 soffit dome, tail pushed back',
      { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'timber-soffit' },
      { passage: 'tail and plugs' },
      [],
    ],
    [
      'A11 floodlight on a recessed box',
      { cameraId: 'floodlight-4mp', mountIds: ['recessed-box'], surfaceId: 'timber-wall' },
      {},
      [],
    ],
    [
      'A13 soffit dome beside a vent slot',
      { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'timber-soffit' },
      { slotMm: 10 },
      ['mount/slot stop'],
    ],
    [
      'A14 like for like, hole reused',
      { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'plasterboard-ceiling', exposure: 'dry indoors' },
      { backed: true, fixingId: 'screw-8', woodId: 'spruce-pine-fir', threadInWoodMm: 25 },
      [],
    ],
    [
      'A16 as found: two screws where four are asked for',
      { mountIds: ['junction-box'], surfaceId: 'brick' },
      { fixingCount: 2 },
      ['mount/count stop'],
    ],
    [
      'A17 dome with its back box',
      { cameraId: 'dome-back-box-4mp', mountIds: [], surfaceId: 'brick' },
      {},
      [],
    ],
    [
      'A18 box camera in a housing',
      { cameraId: 'box-4mp-5-50', mountIds: ['housing-bracket', 'outdoor-housing'], surfaceId: 'brick' },
      {},
      [],
    ],
    [
      'A19 large dome, surface',
      { cameraId: 'large-dome-4mp', mountIds: ['surface-hood'], surfaceId: 'concrete-ceiling' },
      {},
      [],
    ],
    [
      'A19 large dome, in the ceiling',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['in-ceiling-kit'],
        surfaceId: 'ceiling-tile',
        exposure: 'dry indoors',
      },
      { tethered: true },
      [],
    ],
    [
      'A19 large dome, pendant',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-hood'],
        surfaceId: 'concrete-ceiling',
      },
      {},
      [],
    ],
    ['A19 large dome, wall arm on hollow block', ARM, { fixingId: 'sleeve-hollow' }, ['mount/load stop']],
    [
      'A19 large dome, pole',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['pole-adapter', 'wall-arm', 'pendant-hood'],
        surfaceId: 'steel-pole',
      },
      {},
      ['mount/shake check'],
    ],
    [
      'A19 large dome, corner',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['corner-adapter', 'wall-arm', 'pendant-hood'],
        surfaceId: 'timber-corner',
      },
      {},
      [],
    ],
    [
      'A19 large dome, electrical box',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['electrical-box-plate', 'surface-hood'],
        surfaceId: 'existing-box',
      },
      {},
      [],
    ],
    ['A20 bullet over a car park', { mountIds: ['junction-box'], surfaceId: 'steel-cladding' }, {}, []],
    [
      'A21 all round, upright on a wall',
      { cameraId: 'panoramic-12mp', mountIds: [], surfaceId: 'brick' },
      {},
      [],
    ],
    [
      'A ceiling tile alone',
      { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'ceiling-tile', exposure: 'dry indoors' },
      {},
      ['mount/tile stop'],
    ],
  ])('%s', (_, of, mount, expected) => {
    const c = context({ ...of, sight: sightAt(3.2, 9) })
    const objections = assessMount(c, { ...proposeMount(c), ...mount })
      .findings.filter(({ verdict }) => verdict !== 'good')
      .map(({ id, verdict }) => `${id} ${verdict}`)
    expect(objections.filter((one) => one !== 'mount/two-people check')).toEqual(expected)
  })
})
