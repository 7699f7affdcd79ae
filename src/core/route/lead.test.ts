import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { cures } from '../findings'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess, assessDevice } from '../assess'
import type { Device, Job, ReadyLead, Segment } from '../job'
import { fedLead, type Catalogue, type Connector } from '../parts'

/** Ready-made leads: which end goes first, what that passes, and where what is left of them lies. */

const stretch = (change: Partial<Segment> = {}): Segment => ({
  ...{ id: 'a', space: 'loft', lengthM: 20, riseM: 0, temperatureC: 20, conduitId: null, conduitName: '' },
  ...change,
})
const WAY = [stretch(), stretch({ id: 'b', space: 'wall cavity', lengthM: 2 })]

/** A bullet camera under a soffit on a lead with a wide shell at the camera and a plain plug far from it. */
function camera(lead: Partial<ReadyLead> = {}, change: Partial<Device> = {}, segments = WAY): Device {
  const planned = plannedThrough(device({ exposure: 'under a soffit', ...change }))
  return {
    ...planned,
    cableId: 'lead-thin',
    route: {
      ...planned.route!,
      segments,
      lead: { lengthM: 30, fedFrom: null, coilAt: 'loft', ...lead },
    },
    terminate: { ...planned.terminate!, cameraEndId: 'plug-factory-shell', headEndId: 'plug-factory' },
    ...('seal' in change ? { seal: change.seal! } : {}),
  }
}
const findingsOf = (of: Device, catalogue: Catalogue = CATALOGUE, on: Partial<Job> = {}) =>
  assessDevice(of, job({ devices: [of], ...on }), catalogue).findings
const found = (id: string, of: Device, catalogue?: Catalogue) =>
  findingsOf(of, catalogue).find((one) => one.id === id)
const figure = (label: RegExp, of: Device, stage: 'mount' | 'route') => {
  const { figures } = assessDevice(of, job({ devices: [of] }), CATALOGUE).stages![stage].result
  return figures.find((one) => label.test(one.label))?.reading
}

describe('which end goes first', () => {
  const of = (acrossMm: number | null, made?: Connector['made']) =>
    ({ name: String(acrossMm), acrossMm, made, boot: 'none' }) as Connector
  const ready = (acrossMm: number | null) => of(acrossMm, 'in the factory')
  const goes = (near: number | null, far: number | null, fedFrom: ReadyLead['fedFrom'] = null) => {
    const { from, first, free } = fedLead(ready(near), ready(far), { fedFrom })
    return [from, first!.acrossMm, free]
  }
  it('the narrower, from where the wider stays; the other where somebody says so', () => {
    expect(goes(24, 14)).toEqual(['near end', 14, false])
    expect(goes(14, 24)).toEqual(['far end', 14, false])
    expect(goes(24, 14, 'far end')).toEqual(['far end', 24, false])
  })
  it('either where they are alike, or where nobody knows; unless it is said', () => {
    expect(goes(14, 14)).toEqual(['far end', 14, true])
    expect([goes(null, 14), goes(14, null)]).toEqual([
      ['far end', null, true],
      ['near end', null, true],
    ])
    expect(fedLead(of(24), ready(14), { fedFrom: null })).toMatchObject({ first: null, free: true })
    expect(goes(14, 14, 'near end')).toEqual(['near end', 14, false])
  })
})

