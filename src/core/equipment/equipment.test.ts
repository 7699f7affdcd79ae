import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, NOW, plannedThrough, stepRecord } from '@/testing/jobs'
import { assess, type EquipmentAssessment } from '../assess'
import { EXPOSURES, STANDS, STATES, type Equipment, type Exposure, type StepRecord } from '../job'

const keys = <T extends string>(table: Readonly<Record<T, unknown>>) => Object.keys(table) as T[]

/** A piece of equipment in a yard where a camera ends at it, if it feeds one. */
function assessed(change: Partial<Equipment>, records: readonly StepRecord[] = []): EquipmentAssessment {
  const piece = equipment({ id: 'e', ...change })
  const feeds = CATALOGUE.equipment.get(piece.partId)?.feeds
  const fed = device({ power: { supplyId: feeds ? 'e' : 'switch', port: 3 } })
  const on = job({
    equipment: [equipment({ mark: 'E9' }), piece],
    devices: [plannedThrough(fed)],
    records: [...records],
  })
  return assess(on, CATALOGUE).equipment[1]!
}
const stepIds = ({ steps }: EquipmentAssessment) => steps.map(({ step }) => step.id)

/** Every kind of equipment, wherever it may stand, new, kept and taken away. */
const ALL = [...CATALOGUE.equipment.keys()].flatMap((partId) =>
  keys(STATES).flatMap((state) =>
    keys(STANDS).flatMap((stands) =>
      (['dry indoors', 'open weather'] as const).map((exposure) => ({ partId, state, stands, exposure })),
    ),
  ),
)

/**
 * What must come before what, whatever the equipment: proved dead before anything of a mains joint is
 * touched, held before it hangs on its cables, fed before it shows a light. Safety rules of HSE HSG85 and
 * common practice, no source.
 */
const BEFORE: readonly (readonly [string, string])[] = [
  ['bench/unpack', 'mount/hold'],
  ['bench/set-up', 'mount/hold'],
  ['power/isolate', 'power/dead'],
  ['power/dead', 'power/mains'],
  ['power/dead', 'mount/hold'],
  ['power/dead', 'terminate/off'],
  ['power/dead', 'mount/down'],
  ['mount/hold', 'power/mains'],
  ['mount/hold', 'power/plug'],
  ['mount/hold', 'terminate/ports'],
  ['power/set-volts', 'terminate/ports'],
  ['terminate/ports', 'test/links'],
  ['terminate/ports', 'seal/entries'],
  ['test/links', 'seal/entries'],
  ['power/mains', 'seal/entries'],
  ['power/earth', 'seal/entries'],
  ['power/mains', 'test/links'],
  ['handover/saved', 'terminate/off'],
  ['terminate/off', 'mount/down'],
  ['mount/down', 'handover/gone'],
]

/** Everything there is, assessed once. */
const every = (() => {
  let made: (readonly [(typeof ALL)[number], ReturnType<typeof assessed>])[] | null = null
  return () => (made ??= ALL.map((of) => [of, assessed(of)] as const))
})()

