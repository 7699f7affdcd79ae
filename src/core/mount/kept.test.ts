import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough, said } from '@/testing/jobs'
import { assess, assessDevice } from '../assess'
import { cures } from '../findings'
import { apply, type Device, type Job } from '../job'
import { pullSheet } from '../pull'
import { printReading } from '../units'

/** What stays where it was: parts of a stack, and the hole that the cable comes through. */

const PENDANT = ['wall-arm', 'pendant-rod-500', 'pendant-hood']
const pendant = (partsKept: number, laid: 'new' | 'kept' = 'kept'): Device =>
  on(device({ cameraId: 'large-dome-4mp', mountIds: PENDANT, surfaceId: 'brick', partsKept }), laid)
const boxed = (partsKept: number, laid: 'new' | 'kept' = 'kept'): Device => on(device({ partsKept }), laid)
function on(bare: Device, laid: 'new' | 'kept'): Device {
  const planned = plannedThrough(bare)
  return { ...planned, route: { ...planned.route!, laid } }
}
const assessed = (one: Device) => assessDevice(one, job(), CATALOGUE)
const stepIds = (one: Device) => assessed(one).steps.map(({ step }) => step.id)
const hidden = (one: Device) =>
  assessed(one)
    .findings.filter(({ id }) => id.startsWith('mount/hidden'))
    .map(({ id, figure }) => `${id} ${figure && printReading(figure, 'metric')}`)

const FOR_THE_BASE = ['mount/pilot', 'mount/cable-hole', 'mount/wall-hole', 'mount/fix', 'mount/level']

