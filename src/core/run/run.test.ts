import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, NOW, plannedThrough, run, said } from '@/testing/jobs'
import { assess, type RunAssessment } from '../assess'
import { apply, STATES, type Change, type Job, type Run } from '../job'
import { pullSheet } from '../pull'
import { CARRIES, type Carried } from '.'

const piece = (id: string, partId: string, mark: string, change: Parameters<typeof equipment>[0] = {}) =>
  equipment({ id, partId, mark, name: id, ...change })
const outside = { stands: 'on site', exposure: 'open weather' } as const

/** A yard with something of every sort to end at. */
const yard = (runs: readonly Run[], change: Partial<Job> = {}): Job =>
  job({
    equipment: [
      piece('switch', 'switch-8', 'E1'),
      piece('recorder', 'recorder-16', 'E2'),
      piece('jetty', 'switch-outdoor-4', 'E3', outside),
      piece('fibre', 'fibre-converter', 'E4'),
      piece('coax', 'recorder-coax-8', 'E5'),
      piece('coax-2', 'recorder-coax-8', 'E13'),
      piece('microphone', 'microphone-outdoor', 'E6', outside),
      piece('supply', 'dc-13.2-5', 'E7'),
      piece('lamp', 'lamp-infrared', 'E8', outside),
      piece('inside', 'protector-indoors', 'E9'),
      piece('outside', 'protector-outdoor', 'E10', outside),
      piece('bar', 'earth-bar', 'E11'),
      piece('circuit', 'mains-circuit', 'E12'),
    ],
    devices: [plannedThrough(device({ cameraId: TAILED }))],
    runs: [...runs],
    ...change,
  })
/** A camera with a tail for sound and one for an alarm contact. */
const TAILED = [...CATALOGUE.cameras.values()].find(({ unusedTails }) =>
  unusedTails.includes('audio tail'),
)!.id

/** A good run of every sort that the catalogue has both ends for. */
const GOOD: Readonly<Record<Carried, Partial<Run>>> = {
  video: {
    carries: 'video',
    cableId: 'rg59',
    fromId: 'coax',
    fromPort: 'video-1',
    fromEndId: 'bnc-twist-59',
    toId: 'coax-2',
    toPort: 'video-8',
    toEndId: 'bnc-twist-59',
  },
  mains: {
    carries: 'mains',
    cableId: 'mains-14-2',
    fromId: 'jetty',
    fromPort: 'mains-1',
    fromEndId: 'mains-joint',
    toId: 'circuit',
    toPort: 'mains-3',
    toEndId: 'mains-joint',
  },
  network: { fromPort: 'uplink-1', fromEndId: 'plug', toPort: 'uplink-1', toEndId: 'plug' },
  fibre: {
    carries: 'fibre',
    cableId: 'fibre-single',
    fromId: 'jetty',
    fromPort: 'fibre-1',
    fromEndId: 'lc',
    toId: 'fibre',
    toPort: 'fibre-1',
    toEndId: 'lc',
    leadLengthM: 18,
  },
  dc: {
    carries: 'dc',
    cableId: 'cores-18-2',
    fromId: 'lamp',
    fromPort: 'dc-1',
    fromEndId: 'terminals',
    toId: 'supply',
    toPort: 'dc-2',
    toEndId: 'terminals',
  },
  audio: {
    carries: 'audio',
    cableId: 'cores-22-2-screened',
    fromId: 'microphone',
    fromPort: 'audio-1',
    fromEndId: 'terminals',
    toId: 'coax',
    toPort: 'audio-2',
    toEndId: 'terminals',
  },
  alarm: {
    carries: 'alarm',
    cableId: 'cores-18-2',
    fromId: 'device-1',
    fromPort: 'alarm tail',
    fromEndId: 'terminals',
    toId: 'coax',
    toPort: 'alarm-1',
    toEndId: 'terminals',
  },
  earth: {
    carries: 'earth',
    cableId: 'earth-10',
    fromId: 'outside',
    fromPort: 'earth-1',
    fromEndId: 'terminals',
    toId: 'bar',
    toPort: 'earth-8',
    toEndId: 'terminals',
  },
}
const good = (carries: Carried, change: Partial<Run> = {}): Run => run({ ...GOOD[carries], ...change })
const assessed = (one: Run, on: Partial<Job> = {}): RunAssessment =>
  assess(yard([one], on), CATALOGUE).runs[0]!
const verdicts = (one: Run, on: Partial<Job> = {}) =>
  assessed(one, on).findings.map(({ id, verdict }) => `${verdict} ${id}`)
const troubles = (one: Run, on: Partial<Job> = {}) =>
  verdicts(one, on).filter((said) => !said.startsWith('good'))
const SORTS = Object.keys(CARRIES) as Carried[]

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
    ['stop terminate/lead', 'fibre', { leadLengthM: null }],
    ['stop terminate/lead', 'network', { leadLengthM: 14 }],
    ['stop terminate/one-end', 'network', { toEndId: 'plug-moulded' }],
    ['stop route/lead', 'fibre', { leadLengthM: 16 }],
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