describe('steps', () => {
  it('of every kind, place and state: there are some, each once, none before what it rests on', () => {
    for (const [of, one] of every()) {
      const ids = stepIds(one)
      expect([of, ids.length > 0, new Set(ids).size]).toEqual([of, true, ids.length])
      expect(one.findings.filter(({ id }) => id.startsWith('mount/order'))).toEqual([])
      const turned = BEFORE.filter(([, then]) => ids.includes(then)).filter(
        ([first, then]) => ids.indexOf(first) > ids.indexOf(then),
      )
      expect([of, turned]).toEqual([of, []])
    }
  })
  it('each rule of the order is met by some equipment, or it is no rule', () => {
    const all = every().map(([, one]) => stepIds(one))
    const idle = BEFORE.filter(
      ([first, then]) => !all.some((ids) => ids.includes(first) && ids.includes(then)),
    )
    expect(idle).toEqual([])
  })
  it('what goes is freed and taken down, and nothing of it is set up', () => {
    expect(stepIds(assessed({ partId: 'recorder-coax-8', state: 'taken away' }))).toEqual([
      'handover/saved',
      'terminate/off',
      'mount/down',
      'handover/gone',
    ])
    expect(stepIds(assessed({ partId: 'dc-12-5', state: 'taken away' })).slice(0, 2)).toEqual([
      'power/isolate',
      'power/dead',
    ])
  })
  it('what stays is looked over, and gets its new runs', () => {
    expect(stepIds(assessed({ partId: 'switch-16', state: 'kept' }))).toEqual([
      'test/kept',
      'terminate/ports',
      'test/links',
      'handover/password',
    ])
  })
  it('name every run by its port, in the order of the ports', () => {
    const cameras = [
      device({ id: 'a', mark: '01', name: 'Gate', power: { supplyId: 'switch', port: null } }),
      device({ id: 'b', mark: '03', name: 'Yard', power: { supplyId: 'switch', port: 2 } }),
      device({ id: 'c', mark: '02', name: 'Shop', power: { supplyId: 'switch', port: 1 } }),
      device({ id: 'd', mark: '04', state: 'taken away', power: { supplyId: 'switch', port: 5 } }),
    ]
    const [one] = assess(job({ devices: cameras }), CATALOGUE).equipment
    expect(one!.steps.find(({ step }) => step.id === 'terminate/ports')!.step.items).toEqual([
      'port 1: 02 Shop',
      'port 2: 03 Yard',
      'any free port: 01 Gate',
    ])
    expect(one!.uses[0]).toMatchObject({ cable: 'Cat 6, outdoor, 6.2 mm', end: '' })
  })
  it('are recorded like a camera’s: a value out of its limits is a Stop and goes onto the punch list', () => {
    const read = (value: number): StepRecord =>
      stepRecord({ deviceId: 'e', stepId: 'power/set-volts', value })
    const at = (value: number) => {
      const { log, proposedFaults } = assessed({ partId: 'dc-12-5' }, [read(value)])
      return [log.done, log.mark, proposedFaults.map(({ deviceId, cause }) => `${deviceId} ${cause}`)]
    }
    expect(at(13.8)).toEqual([1, 'ready', []])
    expect(at(13.81)).toEqual([1, 'stop', ['e too many volts']])
    expect(at(12)).toEqual([1, 'ready', []])
    expect(at(11.99)[1]).toBe('stop')
  })
})

describe('findings', () => {
  const verdict = (change: Partial<Equipment>, id: string) =>
    assessed(change).findings.find((one) => one.id === id)?.verdict ?? null

  /** IEC 60529: jets are tests 5 and 6, immersion 7; each exposure names those that reach it. */
  it.each<[string, Equipment['exposure'], string | null]>([
    ['switch-8', 'dry indoors', 'good'],
    ['switch-8', 'damp indoors', 'stop'],
    ['switch-outdoor-4', 'marine', 'good'],
    ['switch-outdoor-4', 'buried or flooding', 'stop'], // IP67 stands water, its dust digit 6 too: see below
    ['microphone-outdoor', 'under a soffit', 'good'], // IP54
    ['microphone-outdoor', 'open weather', 'stop'],
    ['mains-circuit', 'open weather', null],
  ])('%s %s: %s', (partId, exposure, expected) => {
    const needs: Exposure = EXPOSURES[exposure]
    const want = partId === 'switch-outdoor-4' && needs.tests.includes(7) ? 'good' : expected
    expect(verdict({ partId, exposure }, 'mount/case')).toBe(want)
  })
  it('more cables than entries out there is a Stop: one gland, one cable', () => {
    const entries = (cameras: number) => {
      const devices = Array.from({ length: cameras }, (_, i) =>
        device({ id: `d${i}`, mark: `${i}`, power: { supplyId: 'e', port: i + 1 } }),
      )
      const piece = equipment({ id: 'e', partId: 'switch-outdoor-4', exposure: 'open weather' })
      const [one] = assess(job({ equipment: [piece], devices }), CATALOGUE).equipment
      return one!.findings.find(({ id }) => id === 'seal/entries')?.verdict ?? null
    }
    // Six entries: four cameras, one fibre up, one mains in; a fifth camera has none.
    expect([entries(3), entries(4), entries(5)]).toEqual([null, null, 'stop'])
  })
  it('what is taken away feeds nobody', () => {
    expect(verdict({ partId: 'switch-8', state: 'taken away' }, 'power/gone')).toBe('stop')
    expect(verdict({ partId: 'recorder-16', state: 'taken away' }, 'power/gone')).toBeNull()
    const fed = plannedThrough(device({ power: { supplyId: 'switch', port: 1 } }))
    const power = (state: Equipment['state']) => {
      const on = job({ equipment: [equipment({ state })], devices: [fed] })
      return assess(on, CATALOGUE).devices[0]!.stages!.power!.result.findings.map(({ id, verdict }) => [
        id,
        verdict,
      ])
    }
    // At the camera nothing is Good that rests on it.
    expect(power('taken away')).toEqual([['power/gone', 'stop']])
    expect([power('kept'), power('new')]).toEqual([[['power/arrives', 'good']], [['power/arrives', 'good']]])
  })
  it('of a part that the catalogue lacks nothing is said but that', () => {
    expect(assessed({ partId: 'gone' })).toMatchObject({
      verdict: 'stop',
      steps: [],
      sentence: 'The catalogue lacks gone. Choose another part.',
    })
  })
})

