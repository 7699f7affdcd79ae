import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assessed, good, SORTS, yard, outdoors } from '@/testing/goodRuns'
import { device, plannedThrough, run, stepRecord } from '@/testing/jobs'
import { assess } from '../assess'
import { STATES, type Job, type Run } from '../job'
import { FED_FREELY } from '../route/plan'

const verdicts = (one: Run, on: Partial<Job> = {}) =>
  assessed(one, on).findings.map(({ id, verdict }) => `${verdict} ${id}`)
const troubles = (one: Run, on: Partial<Job> = {}) =>
  verdicts(one, on).filter((said) => !said.startsWith('good'))

describe('what is said of a run', () => {
  it.each(SORTS)('%s: nothing speaks against a good one, and both ends are judged', (carries) => {
    expect(troubles(good(carries))).toEqual([])
    expect(verdicts(good(carries))).toContain('good terminate/match')
  })
  it('a way that nobody entered, ends and ports that nobody chose want a look, and no end is Good', () => {
    const bare = run({ segments: [] })
    expect(troubles(bare).sort()).toEqual([
      'check route/empty',
      'check terminate/open:from',
      'check terminate/open:to',
      'check terminate/port:from',
      'check terminate/port:to',
    ])
    expect(verdicts(bare).filter((said) => said.startsWith('good'))).toEqual([])
  })
  it.each([
    ['stop terminate/carries', 'network', { cableId: 'rg59' }],
    ['stop terminate/carries', 'dc', { cableId: 'mains-14-2' }],
    ['stop terminate/end:from', 'network', { fromEndId: 'terminals' }],
    ['stop terminate/kind:to', 'fibre', { toEndId: 'plug' }],
    ['stop terminate/conductor:to', 'network', { cableId: 'lead-thin', toEndId: 'jack' }],
    ['stop terminate/no-port:from', 'network', { fromId: 'supply', fromPort: 'dc-1' }],
    ['stop terminate/no-port:to', 'audio', { toId: 'switch', toPort: null }],
    ['stop terminate/other-port:to', 'network', { toPort: 'uplink-3' }],
    ['stop terminate/other-port:to', 'network', { toPort: 'network-9' }],
    ['stop terminate/other-port:to', 'network', { toPort: 'constructor-1' }], // a word like any other
    ['stop terminate/other-port:to', 'network', { toPort: '__proto__' }],
    ['stop route/length', 'earth', { segments: [{ ...run().segments[0]!, lengthM: 40 }] }],
    ['stop route/jacket', 'dc', { segments: [{ ...run().segments[0]!, space: 'buried duct' as const }] }],
    ['stop terminate/lead', 'fibre', { lead: null }],
    ['stop terminate/lead', 'network', { lead: { lengthM: 14, ...FED_FREELY } }],
    ['stop terminate/one-end', 'network', { toEndId: 'plug-moulded' }],
    ['stop route/lead', 'fibre', { lead: { lengthM: 16, ...FED_FREELY } }],
    ['check power/surge', 'network', { cableId: 'cat6-outdoor', segments: outdoors(31) }],
  ] as const)('%s: %s %j', (expected, carries, change) =>
    expect(troubles(good(carries, change as Partial<Run>))).toContain(expected),
  )
  it('the last port is one, the one after it is none', () => {
    const at = (toPort: string) => troubles(good('network', { toPort }))
    expect([at('uplink-2'), at('network-8')]).toEqual([[], []])
    expect(at('uplink-3')).toEqual(['stop terminate/other-port:to'])
  })
  it('long copper outdoors is protected by a protector at both of its ends, and at one alone it is not', () => {
    const long = {
      cableId: 'cat6-outdoor',
      segments: outdoors(60),
      fromPort: 'network-1',
      toPort: 'network-1',
    }
    const between = (fromId: string, toId: string) =>
      troubles(good('network', { ...long, fromId, toId })).filter((one) => one.endsWith('power/surge'))
    expect(between('inside', 'outside')).toEqual([])
    expect(between('inside', 'switch')).toEqual(['check power/surge'])
  })
  it('two cables in one port: both runs are told, a camera’s own among them', () => {
    const other = good('network', { id: 'run-2', mark: 'R2', fromId: 'jetty', fromPort: 'network-2' })
    const found = assess(yard([good('network'), other]), CATALOGUE).runs.map(({ findings }) =>
      findings.find(({ id }) => id === 'terminate/taken:to'),
    )
    expect(found.map((one) => one && [one.verdict, one.figure])).toEqual([
      ['stop', { text: 'uplink 1: R1, R2' }],
      ['stop', { text: 'uplink 1: R2, R1' }],
    ])
    const fed = device({ mark: '05', power: { supplyId: 'switch', port: 3 } })
    expect(troubles(good('network', { toPort: 'network-3' }), { devices: [fed] })).toEqual([
      'stop terminate/taken:to',
    ])
    expect(troubles(good('network', { toPort: 'network-4' }), { devices: [fed] })).toEqual([])
  })
  it('an end that is taken away stops it; a run that goes too is not judged and takes no port', () => {
    const gone = (state: keyof typeof STATES) =>
      yard([good('network', { state })]).equipment.map((one) =>
        one.id === 'switch' ? { ...one, state: 'taken away' as const } : one,
      )
    expect(troubles(good('network'), { equipment: gone('new') })).toEqual(['stop terminate/gone:to'])
    expect(verdicts(good('network', { state: 'taken away' }), { equipment: gone('new') })).toEqual([])
    const leaves = good('network', { state: 'taken away' })
    const comes = good('network', { id: 'run-2', mark: 'R2' })
    const all = assess(yard([leaves, comes]), CATALOGUE)
    expect(all.runs[1]!.findings.filter(({ verdict }) => verdict !== 'good')).toEqual([])
    expect(all.equipment[0]!.uses.flatMap(({ of, mark }) => (of === 'run' ? [mark] : []))).toEqual(['R2'])
  })
  it('what to do is tried: with it done the finding is gone and no other has come', () => {
    const done = (one: Run, change: Partial<Run>) => [
      troubles(one).length > 0,
      troubles({ ...one, ...change }),
    ]
    expect(done(good('network', { cableId: 'rg59' }), { cableId: 'cat6' })).toEqual([true, []])
    expect(done(good('network', { fromEndId: 'terminals' }), { fromEndId: 'plug' })).toEqual([true, []])
    expect(done(good('audio', { toEndId: null }), { toEndId: 'terminals' })).toEqual([true, []])
    expect(done(good('dc', { toPort: null }), { toPort: 'dc-8' })).toEqual([true, []])
    const named = (one: Run, id: string) => assessed(one).findings.find((found) => found.id === id)!.advice
    expect(named(good('network', { cableId: 'rg59' }), 'terminate/carries')).toContain('Cat 5e, indoor')
    expect(named(good('network', { fromEndId: 'terminals' }), 'terminate/end:from')).toContain('RJ45 plug')
  })
  it('says what it did not judge', () => {
    const unjudged = (one: Run) => assessed(one).unjudged.join(' ')
    expect(unjudged(good('dc', { segments: [], cordsM: 0 }))).toContain('The drop of its volts')
    expect(unjudged(good('alarm'))).toContain('Whether alarm tail of 01 is made for it')
    expect(unjudged(good('fibre'))).toContain('loss in light')
  })
})

