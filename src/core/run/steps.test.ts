import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assessed, good, yard, outdoors } from '@/testing/goodRuns'
import { assess } from '../assess'
import { STATES, type Run } from '../job'
import { pullSheet } from '../pull'
import { CARRIES, type Carried } from '.'
import { FED_FREELY } from '../route/plan'

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
      lead: { lengthM: 20, ...FED_FREELY },
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
