import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { EXPOSURES } from '../job'
import { USUAL_POLICIES } from '../job'
import { resolve } from '../parts'
import { device, job } from '@/testing/jobs'
import { assessSeal, common, covers, printTests, proposeSeal, testsOf } from '.'

const context = (change: Parameters<typeof device>[0] = {}, policies = USUAL_POLICIES) => {
  const found = resolve(device(change), job({ policies }), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}

/** IEC 60529: immersion (7, 8) does not include jets (5, 6); a dual code stands for both. */
describe('ingress tests are sets, not a ladder', () => {
  it.each([
    [['IP66'], [6], true],
    [['IP66'], [7], false],
    [['IP67'], [5], false],
    [['IP67'], [4], true],
    [['IP68'], [7], true],
    [['IP66', 'IP68'], [6, 7], true],
    [['IP42'], [4], false],
    [['nonsense'], [1], false],
  ])('%j covers %j: %s', (ratings, needed, expected) =>
    expect(covers(testsOf(ratings), needed)).toBe(expected),
  )
  it('prints what the whole chain has passed', () => {
    expect(printTests(common([testsOf(['IP66', 'IP67']), testsOf(['IP66'])]))).toBe('IPX6')
    expect(printTests(common([testsOf(['IP67']), testsOf(['IP66'])]))).toBe('IPX4')
    expect(printTests(testsOf(['IP66', 'IP68']))).toBe('IPX6/IPX8')
    expect(printTests(new Set())).toBe('IPX0')
  })
  it('never gains a test by one more link', () => {
    const ratings = fc.subarray(['IP42', 'IP54', 'IP65', 'IP66', 'IP67', 'IP68'])
    fc.assert(
      fc.property(fc.array(ratings, { minLength: 1 }), ratings, (links, one) => {
        const before = common(links.map(testsOf))
        for (const test of common([...links, one].map(testsOf))) expect(before.has(test)).toBe(true)
      }),
    )
  })
})

describe('findings', () => {
  const bad = (
    on: Parameters<typeof device>[0],
    opening: string,
    sealId: string | null,
    cables = 1,
    policies = USUAL_POLICIES,
  ) => {
    const c = context(on, policies)
    const choices = proposeSeal(c).choices.map((choice) =>
      choice.opening === opening ? { opening, sealId, cables } : choice,
    )
    return assessSeal(c, { choices })
      .findings.filter(({ verdict }) => verdict !== 'good')
      .map(({ id }) => id)
  }
  it.each<[string, Parameters<typeof device>[0], string, string | null, number]>([
    ['seal/open:mount-0/entry', {}, 'mount-0/entry', null, 1],
    [
      'seal/grip:camera/entry',
      { cameraId: 'panoramic-12mp', mountIds: [] },
      'camera/entry',
      'grommet-slim',
      1,
    ], // 6.2 mm in 3.5–5.0
    ['seal/shared:mount-0/entry', {}, 'mount-0/entry', 'gland-m20', 2],
    ['seal/hole:mount-0/entry', {}, 'mount-0/entry', 'gland-m25', 1],
    ['seal/kind:mount-0/entry', {}, 'mount-0/entry', 'tape', 1],
    ['seal/rating:camera/tail', { mountIds: [] }, 'camera/tail', 'tape', 1],
    ['seal/built-in:camera/dome', { cameraId: 'mini-dome-2mp', mountIds: [] }, '-', null, 1],
  ])('finds %s', (expected, on, opening, sealId, cables) =>
    expect(bad(on, opening, sealId, cables)).toContain(expected),
  )

  /** Common practice: a slim grommet for 3.5–5.0 mm takes thin 4.8 mm cable, not ordinary 5.2 mm. */
  it('tells thin cable from ordinary in a slim grommet', () => {
    const all = { cameraId: 'panoramic-12mp', mountIds: [], exposure: 'under a soffit' as const }
    expect(bad({ ...all, cableId: 'cat5e-thin' }, 'camera/entry', 'grommet-slim')).toEqual([])
    expect(bad({ ...all, cableId: 'cat5e' }, 'camera/entry', 'grommet-slim')).toContain(
      'seal/grip:camera/entry',
    )
  })
  it('allows tape inside a box by exposure, and asks for the coupling where the job always fits it', () => {
    expect(bad({}, 'camera/tail', 'tape')).toEqual([])
    expect(bad({}, 'camera/tail', 'tape', 1, { ...USUAL_POLICIES, sealing: 'always' })).toEqual([
      'seal/policy',
    ])
  })
  it('keeps coax and power joints in the box under either policy: no coupling is made for them', () => {
    const coax = { cameraId: 'analogue-bullet-2mp', cableId: 'rg59-18-2' }
    const always = { ...USUAL_POLICIES, sealing: 'always' as const }
    expect(bad(coax, 'camera/tail', 'tape', 1, always)).toEqual([])
    expect(bad({ ...coax, mountIds: [] }, 'camera/tail', 'tape', 1, always)).toContain(
      'seal/rating:camera/tail',
    )
  })
  it('names the weakest opening', () => {
    const c = context()
    const result = assessSeal(c, proposeSeal(c))
    expect(result.headline).toEqual({ text: 'IPX6' })
    expect(result.drawing.weakest).not.toBeNull()
  })
})

it('proposes a whole chain for every camera wherever the catalogue can close it', () => {
  for (const exposure of ['dry indoors', 'under a soffit', 'open weather', 'marine'] as const) {
    for (const camera of CATALOGUE.cameras.values()) {
      const c = context({
        cameraId: camera.id,
        mountIds: [],
        exposure,
        cableId: camera.id === 'panoramic-12mp' ? 'cat5e-thin' : 'cat6-outdoor',
      })
      const openBy = assessSeal(c, proposeSeal(c)).findings.filter(({ id }) => id.startsWith('seal/open'))
      const closable =
        camera.openings.every(({ holeMm }) => holeMm !== 12) ||
        camera.id === 'panoramic-12mp' ||
        EXPOSURES[exposure].tests.length === 0
      if (closable)
        expect([camera.id, exposure, openBy.map(({ title }) => title)]).toEqual([camera.id, exposure, []])
    }
  }
})
