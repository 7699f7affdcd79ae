import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { cures, type Finding } from '../findings'
import { acrossAll } from '../geometry'
import { device, job, plannedThrough, stepRecord } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { assess, assessAgain, assessDevice, foundAlong } from '../assess'
import type { Device, Job, ReadyLead, Route, Segment } from '../job'
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
  const yard = { conduitName: 'yard' }
  const through = (id: string, change: Partial<Device> = {}) => {
    const of = plannedThrough(device({ id, mark: id, cableId: 'cat6' }))
    return { ...of, route: { ...of.route!, segments: inside({}, yard).route!.segments }, ...change }
  }
  const routed = (of: Device, change: Partial<Route>): Device => ({
    ...of,
    route: { ...of.route!, ...change },
  })
  /** Of the lead in a conduit of so much, the first of these. */
  const beside = (acrossMm: number, on: Partial<Job>, devices = [inside({}, yard), through('second')]) =>
    assess(job({ devices, ...on }), bored(acrossMm)).devices[0]!.findings
  const bore = (findings: readonly Finding[]) => findings.find(({ id }) => id === 'route/lead-bore-a')
  const verdicts = (on: Partial<Job> = {}, devices?: Device[]) =>
    [14.99, 15.001, 20.99, 21.001].map((mm) => bore(beside(mm, on, devices))?.verdict ?? 'nothing')
  it('has less room where other cables come too: the plug passes before them', () => {
    // The plug and a cable of 6 mm beside each other want 21 mm.
    expect(verdicts()).toEqual(['stop', 'check', 'check', 'nothing'])
  })
  it('has as little where they lie there already: drawn, kept, or told of the pathway', () => {
    const stopped = ['stop', 'stop', 'stop', 'nothing']
    const drawn = stepRecord({ deviceId: 'second', stepId: 'route/pull' })
    expect(verdicts({ records: [drawn] })).toEqual(stopped)
    expect(verdicts({}, [inside({}, yard), routed(through('second'), { laid: 'kept' })])).toEqual(stopped)
    const lies = pathway(
      [
        [0, 0],
        [9, 0],
      ],
      { space: 'conduit', name: 'yard', lyingCables: 1, lyingMm: 6 },
    )
    // The same conduit, drawn in two pieces: one cable lies in all of it.
    const things = [lies, { ...lies, id: 'on' }]
    expect(verdicts({ things }, [inside({}, yard)])).toEqual(stopped)
    expect(bore(beside(20, { records: [drawn] }))).toMatchObject({
      title: 'The lead’s end does not pass beside what lies there',
      figure: { value: 21 },
      reason: expect.stringMatching(/^yard: .* goes first; by itself it passes\.$/) as string,
      advice: expect.stringMatching(/^Take a conduit of 21 mm/) as string,
    })
  })
  it('drawn before the others as the check advises, that is gone and no other has come', () => {
    const before = beside(18, {})
    expect(bore(before)!.advice).toMatch(/^Draw it through before the others, or take a conduit of 21 mm/)
    const lead = stepRecord({ deviceId: inside().id, stepId: 'route/pull' })
    const other = stepRecord({ deviceId: 'second', stepId: 'route/pull' })
    expect(cures('route/lead-bore-a', before, beside(18, { records: [lead] }))).toBe(true)
    expect(cures('route/lead-bore-a', before, beside(18, { records: [lead, other] }))).toBe(true)
  })
  it('is judged again when another is recorded as drawn, though its own plans stay', () => {
    const devices = [inside({}, yard), through('second')]
    const [was, is] = [
      job({ devices }),
      job({ devices, records: [stepRecord({ deviceId: 'second', stepId: 'route/pull' })] }),
    ]
    const known = { job: was, assessment: assess(was, bored(18)) }
    expect(bore(assessAgain(known, is, bored(18)).devices[0]!.findings)?.verdict).toBe('stop')
    const back = { job: is, assessment: assess(is, bored(18)) }
    expect(bore(assessAgain(back, was, bored(18)).devices[0]!.findings)?.verdict).toBe('check')
  })
  it('tried on another way is judged whether or not it is drawn: what is recorded is of the way it has', () => {
    const devices = [inside({}, yard), through('second', { state: 'kept' })].map((one, i) =>
      i === 0 ? one : routed(one, { laid: 'kept' }),
    )
    const records = [stepRecord({ deviceId: devices[0]!.id, stepId: 'route/pull' })]
    const of = job({ devices, records })
    expect(bore(assess(of, bored(18)).devices[0]!.findings)).toBeUndefined()
    expect(bore(foundAlong(devices[0]!, devices[0]!.route!, of, bored(18)))?.verdict).toBe('stop')
  })
  it('several leads go the widest end first: none is stopped where some order lets all through', () => {
    let [stopped, ordered] = [0, 0]
    const some = fc.record({
      ends: fc.array(fc.integer({ min: 8, max: 20 }), { minLength: 1, maxLength: 3 }),
      cut: fc.nat(4),
      lying: fc.nat(2),
      boreMm: fc.integer({ min: 17, max: 28 }),
    })
    fc.assert(
      fc.property(some, ({ ends, cut, lying, boreMm }) => {
        const catalogue = bored(boreMm)
        const made = ends.map((acrossMm, i) => ({
          ...CATALOGUE.connectors.get('plug-factory')!,
          ...{ id: `end-${i}`, acrossMm },
        }))
        const leads = made.map(({ id }, i): Device => {
          const one = inside({ fedFrom: 'near end' }, yard)
          return { ...one, id: `lead-${i}`, mark: `L${i}`, terminate: { ...one.terminate!, headEndId: id } }
        })
        const rest = (count: number, change: Partial<Route>, name: string) =>
          Array.from({ length: count }, (_, i) => routed(through(`${name}-${i}`), change))
        const devices = [...leads, ...rest(cut, {}, 'cut'), ...rest(lying, { laid: 'kept' }, 'kept')]
        const connectors = new Map([...CATALOGUE.connectors, ...made.map((one) => [one.id, one] as const)])
        const { devices: judged } = assess(job({ devices }), { ...catalogue, connectors })
        const verdicts = judged.slice(0, leads.length).map(({ findings }) => bore(findings)?.verdict)
        // By hand: any order of the leads and, somewhere in it, everything else at once.
        const mm = (id: string) => CATALOGUE.cables.get(id)!.diameterMm
        const [lead, other] = [mm('lead-thin'), mm('cat6')]
        const goes = (left: readonly number[], there: readonly number[]): boolean => {
          const passes = (mm: number, beside: readonly number[]) => acrossAll([mm + 0.8, ...beside]) <= boreMm
          const leftCables = [...Array<number>(cut).fill(other), ...left.slice(1).map(() => lead)]
          const together = left.every((mm) => passes(mm, [...there, ...leftCables]))
          return (
            together ||
            left.some((mm, i) => passes(mm, there) && goes(left.toSpliced(i, 1), [...there, lead]))
          )
        }
        const may = goes(ends, Array<number>(lying).fill(other))
        expect(verdicts.includes('stop')).toBe(!may)
        if (!may) stopped++
        else if (verdicts.includes('check')) ordered++
      }),
      // The wider end passes alone, the narrower beside its cable: not the other way round.
      { numRuns: 40, examples: [[{ ends: [12, 17], cut: 2, lying: 0, boreMm: 18 }]] },
    )
    expect(Math.min(stopped, ordered)).toBeGreaterThan(2)
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