describe('parts that stay', () => {
  it('are looked over before anything hangs on them; nothing is drilled, fixed or levelled for them', () => {
    const made = stepIds(boxed(0, 'new'))
    expect(made).toEqual(expect.arrayContaining(FOR_THE_BASE))
    const ids = stepIds(boxed(1))
    expect(ids.filter((id) => FOR_THE_BASE.includes(id))).toEqual([])
    const at = (id: string) => ids.indexOf(id)
    expect(at('mount/kept-parts')).toBeGreaterThan(at('mount/reach'))
    expect(at('mount/tug')).toBeGreaterThan(at('mount/kept-parts'))
    expect(at('mount/camera')).toBeGreaterThan(at('mount/tug'))
    expect(stepIds(pendant(2)).filter((id) => id.startsWith('mount/join'))).toEqual(['mount/join-2'])
  })
  it('are not loaded, nor their fixings, nor a bit for their holes', () => {
    const taken = (one: Device) => {
      const { van, drills } = pullSheet(job({ devices: [one] }), CATALOGUE)
      const of = (kind: string) => van.filter((line) => line.kind === kind).length
      return { mounts: of('mount'), fixings: of('fixing'), bits: of('bit'), drills: drills.length }
    }
    expect(taken(pendant(0, 'new'))).toEqual({ mounts: 3, fixings: 1, bits: 2, drills: 2 })
    expect(taken(pendant(2))).toEqual({ mounts: 1, fixings: 0, bits: 0, drills: 0 })
  })
  it('are never called Good: neither their fixings nor what closes them', () => {
    const goods = (one: Device) =>
      assessed(one).findings.flatMap(({ id, verdict }) => (verdict === 'good' ? [id] : []))
    expect(goods(boxed(0, 'new'))).toEqual(expect.arrayContaining(['mount/load', 'seal/chain']))
    expect(goods(boxed(1)).filter((id) => /^(mount|seal)/.test(id))).toEqual([])
    const { mount, seal } = assessed(boxed(1)).stages!
    expect(mount.unjudged.join()).toMatch(/fixings of the junction box that stays/)
    expect(seal.unjudged.join()).toMatch(/What closes what stays \(junction box\)/)
  })
  it('their fixings too near an edge stop them as new ones do, once the edge is measured', () => {
    const at = (edgeMm: number) => {
      const one = boxed(1)
      const { findings } = assessed({ ...one, mount: { ...one.mount!, edgeMm } })
      return findings.some(({ id, verdict }) => id === 'mount/edge' && verdict === 'stop')
    }
    // Four diameters of a no. 8 screw (0.164 in) in wood: common practice, no source.
    expect([at(4 * 4.166 - 0.01), at(4 * 4.166 + 0.01)]).toEqual([true, false])
  })
  it('a fixing too weak is changed with its part off: the advice says so', () => {
    const weak = { ...boxed(1), mount: { ...boxed(1).mount!, makersPullN: 1 } }
    const load = assessed(weak).findings.find(({ id }) => id === 'mount/load')
    expect(load).toMatchObject({
      verdict: 'stop',
      advice: expect.stringMatching(/^Take the junction box off first\. /) as string,
    })
  })
  it('and hide what is reached only behind them: a Stop each, gone once that part does not stay', () => {
    expect(hidden(boxed(1))).toEqual([])
    expect(hidden(boxed(1, 'new'))).toEqual(['mount/hidden:seal/mount-0/entry behind the junction box'])
    expect(hidden(pendant(3))).toEqual(['mount/hidden:mount/camera behind the pendant hood'])
    expect(hidden(pendant(2))).toEqual([])
    const [before, after] = [assessed(pendant(3)), assessed(pendant(2))]
    expect(cures('mount/hidden:mount/camera', before.findings, after.findings)).toBe(true)
  })
  it('a new cable is there before the first new part covers where it comes out', () => {
    const ids = stepIds(pendant(1, 'new'))
    expect(ids.indexOf('mount/join-1')).toBeGreaterThan(ids.indexOf('route/pull'))
  })
  it('what goes leaves them where they are, and closes no holes', () => {
    const old = { ...boxed(0, 'new'), id: 'old', mark: '09', state: 'taken away' as const }
    const down = (partsKept: number) => {
      const yard = job({ devices: [old, { ...boxed(partsKept), replaces: 'old' }] })
      const { steps } = assess(yard, CATALOGUE).devices[0]!
      return steps.find(({ step }) => step.id === 'mount/down')!.step.title
    }
    expect(down(0)).toMatch(/close its holes$/)
    expect(down(1)).toMatch(/leave what stays: junction box, 120 mm$/)
  })
  it('are at most as many as the stack has, whichever of both is changed', () => {
    const yard: Job = job({ devices: [boxed(1)] })
    const change = (to: Partial<Device>) =>
      apply(yard, said({ type: 'editDevice', deviceId: 'device-1', change: to }), CATALOGUE)
    const refused = { ok: false, reasons: [{ path: '/change/partsKept' }] }
    expect(change({ partsKept: 2 })).toMatchObject(refused)
    expect(change({ mountIds: [] })).toMatchObject(refused)
    expect(change({ mountIds: [], partsKept: 0 })).toMatchObject({ ok: true })
  })
})

describe('a hole that was there', () => {
  const held = (mount: Partial<NonNullable<Device['mount']>>) => {
    const one = boxed(0, 'new')
    return { ...one, mount: { ...one.mount!, ...mount } }
  }
  it('is not drilled, and is sealed round the cable all the same', () => {
    const ids = stepIds(held({ hole: 'kept', holeMm: 12 }))
    expect([ids.includes('mount/cable-hole'), ids.includes('mount/wall-hole')]).toEqual([false, true])
    const { drills } = pullSheet(job({ devices: [held({ hole: 'kept' })] }), CATALOGUE)
    expect(drills.map(({ purpose }) => purpose)).toEqual(['pilot'])
  })
  it('is judged by its width where it was measured, and told as not judged where not', () => {
    const said = (mount: Parameters<typeof held>[0]) => {
      const { findings, stages } = assessed(held(mount))
      const about = findings.filter(({ id }) => /^mount\/hole/.test(id)).map(({ id }) => id)
      return [about, stages!.mount.unjudged.some((line) => line.startsWith('The hole that is there'))]
    }
    expect(said({ hole: 'kept' })).toEqual([[], true])
    expect(said({ hole: 'kept', holeMm: 12 })).toEqual([['mount/hole-width'], false])
    // So wide that a box of 120 mm no longer covers it.
    expect(said({ hole: 'kept', holeMm: 119 })[0]).toContain('mount/hole-cover')
    expect(said({})).toEqual([[], false])
  })
})