describe('its length', () => {
  /** What a tape would measure: the stretch, both slacks by where the ends are, a drip loop in the rain. */
  it.each([
    ['from neighbour to neighbour at the head end', good('network'), 12],
    ['into the head end', good('audio'), 12 + 1 + 3],
    ['from a pole outside', good('network', { fromId: 'jetty', segments: outdoors(12) }), 12 + 1 + 3 + 0.3],
    ['between two outside', good('dc', { toId: 'outside', segments: outdoors(12) }), 12 + 1 + 1 + 0.3 + 0.3],
  ])('%s', (_, one, lengthM) => {
    const { way } = assessed(one)
    expect(way!.drawing.installedM).toBeCloseTo(lengthM, 9)
  })
  it('as it was read off the jacket counts from then on', () => {
    const long = good('network', { segments: [{ ...run().segments[0]!, lengthM: 88 }] })
    const read = (value: number) =>
      troubles(long, {
        records: [stepRecord({ deviceId: 'run-1', stepId: 'route/length', value })],
      })
    expect([read(90), read(90.1)]).toEqual([[], ['stop route/length']])
  })
  it('lies in a conduit together with a camera’s own cable', () => {
    const shared = { space: 'conduit' as const, conduitId: 'pvc-half', conduitName: 'yard', lengthM: 5 }
    const segments = [{ ...run().segments[0]!, ...shared }]
    const planned = plannedThrough(device())
    const fill = (devices: Job['devices']) =>
      troubles(good('network', { segments }), { devices }).filter((one) => one.includes('conduit'))
    const alone = device({ ...planned, route: { ...planned.route!, segments: [] } })
    const beside = device({ ...planned, route: { ...planned.route!, segments } })
    expect([fill([alone]), fill([beside])]).toEqual([[], ['check route/conduit-way-1']])
  })
})
