import { NO_RECORDER } from '@/core/terminate/plan'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { anyJob } from '@/testing/anyJob'
import { device, equipment, planned, run, said } from '@/testing/jobs'
import { runs } from '@/testing/runs'
import { carryOut } from '@/testing/simulate'
import { assess, assessAgain, assessDevice } from './assess'
import { neighboursIn } from './derive/neighbours'
import { apply, type Job } from './job'
import { withOwn } from './parts'

/** Every number anywhere in a value, with the path to it. */
function* numbersIn(value: unknown, path = ''): Generator<[string, number]> {
  if (typeof value === 'number') yield [path, value]
  else if (value !== null && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) yield* numbersIn(inner, `${path}/${key}`)
}

describe('assess is total, pure and deterministic', () => {
  it('gives any valid job an assessment without NaN, Infinity or undefined words', () => {
    fc.assert(
      fc.property(anyJob, (j) => {
        const assessment = assess(j, CATALOGUE)
        expect([...numbersIn(assessment)].filter(([, number]) => !Number.isFinite(number))).toEqual([])
        expect(JSON.stringify(assessment)).not.toMatch(/NaN|Infinity|undefined/)
      }),
      { numRuns: runs(1500) },
    )
  })
  it('says the same twice and leaves the job alone', () => {
    fc.assert(
      fc.property(anyJob, (j) => {
        const before = JSON.stringify(j)
        expect(assess(j, CATALOGUE)).toEqual(assess(j, CATALOGUE))
        expect(JSON.stringify(j)).toBe(before)
      }),
      { numRuns: runs(100) },
    )
  })
  it('re-assessed from an earlier assessment it is the same as from nothing', () => {
    fc.assert(
      fc.property(anyJob, fc.nat(3), fc.double({ min: 1, max: 9, noNaN: true }), (j, index, heightM) => {
        const before = { job: j, assessment: assess(j, CATALOGUE) }
        const target = j.devices[index]
        const sight = target?.sight
        if (!target || !sight) return
        const applied = apply(
          j,
          said({ type: 'setPlan', deviceId: target.id, plan: { sight: { ...sight, heightM } } }),
          CATALOGUE,
        )
        if (!applied.ok) throw new Error('refused')
        const again = assessAgain(before, applied.job, CATALOGUE)
        expect(again).toEqual(assess(applied.job, CATALOGUE))
        again.devices.forEach((d, i) => expect(d === before.assessment.devices[i]).toBe(i !== index))
      }),
      { numRuns: runs(300) },
    )
  })
  it('devices that are alike, computed once, come to what each comes to alone, under its own mark', () => {
    let placed = 0
    fc.assert(
      fc.property(anyJob, fc.nat(3), (j, other) => {
        const places = j.devices.map(({ sight }) => sight?.place ?? null)
        const twins = j.devices.map((d, i) => ({
          ...d,
          id: `twin-${d.id}`,
          mark: `T${i}`,
          name: 'Twin',
          replaces: d.id,
          partsKept: 1,
          sight: d.sight && { ...d.sight, place: places[(i + other) % places.length]! },
        }))
        const copies = j.devices.map((d) => ({ ...d, id: `copy-${d.id}` }))
        const used = j.devices.flatMap(({ id, cameraId }) => {
          const tail = CATALOGUE.cameras.get(cameraId)?.unusedTails[0]
          return tail ? [run({ id: `run-${id}`, fromId: id, fromPort: tail })] : []
        })
        const doubled = { ...j, devices: [...j.devices, ...copies, ...twins], runs: used }
        const of = <T extends { readonly deviceId: string | null }>(all: readonly T[], id: string) =>
          all.filter(({ deviceId }) => deviceId === id)
        const { records, photos, faults } = doubled
        const catalogue = withOwn(CATALOGUE, doubled.ownParts)
        const neighbours = neighboursIn(doubled, catalogue)
        assess(doubled, CATALOGUE).devices.forEach((found, i) => {
          const d = doubled.devices[i]!
          const recorded = {
            records: of(records, d.id),
            photos: of(photos, d.id),
            faults: of(faults, d.id),
          }
          expect(found).toEqual(assessDevice(d, doubled, CATALOGUE, recorded, neighbours))
          const pull = found.steps.find(({ step }) => step.id === 'route/pull')
          if (pull) expect(pull.step.detail).toMatch(new RegExp(`^Mark both ends ${d.mark} before`))
          if (found.stages?.sight?.input.place) placed++
        })
      }),
      { numRuns: runs(150) },
    )
    expect(placed).toBeGreaterThan(10)
  })
  it('advises on every finding that is not good', () => {
    fc.assert(
      fc.property(anyJob, (j) => {
        for (const d of assess(j, CATALOGUE).devices)
          for (const f of d.findings)
            expect([f.id, f.verdict === 'good' || (f.advice ?? '').length > 3, f.reason.length > 3]).toEqual([
              f.id,
              true,
              true,
            ])
      }),
      { numRuns: runs(200) },
    )
  })
})