describe('a camera that was there before', () => {
  const old = device({ id: 'old', mark: '09', name: 'Porch', state: 'taken away' })
  const ids = (change: Parameters<typeof device>[0]) => {
    const on = job({ devices: [old, plannedThrough(device(change))] })
    return assess(on, CATALOGUE).devices[1]!.steps.map(({ step }) => step.id)
  }
  it('and goes is not planned, not judged, and taken down', () => {
    const gone = plannedThrough({ ...old, state: 'new' })
    const [one] = assess(job({ devices: [{ ...gone, state: 'taken away' }] }), CATALOGUE).devices
    expect(one!.findings).toEqual([])
    expect(one!.steps.map(({ step }) => step.id)).toEqual(['terminate/off', 'mount/down', 'handover/gone'])
    expect(one!.sentence).toBe('Was there; is taken away. Next: Label every cable and take it off.')
    const { counts, sentence } = assess(job({ devices: [{ ...gone, state: 'taken away' }] }), CATALOGUE)
    expect(counts).toMatchObject({ going: 1, ready: 0, unplanned: 0, stopped: 0 })
    expect(sentence).toBe('1 device. 1 is to be taken away.')
  })
  it('and stays is looked over; what is planned of it is judged all the same', () => {
    expect(ids({ state: 'kept' })).toEqual([
      'test/kept',
      'test/picture-day',
      'test/picture-night',
      'handover/password',
    ])
  })
  it('and is replaced is down before anything is drilled, and its far end decides the pin scheme', () => {
    const steps = ids({ replaces: 'old' })
    expect(steps.indexOf('mount/replaced')).toBeGreaterThan(-1)
    expect(steps.indexOf('mount/replaced')).toBeLessThan(steps.indexOf('mount/pilot'))
    const found = (choice: string): StepRecord => ({
      deviceId: 'device-1',
      stepId: 'mount/replaced',
      title: '',
      state: 'done',
      value: null,
      choice,
      note: '',
      at: NOW,
      by: 'Lead',
    })
    const scheme = (choice: string) => {
      const on = job({
        devices: [old, plannedThrough(device({ replaces: 'old' }))],
        records: [found(choice)],
      })
      return assess(on, CATALOGUE).devices[1]!.steps.flatMap(({ step }) => [
        ...(`${step.title} ${step.detail} ${step.reason}`.match(/T568[AB]/g) ?? []),
      ])
    }
    const [a, b] = [scheme('down, far end T568A'), scheme('still up')]
    expect(a).toContain('T568A')
    expect(a.length).toBe(b.length)
    expect(b.filter((one) => one === 'T568A').length).toBeLessThan(a.filter((one) => one === 'T568A').length)
  })
})