function outdoors(lengthM: number) {
  return [{ ...run().segments[0]!, space: 'clipped outside' as const, lengthM }]
}

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
        records: [
          {
            deviceId: 'run-1',
            stepId: 'route/length',
            title: '',
            state: 'done',
            value,
            choice: null,
            note: '',
            at: NOW,
            by: 'Lead',
          },
        ],
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

describe('its steps', () => {
  /** Common practice, no source: made before proved, proved before connected, then seen. */
  const BEFORE = [
    ['route/pull', 'route/length'],
    ['route/pull', 'terminate/from-end'],
    ['terminate/from-end', 'terminate/wire-map'],
    ['terminate/to-end', 'terminate/wire-map'],
    ['terminate/to-end', 'terminate/continuity'],
    ['terminate/continuity', 'terminate/connect'],
    ['terminate/wire-map', 'terminate/connect'],
    ['terminate/fibre-look', 'terminate/connect'],
    ['terminate/connect', 'test/carries'],
    ['terminate/off', 'route/out'],
    ['power/isolate', 'power/dead'],
    ['power/dead', 'terminate/from-end'],
    ['power/dead', 'terminate/connect'],
    ['power/dead', 'terminate/off'],
    ['route/look', 'test/carries'],
  ] as const
  it('of whatever it carries, new, kept and going: each once, none before what it rests on', () => {
    const held = new Set<string>()
    for (const carries of Object.keys(CARRIES) as Carried[])
      for (const state of Object.keys(STATES) as (keyof typeof STATES)[]) {
        const ids = assessed(good(carries, { state })).steps.map(({ step }) => step.id)
        expect([carries, state, ids.length > 0, new Set(ids).size]).toEqual([
          carries,
          state,
          true,
          ids.length,
        ])
        for (const [first, then] of BEFORE) {
          const [a, b] = [ids.indexOf(first), ids.indexOf(then)]
          if (a < 0 || b < 0) continue
          held.add(`${first} ${then}`)
          expect([carries, state, first, then, a < b]).toEqual([carries, state, first, then, true])
        }
      }
    expect(held.size).toBe(BEFORE.length)
  })
  it('stand where they are done: each end at its own place, the port by its name', () => {
    const steps = assessed(good('audio')).steps.map(({ step }) => step)
    const of = (id: string) => steps.find((step) => step.id === id)!
    expect([of('terminate/from-end').place, of('terminate/to-end').place]).toEqual([
      'at the device',
      'head end',
    ])
    expect(of('terminate/connect').items).toEqual(['E6 microphone: audio 1', 'E5 coax: audio 2'])
    expect(of('test/carries').title).toBe('Sound from E6 arrives at E5')
  })
  it('what takes the place of an old run is drawn in by it', () => {
    const old = good('network', { state: 'taken away' })
    const next = good('network', { id: 'run-2', mark: 'R2', replaces: 'run-1' })
    const steps = (one: Run) => assess(yard([old, one]), CATALOGUE).runs[1]!.steps.map(({ step }) => step)
    const ids = steps(next).map(({ id }) => id)
    expect(ids.slice(0, 2)).toEqual(['route/tie-on', 'route/pull'])
    expect(steps(next)[0]!.title).toBe('Tie R2 to R1 Uplink, free at both ends')
    expect(steps({ ...next, replaces: null }).map(({ id }) => id)).not.toContain('route/tie-on')
  })
  it('a factory-made end is never made on site', () => {
    const ids = assessed(good('fibre')).steps.map(({ step }) => step.id)
    expect(ids.filter((id) => id.endsWith('-end'))).toEqual([])
    const lead = good('network', {
      cableId: 'lead-thin',
      fromEndId: 'plug-moulded',
      toEndId: 'plug-moulded',
      leadLengthM: 20,
    })
    expect(assessed(lead).steps.map(({ step }) => step.id)).toContain('terminate/lead-look')
  })
  it('is worked on where its ends are: between two things at the head end nobody climbs', () => {
    const places = (stands: 'head end' | 'on site') => {
      const one = good('network')
      const equipment = yard([]).equipment.map((piece) => ({ ...piece, stands }))
      return assess(yard([one], { equipment }), CATALOGUE).runs[0]!.steps.map(({ step }) => step.place)
    }
    expect(places('head end')).not.toContain('at the device')
    expect(places('on site')).toContain('at the device')
  })
})