/** IEC 60603-7, from memory: a plug is 14.2 mm corner to corner and wants 15 mm; a shell of 24 mm 24.8. */
describe('the hole at the camera', () => {
  const passes = (of: Device, catalogue = CATALOGUE) => {
    const kept = { ...of, mount: { ...of.mount!, hole: 'kept' as const, holeMm: 60 } }
    return (found('mount/hole-width', kept, catalogue)!.limit as { value: number }).value
  }
  it('is as wide as the end that goes first', () => {
    expect(passes(camera())).toBeCloseTo(15, 9)
    expect(passes(camera({ fedFrom: 'far end' }))).toBeCloseTo(24.8, 9)
  })
  it('lets both ends through where the joint lies behind it, or none when the lead comes from inside', () => {
    const shell = { ...CATALOGUE.connectors.get('plug-factory-shell')!, acrossMm: 30 }
    const wide = { ...CATALOGUE, connectors: new Map([...CATALOGUE.connectors, [shell.id, shell]]) }
    const behind = (fedFrom: ReadyLead['fedFrom']) => {
      const of = camera({ fedFrom })
      return passes({ ...of, mount: { ...of.mount!, passage: 'coupler' } }, wide)
    }
    expect(behind('near end')).toBeCloseTo(30.8, 9)
    expect(behind('far end')).toBe(25) // the hole of the tail's coupler, common practice
    expect(passes(camera({ fedFrom: 'far end' }), wide)).toBeCloseTo(30.8, 9)
  })
  it('that is too narrow for the wider end asks for the lead the other way round, and that is all', () => {
    const before = camera({ fedFrom: 'far end' })
    const narrow = { ...before.mount!, hole: 'kept' as const, holeMm: 20 }
    const wrong = { ...before, mount: narrow }
    expect(found('mount/hole-width', wrong)).toMatchObject({
      verdict: 'stop',
      advice: 'Feed the lead from the device: its narrower end passes.',
    })
    const right = { ...wrong, route: { ...wrong.route!, lead: { ...wrong.route!.lead!, fedFrom: null } } }
    expect(cures('mount/hole-width', findingsOf(wrong), findingsOf(right))).toBe(true)
    const tight = { ...wrong, mount: { ...narrow, holeMm: 14.9 } }
    expect(found('mount/hole-width', tight)!.advice).toMatch(/^Drill it anew/)
  })
  it('is drilled for a plug, and says so, where nobody knows how wide the end is', () => {
    const own = { ...CATALOGUE.connectors.get('plug-factory')!, acrossMm: null }
    const catalogue = { ...CATALOGUE, connectors: new Map([...CATALOGUE.connectors, [own.id, own]]) }
    const of = camera({ fedFrom: 'near end' })
    const { stages } = assessDevice(of, job({ devices: [of] }), catalogue)
    expect(stages!.mount.unjudged.join(' ')).toMatch(/end of the lead that goes through the hole/)
    expect(stages!.route.unjudged.join(' ')).toMatch(/end of the lead that goes first/)
    const known = assessDevice(of, job({ devices: [of] }), CATALOGUE).stages!
    expect([...known.mount.unjudged, ...known.route.unjudged].join(' ')).not.toMatch(/end of the lead/)
  })
})

describe('a conduit', () => {
  const bored = (acrossMm: number): Catalogue => {
    const one = { ...CATALOGUE.conduits.get('metric-25')!, boreAreaMm2: (Math.PI / 4) * acrossMm ** 2 }
    return { ...CATALOGUE, conduits: new Map([...CATALOGUE.conduits, [one.id, one]]) }
  }
  const inside = (lead: Partial<ReadyLead> = {}, change: Partial<Segment> = {}) =>
    camera({ coilAt: 'far end', ...lead }, {}, [
      stretch({ space: 'conduit', conduitId: 'metric-25', ...change }),
    ])
  const judged = (acrossMm: number, of = inside()) =>
    found('route/lead-bore-a', of, bored(acrossMm))?.verdict ?? 'nothing'
  it('lets the end that goes first through from 15 mm on, the other from 24.8 mm on', () => {
    expect([14.99, 15.001].map((mm) => judged(mm))).toEqual(['stop', 'nothing'])
    const wide = inside({ fedFrom: 'far end' })
    expect([24.79, 24.801].map((mm) => judged(mm, wide))).toEqual(['stop', 'nothing'])
  })
  it('has less room where other cables lie in it too', () => {
    const of = inside({}, { conduitName: 'yard' })
    const other = plannedThrough(device({ id: 'second', mark: '02', cableId: 'cat6' }))
    const beside = { ...other, route: { ...other.route!, segments: of.route!.segments } }
    const verdict = (acrossMm: number) =>
      assess(job({ devices: [of, beside] }), bored(acrossMm)).devices[0]!.findings.find(
        ({ id }) => id === 'route/lead-bore-a',
      )?.verdict ?? 'nothing'
    // The plug and a cable of 6 mm beside each other; drawn first, it passes alone.
    expect([14.99, 15.001, 20.99, 21.001].map(verdict)).toEqual(['stop', 'check', 'check', 'nothing'])
  })
  it('too narrow for the wider end asks for the lead the other way round, and that is all', () => {
    const wrong = inside({ fedFrom: 'far end' })
    const catalogue = bored(20)
    expect(found('route/lead-bore-a', wrong, catalogue)!.advice).toMatch(/^Feed it from the device/)
    const [before, after] = [wrong, inside()].map((of) => findingsOf(of, catalogue))
    expect(cures('route/lead-bore-a', before!, after!)).toBe(true)
    expect(found('route/lead-bore-a', wrong, bored(12))!.advice).toMatch(/^Take a conduit of 24.8 mm/)
  })
  it('on the plan is judged too, where nothing of the way is entered', () => {
    const of = inside({ fedFrom: 'far end' })
    const place = { floor: 'ground' as const, x: 20, y: 0, panDeg: 0, rollDeg: 0, locked: false }
    const camera = {
      ...of,
      route: { ...of.route!, segments: [] },
      sight: { ...of.sight!, heightM: 1, place },
    }
    const level = { space: 'conduit', heightM: 1, endM: 1, conduitId: 'metric-25' } as const
    const on = job({ devices: [camera], things: [pathway([[0, 0], [20, 0]], level), headEnd(0, 0)] }) // prettier-ignore
    const said = assess(on, bored(20)).devices[0]!.findings.map(({ id }) => id)
    expect(said).toContain('route/lead-bore-way-1')
  })
  it('that stays with its cable, or is trunking with a lid, lets it lie as it is', () => {
    const kept = inside()
    expect(judged(10, { ...kept, route: { ...kept.route!, laid: 'kept' } })).toBe('nothing')
    const lidded = inside({}, { space: 'trunking indoors', conduitId: 'trunking-16' })
    expect(findingsOf(lidded).filter(({ id }) => id.startsWith('route/lead-bore'))).toEqual([])
  })
})

