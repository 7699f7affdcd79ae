import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import { EXPOSURES, type Device, type Job } from '../job'
import { USUAL_POLICIES } from '../job'
import { NOT_MEASURED, resolve } from '../parts'
import { assessSeal, closedOpenings, proposeSeal, testsOf } from '.'

const context = (
  change: Partial<Device> = {},
  policies: Job['policies'] = USUAL_POLICIES,
  cableMm: number | null = null,
) => {
  const found = resolve(device(change), job({ policies }), CATALOGUE, { ...NOT_MEASURED, cableMm })
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}
const bad = (c: ReturnType<typeof context>, choices = proposeSeal(c)) =>
  assessSeal(c, choices)
    .findings.filter(({ verdict }) => verdict !== 'good')
    .map(({ id }) => id)

describe('a bead with its bottom open', () => {
  /**
   * IEC 60529: test 4 is splashing from all sides, 5 and 6 are jets. What gets behind the edge runs out
   * below: common practice, no source.
   */
  it('stands for driven rain and not for jets or dust', () => {
    expect([...testsOf(CATALOGUE.seals.get('silicone')!.ratings)]).toEqual([1, 2, 3, 4])
    const edge = (exposure: Device['exposure']) =>
      bad(context({ exposure })).filter((id) => id.endsWith('edge'))
    expect(
      ['under a soffit', 'open weather', 'marine'].map((exposure) => edge(exposure as Device['exposure'])),
    ).toEqual([[], [], []])
    // nothing of the catalogue closes it under water
    expect(edge('buried or flooding')).toEqual(['seal/open:mount-0/edge'])
  })
  it('does not lend its rating to the box behind it, nor take the box’s away', () => {
    const { figures } = assessSeal(context(), proposeSeal(context()))
    const says = (label: string) => figures.find((figure) => figure.label.startsWith(label))?.reading
    expect(says('The whole chain holds')).toEqual({ text: 'IPX6' })
    expect(says('Edge against the wall')).toEqual({ text: 'IPX4: driven rain, not jets' })
  })
})

it('the policy to always seal leaves the joint where it lies', () => {
  for (const mountIds of [['junction-box'], []]) {
    const joint = (sealing: Job['policies']['sealing']) => {
      const c = context({ mountIds }, { ...USUAL_POLICIES, sealing })
      return closedOpenings(c, proposeSeal(c)).find(({ opening }) => opening.kind === 'tail joint')!
    }
    expect([joint('always').place, joint('always').needs]).toEqual([
      joint('by exposure').place,
      joint('by exposure').needs,
    ])
    expect(joint('always').seal!.kind).toBe('coupling kit')
  }
})

describe('dust', () => {
  /** IEC 60529, first digit: 5 dust-protected, 6 dust-tight. */
  it('is judged by its own digit, and a rating that names none is not good enough', () => {
    expect(EXPOSURES.marine.dust).toBe(5)
    const indoorDome = { cameraId: 'mini-dome-2mp', mountIds: [] }
    expect(bad(context({ ...indoorDome, exposure: 'dry indoors' }))).toEqual([])
    const rated = (builtIn: string) => {
      const c = context({ cameraId: 'dome-4mp-vf', mountIds: [] })
      const camera = {
        ...c.camera,
        openings: c.camera.openings.map((o) => (o.key === 'base' ? { ...o, builtIn: [builtIn] } : o)),
      }
      return bad({ ...c, camera }).filter((id) => id === 'seal/dust:camera/base').length
    }
    expect(['IP46', 'IP56', 'IP66', 'IPX6'].map(rated)).toEqual([1, 0, 0, 1])
  })
})

it('every seal the cable passes is judged against the jacket as measured, at both ends of its range', () => {
  const c = (mm: number | null) => context({}, USUAL_POLICIES, mm)
  const planned = {
    choices: proposeSeal(c(null)).choices.map((one) =>
      one.opening === 'mount-0/entry' ? { ...one, sealId: 'gland-m20' } : one,
    ),
  } // grips 6 to 12 mm
  const grips = (mm: number) => !bad(c(mm), planned).includes('seal/grip:mount-0/entry')
  expect([5.99, 6, 6.01, 11.99, 12, 12.01].map(grips)).toEqual([false, true, true, true, true, false])
})