describe('what it takes of others', () => {
  it('a tail that a run ends at is used: it is neither capped nor told as open', () => {
    const tails = (runs: Run[]) => {
      const { devices } = assess(yard(runs), CATALOGUE)
      return devices[0]!.steps.find(({ step }) => step.id === 'seal/tails')!.step.title
    }
    expect(tails([])).toContain('alarm tail')
    expect(tails([good('alarm')])).not.toContain('alarm tail')
    expect(tails([good('alarm')])).toContain('audio tail')
  })
  it('equipment lists it by port, and its case has an entry for every cable', () => {
    const jetty = (runs: Run[]) => assess(yard(runs), CATALOGUE).equipment[2]!
    const one = jetty([good('fibre')])
    expect(one.uses.map(({ port, mark, end }) => [port, mark, end])).toEqual([
      ['fibre 1', 'R1', 'LC, factory-made'],
    ])
    expect(one.steps.find(({ step }) => step.id === 'terminate/ports')!.step.items).toEqual([
      'fibre 1: R1 Uplink',
    ])
    // Six entries: mains, the fibre whether entered or not, and four more; the fifth more is one too many.
    const more = (n: number) =>
      Array.from({ length: n }, (_, i) =>
        good('network', { id: `r${i}`, mark: `R${i + 5}`, fromId: 'jetty', fromPort: `network-${i + 1}` }),
      )
    const full = (runs: Run[]) => jetty(runs).findings.some(({ id }) => id === 'seal/entries')
    expect([full(more(4)), full(more(5))]).toEqual([false, true])
    expect([full([good('fibre'), ...more(4)]), full([good('fibre'), ...more(5)])]).toEqual([false, true])
    expect([full([good('mains'), ...more(4)]), full([good('mains'), ...more(5)])]).toEqual([false, true])
  })
  it('its cable, clips and ends are cut and loaded; of what is there already nothing is', () => {
    const sheet = (one: Run) => pullSheet(yard([one], { devices: [] }), CATALOGUE)
    const outside = good('dc', { segments: outdoors(12) })
    expect(sheet(outside).cuts.map(({ mark, cable }) => [mark, cable])).toEqual([
      ['R1', 'Two cores of 18 AWG, outdoor, 6.4 mm'],
    ])
    const loaded = sheet(outside).van.filter(({ marks }) => marks.includes('R1'))
    expect(loaded.map(({ kind }) => kind)).toEqual(['cable', 'support', 'connector'])
    expect(loaded.at(-1)).toMatchObject({ item: 'Screw terminals', count: 2 })
    expect(sheet({ ...outside, state: 'kept' }).van.filter(({ marks }) => marks.includes('R1'))).toEqual([])
  })
})

describe('commands', () => {
  const on = yard([good('network')])
  const after = (change: Change, from: Job = on) => apply(from, said(change), CATALOGUE)
  const refusedAt = (change: Change) => {
    const applied = after(change)
    return applied.ok ? null : applied.reasons[0]!.path
  }
  const put = (change: Partial<Run>, runId = 'run-1'): Change => ({ type: 'putRun', runId, change })
  const fresh = {
    name: 'Sound',
    carries: 'audio',
    cableId: 'rg59',
    fromId: 'microphone',
    toId: 'coax',
  } as const

  it('a new run gets the next free mark and nothing chosen; it changes field by field', () => {
    const made = after(put(fresh, 'run-2'))
    expect(made.ok && made.job.runs[1]).toMatchObject({
      mark: 'R2',
      state: 'new',
      fromPort: null,
      segments: [],
    })
    const renamed = after(put({ name: 'Trunk' }))
    expect(renamed.ok && renamed.job.runs[0]).toEqual({ ...good('network'), name: 'Trunk' })
  })
  it.each([
    [put({ cableId: 'rope' }), '/change/cableId'],
    [put({ toEndId: 'knot' }), '/change/toEndId'],
    [put({ fromId: 'nowhere' }), '/change/fromId'],
    [put({ toId: 'recorder' }), '/change/toId'],
    [put({ mark: 'E1' }), '/change/mark'],
    [put({ name: 'no more' }, 'run-9'), '/change/carries'],
    [put(fresh, 'switch'), '/runId'],
    [put({ replaces: 'recorder' }), '/change/replaces'],
    [put({ segments: [run().segments[0]!, run().segments[0]!] }), '/change/segments'],
    [{ type: 'removeRun', runId: 'gone' }, '/runId'],
    [{ type: 'removeEquipment', equipmentId: 'switch' }, '/equipmentId'],
  ] as readonly [Change, string][])('%j is refused at %s', (change, path) =>
    expect(refusedAt(change)).toBe(path),
  )
  it('a run that work is recorded on stays; one that nothing is recorded on goes', () => {
    const outcome = { state: 'done', value: null, choice: null, note: '' } as const
    const pulled = after({ type: 'recordStep', deviceId: 'run-1', stepId: 'route/pull', title: '', outcome })
    expect(pulled.ok && after({ type: 'removeRun', runId: 'run-1' }, pulled.job)).toMatchObject({ ok: false })
    const gone = after({ type: 'removeRun', runId: 'run-1' })
    expect(gone.ok && gone.job.runs).toEqual([])
  })
})