describe('what is left of a lead', () => {
  const said = (lead: Partial<ReadyLead>, change?: Partial<Device>) =>
    found('route/lead', camera(lead, change))!
  it('lies where it is reached again: a place that is none is told, with one that is', () => {
    expect(said({ coilAt: 'loft' })).toMatchObject({ verdict: 'good' })
    expect(said({ coilAt: 'far end' })).toMatchObject({ verdict: 'good' })
    expect(said({ coilAt: null })).toMatchObject({
      verdict: 'check',
      reason: expect.stringMatching(/^Nobody has said where it lies/) as string,
      advice: expect.stringMatching(/^Coil it in the loft and say so/) as string,
    })
    expect(said({ coilAt: 'wall cavity' }).reason).toMatch(
      /^Wall or vent cavity: nobody reaches a coil there again/,
    )
    expect(said({ coilAt: 'riser' }).reason).toMatch(/^No stretch of its way is of this kind: riser/)
    expect(said({ coilAt: 'near end' }, { mountIds: [] }).reason).toMatch(/hangs in the weather/)
    expect(said({ coilAt: 'near end' }, { exposure: 'dry indoors' })).toMatchObject({ verdict: 'good' })
    expect(said({ coilAt: 'near end' }, { mountIds: ['junction-box'] })).toMatchObject({ verdict: 'good' })
  })
  it('with the place that is advised the finding is gone and no other has come', () => {
    const bare = { mountIds: [] }
    const right = findingsOf(camera({ coilAt: 'loft' }, bare))
    for (const coilAt of [null, 'wall cavity', 'riser', 'near end'] as const)
      expect(cures('route/lead', findingsOf(camera({ coilAt }, bare)), right)).toBe(true)
  })
  it('counts as warm as it lies: by the table of TIA-568, 75 m at 60 °C count as 90 m', () => {
    const hot = [stretch({ temperatureC: 60 }), stretch({ id: 'b', space: 'wall cavity', lengthM: 2 })]
    const usedM = (coilAt: ReadyLead['coilAt'], lengthM: number) => {
      const of = camera({ coilAt, lengthM }, { exposure: 'dry indoors' }, hot)
      const { drawing } = assessDevice(of, job({ devices: [of] }), CATALOGUE).stages!.route.result
      return (drawing as { usedM: number }).usedM
    }
    const more = (coilAt: ReadyLead['coilAt']) => usedM(coilAt, 50) - usedM(coilAt, 40)
    expect([more('loft'), more('near end')]).toEqual([12, 12].map((m) => expect.closeTo(m, 9) as number))
    expect(more('far end')).toBeCloseTo(10, 9)
    // Where nobody said, it may lie where it is hottest.
    expect(more(null)).toBeCloseTo(12, 9)
  })
  it('is coiled in a step that asks where, before the box is closed where it lies in it', () => {
    const steps = (of: Device) =>
      assessDevice(of, job({ devices: [of] }), CATALOGUE).steps.map(({ step }) => step)
    const coil = (lead: Partial<ReadyLead>) =>
      steps(camera(lead, { mountIds: ['junction-box'] })).find(({ id }) => id === 'route/coil')
    expect(coil({ coilAt: 'loft' })).toMatchObject({ entry: { kind: 'note' }, photo: 'asked' })
    expect(coil({ coilAt: 'loft' })!.title).toMatch(/in the loft$/)
    expect(coil({ lengthM: 27.5 })).toBeUndefined()
    const inBox = steps(camera({ coilAt: 'near end' }, { mountIds: ['junction-box'] })).map(({ id }) => id)
    expect(inBox.indexOf('route/coil')).toBeGreaterThan(inBox.indexOf('route/pull'))
    expect(inBox.indexOf('route/coil')).toBeLessThan(inBox.indexOf('mount/close'))
  })
  it('the step that leads it through says which end goes first, and how wide that is', () => {
    const of = camera()
    const [pull] = assessDevice(of, job({ devices: [of] }), CATALOGUE).steps.filter(
      ({ step }) => step.id === 'route/pull',
    )
    expect(pull!.step.items.slice(0, 3)).toEqual([
      'The factory RJ45 plug, no boot goes first, to the head end',
      'The factory RJ45 plug in a weatherproof shell stays at the device, from where it is fed',
      'Every hole that it passes is 15 mm clear or more',
    ])
    expect(figure(/Fed from/, of, 'route')).toEqual({ text: 'the device' })
  })
})