/** The kinds of install that the product must hold, as combinations of the same parts: no special cases. */
describe('every kind of install is expressible and assessed', () => {
  const DC = [equipment({ id: 'dc', name: 'Supply', partId: 'dc-12-5' })]
  const MAINS = [equipment({ id: 'm', name: 'Lighting', partId: 'mains-circuit' })]
  const HIGH = [equipment({ id: 's', name: 'Switch', partId: 'switch-8-high' })]
  it.each<[string, Parameters<typeof device>[0], Job['equipment'] | undefined, string[], string[]]>([
    [
      'A1 tail in the open with a slip-on coupling',
      {
        mountIds: [],
        seal: { choices: [{ opening: 'camera/tail', sealId: 'coupling-slip-on', cables: 1 }] },
      },
      undefined,
      [],
      ['terminate/thread-on', 'seal/tails'],
    ],
    ['A2 bullet on a box', {}, undefined, [], ['seal/before-closing']],
    ['A3 modular dome', { cameraId: 'modular-dome-5mp', mountIds: [] }, undefined, [], ['aim/tilt']],
    [
      'A4 turret on box on rod',
      {
        cameraId: 'turret-5mp-2.8',
        mountIds: ['ceiling-plate', 'pendant-rod-500', 'pendant-box'],
        surfaceId: 'concrete-ceiling',
        exposure: 'under a soffit',
      },
      undefined,
      [],
      ['mount/fix'],
    ],
    [
      'A5 analogue on combined cable',
      { cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' },
      DC,
      [],
      ['power/volts', 'terminate/camera-end'],
    ],
    [
      'A7 outdoor switch feeds it',
      { exposure: 'marine' },
      [equipment({ id: 'o', name: 'Jetty switch', partId: 'switch-outdoor-4' })],
      [],
      ['seal/grease'],
    ],
    [
      'A8 mini dome on a plate',
      {
        cameraId: 'mini-dome-2mp',
        mountIds: ['wall-plate'],
        surfaceId: 'brick',
        exposure: 'dry indoors',
        cableId: 'cat5e',
        accessoryIds: ['memory-card'],
      },
      undefined,
      [],
      ['mount/accessory-memory-card'],
    ],
    [
      'A9 protectors at both ends',
      { cableId: 'cat6-screened-outdoor', accessoryIds: ['protector-pair'] },
      undefined,
      [],
      ['power/accessory-protector-pair'],
    ],
    [
      'A10 soffit camera through the loft',
      { cameraId: 'bullet-2mp-4', mountIds: [], surfaceId: 'timber-soffit', exposure: 'under a soffit' },
      undefined,
      [],
      ['route/pull'],
    ],
    [
      'A11 floodlight on mains',
      {
        cameraId: 'floodlight-4mp',
        mountIds: ['recessed-box'],
        cableId: 'mains-14-2',
        exposure: 'under a soffit',
      },
      MAINS,
      [],
      ['power/mains'],
    ],
    [
      'A12 four-part gland on a ladder',
      {
        mountIds: [],
        seal: { choices: [{ opening: 'camera/tail', sealId: 'coupling-four-part', cables: 1 }] },
      },
      undefined,
      [],
      ['terminate/thread-on'],
    ],
    [
      'A13 soffit dome',
      { cameraId: 'dome-4mp-vf', mountIds: [], surfaceId: 'timber-soffit', exposure: 'under a soffit' },
      undefined,
      [],
      ['terminate/wire-map'],
    ],
    [
      'A15 crimped RG6',
      {
        cameraId: 'analogue-bullet-2mp',
        cableId: 'rg6',
        terminate: { cameraEndId: 'bnc-crimp-6', headEndId: 'bnc-crimp-6', ...NO_RECORDER },
      },
      DC,
      ['power/match'],
      ['terminate/camera-end'],
    ],
    [
      'A17 dome with piercing grommets',
      {
        cameraId: 'dome-back-box-4mp',
        mountIds: [],
        surfaceId: 'brick',
        seal: { choices: [{ opening: 'camera/entry', sealId: 'grommet-piercing', cables: 1 }] },
      },
      undefined,
      [],
      ['seal/camera/entry'],
    ],
    [
      'A18 box camera in a housing',
      { cameraId: 'box-4mp-5-50', mountIds: ['housing-bracket', 'outdoor-housing'], surfaceId: 'brick' },
      undefined,
      [],
      ['seal/mount-1/gland'],
    ],
    [
      'A19 large dome on arm, pole',
      {
        cameraId: 'large-dome-4mp',
        mountIds: ['pole-adapter', 'wall-arm', 'pendant-hood'],
        surfaceId: 'steel-pole',
        accessoryIds: ['ferrite'],
      },
      HIGH,
      [],
      ['power/accessory-ferrite'],
    ],
    [
      'A20 fed through an in-line adapter',
      { accessoryIds: ['in-line-adapter'] },
      undefined,
      [],
      ['power/accessory-in-line-adapter'],
    ],
    [
      'A21 all-round, vertical on a wall',
      {
        cameraId: 'panoramic-12mp',
        mountIds: [],
        surfaceId: 'brick',
        cableId: 'cat5e-thin',
        exposure: 'under a soffit',
      },
      undefined,
      [],
      ['seal/cable'],
    ],
  ])('%s', (_, change, pieces, expectedStops, expectedSteps) => {
    const { assessment, device: of } = planned(change, pieces)
    expect(assessment.missing).toEqual([])
    const beyond = assessment.findings
      .filter(({ verdict, stage }) => verdict === 'stop' && stage !== 'sight')
      .map(({ id }) => id)
    expect(beyond).toEqual(expectedStops)
    expect(assessment.steps.map(({ step }) => step.id)).toEqual(expect.arrayContaining(expectedSteps))
    expect(new Set(assessment.steps.map(({ step }) => step.id)).size).toBe(assessment.steps.length)
    const ids = assessment.steps.map(({ step }) => step.id)
    expect(carryOut(of, ids)).toBeNull()
  })
})
