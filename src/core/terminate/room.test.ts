import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough } from '@/testing/jobs'
import { assessDevice } from '../assess'
import { cures } from '../findings'
import type { Device } from '../job'
import { USUAL_ALLOWANCES } from '../job'
import { FED_FREELY, type CoilPlace } from '../route/plan'

/** Whether the joint, its tails and the slack find room in the box in which they end up. */

const slack = (deviceSlackM: number, sealing: 'always' | 'by exposure' = 'by exposure') =>
  job({
    policies: { ...job().policies, sealing },
    allowances: { ...USUAL_ALLOWANCES, deviceSlackM },
  })
const assessed = (one: Device, on = slack(1)) => assessDevice(one, on, CATALOGUE)
const room = (one: Device, on = slack(1)) =>
  assessed(one, on).findings.find(({ id }) => id === 'terminate/room')
const boxed = plannedThrough(device())

describe('the room of a joint in its box', () => {
  it('is what is in it: weighed as water in a measuring jug of the same shape', () => {
    // By displacement of pieces 1 cm long: cable 6.2 mm, four tails of 5 mm, a plug of 14.2 mm, in mL (cm³).
    const slice = (acrossCm: number) => Math.PI * (acrossCm / 2) ** 2
    const pieces = (cm: number, acrossCm: number) =>
      Array.from({ length: cm }, () => slice(acrossCm)).reduce((sum, one) => sum + one, 0)
    const expected = pieces(100, 0.62) + 4 * pieces(35, 0.5) + pieces(6, 1.42)
    expect(room(boxed)!.figure).toMatchObject({ kind: 'volume' })
    expect((room(boxed)!.figure as { value: number }).value).toBeCloseTo(expected, 1)
  })
  it('takes more where the full coupling is fitted, and less where a ready-made lead is coiled elsewhere', () => {
    const taken = (one: Device, on = slack(1)) => (room(one, on)!.figure as { value: number }).value
    const kit = CATALOGUE.seals.get('coupling-slip-on')!
    const sealed = {
      ...boxed,
      seal: { choices: [{ opening: 'camera/tail', sealId: kit.id, cables: 1 }] },
    }
    expect(taken(sealed)).toBeGreaterThan(taken(boxed))
    const lead = { ...boxed, route: { ...boxed.route!, lead: { lengthM: 20, ...FED_FREELY } } }
    expect(taken(lead, slack(1))).toBeCloseTo(taken(lead, slack(5)), 9)
    expect(taken(boxed, slack(5))).toBeGreaterThan(taken(boxed))
  })
  it('takes the surplus of a lead that is coiled there, and is well with it coiled along the way', () => {
    const coiled = (lengthM: number, coilAt: CoilPlace) => ({
      ...boxed,
      route: { ...boxed.route!, lead: { lengthM, fedFrom: null, coilAt } },
    })
    const taken = (lengthM: number) =>
      (room(coiled(lengthM, 'near end'), slack(1))!.figure as { value: number }).value
    // A metre of 6.2 mm takes π · 0.31² · 100 cm³.
    expect(taken(60) - taken(50)).toBeCloseTo(10 * Math.PI * 0.31 ** 2 * 100, 6)
    const before = assessed(coiled(90, 'near end'), slack(1))
    const little = before.findings.find(({ id }) => id === 'terminate/room')!
    expect(little).toMatchObject({
      verdict: 'check',
      advice: 'Coil the surplus of the lead at the head end instead.',
    })
    const after = assessed(coiled(90, 'far end'), slack(1))
    expect(cures('terminate/room', before.findings, after.findings)).toBe(true)
  })
  it('wants a look where it is little; with the slack that is advised it is gone and no other has come', () => {
    const before = assessed(boxed, slack(5))
    const little = before.findings.find(({ id }) => id === 'terminate/room')!
    expect(little).toMatchObject({ verdict: 'check', short: 'little room in the box' })
    const [, metres] = /^Leave ([\d.]+) m of slack/.exec(little.advice!)!
    const after = assessed(boxed, slack(Number(metres)))
    expect(cures('terminate/room', before.findings, after.findings)).toBe(true)
    // A decimetre more is too much: the advice gives away no slack that may stay.
    expect(room(boxed, slack(Number(metres) + 0.1))!.verdict).toBe('check')
  })
  it('names a part that fits in its place and holds enough, where slack alone does not do', () => {
    const tails = [...CATALOGUE.cameras.get('bullet-4mp-vf')!.unusedTails, 'a', 'b', 'c', 'd', 'e', 'f', 'g']
    const cameras = new Map(CATALOGUE.cameras)
    cameras.set('bullet-4mp-vf', {
      ...cameras.get('bullet-4mp-vf')!,
      unusedTails: tails,
      tailsMm: 1000,
    })
    const many = { ...CATALOGUE, cameras }
    const judged = (one: Device) =>
      assessDevice(one, slack(1), many).findings.find(({ id }) => id === 'terminate/room')
    expect(judged(boxed)).toMatchObject({
      verdict: 'check',
      advice: expect.stringMatching(/^Take the round back box/) as string,
    })
    expect(judged({ ...boxed, mountIds: ['round-back-box'] })).toMatchObject({ verdict: 'good' })
  })
  it('is not judged where nobody said how much there is, and that is told; nor of what lies in no box', () => {
    const unjudged = (change: Partial<Device>, catalogue = CATALOGUE) => {
      const { stages, findings } = assessDevice(
        plannedThrough(device(change)),
        job({ devices: [] }),
        catalogue,
      )
      const told = stages!.terminate.unjudged.filter((line) => line.startsWith('Whether joint and slack'))
      return [findings.some(({ id }) => id === 'terminate/room'), told.length]
    }
    expect(unjudged({})).toEqual([true, 0])
    expect(unjudged({ mountIds: [] })).toEqual([false, 0])
    expect(
      unjudged({ cameraId: 'floodlight-4mp', mountIds: ['recessed-box'], cableId: 'mains-14-2' }),
    ).toEqual([false, 0])
    const mounts = new Map(CATALOGUE.mounts)
    mounts.set('junction-box', { ...mounts.get('junction-box')!, volumeMl: undefined })
    expect(unjudged({}, { ...CATALOGUE, mounts })).toEqual([false, 1])
  })
})
