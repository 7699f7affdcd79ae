import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, NOW, plannedThrough } from '@/testing/jobs'
import { assess, assessDevice } from '../assess'
import type { Device, Job, StepRecord } from '../job'

const sentence = (change: Partial<Device>, on: Job = job()) =>
  assessDevice(device(change), on, CATALOGUE).sentence
const standing = (devices: Device[], records: StepRecord[] = []) => {
  const { sentence, next } = assess(job({ devices, records }), CATALOGUE)
  return [sentence, next] as const
}
/** Recorded as well as can be: what a device's log asks for, up to so many steps. */
const recorded = (of: Device, most = Infinity): StepRecord[] =>
  assessDevice(of, job({ devices: [of] }), CATALOGUE)
    .steps.slice(0, most)
    .map(({ step: { id, entry } }) => ({
      deviceId: of.id,
      stepId: id,
      title: '',
      at: NOW,
      by: 'Lead',
      state: 'done',
      value: entry.kind === 'measure' ? (entry.most ?? entry.least ?? 0) : null,
      choice: entry.kind === 'choice' ? entry.good[0]! : null,
      note: entry.kind === 'note' ? 'looked at' : '',
    }))

const through = plannedThrough(device())
const high = plannedThrough(
  device({ id: 'd-high', mark: '02', sight: { ...through.sight!, targetDistanceM: 60 } }),
)

describe('what is said of a device', () => {
  it('names what is still to plan, in the order of the stages, one or many', () => {
    expect(sentence({})).toBe('Nothing is planned yet. Start with what it should see.')
    expect(sentence({ ...through, power: null })).toBe('Power is still to plan.')
    expect(sentence({ ...through, seal: null, power: null })).toMatch(/^Seal, Power are still to plan\.$/)
  })
  it('says what stops it, with the way out, before anything else', () => {
    const stopped = assessDevice(high, job(), CATALOGUE)
    const stop = stopped.findings.find(({ verdict }) => verdict === 'stop')!
    expect(stopped.sentence).toBe(`Stopped at sight: ${stop.title.toLowerCase()}. ${stop.advice}`)
    expect(sentence({ ...high, power: null })).toBe(stopped.sentence)
  })
  it('says how far its log is and what comes next', () => {
    const steps = assessDevice(through, job(), CATALOGUE).steps
    const says = (most: number) =>
      assess(job({ devices: [through], records: recorded(through, most) }), CATALOGUE).devices[0]!.sentence
    expect(says(0)).toContain(steps[0]!.step.title)
    expect(says(0)).toMatch(/^(Planned throughout; ready to install|One look at \w+ first: .+)\. Next: /)
    expect(says(3)).toContain(steps[3]!.step.title)
    expect(says(Infinity)).toBe('Every step is recorded.')
  })
})

describe('what is said of a job', () => {
  it('counts one and many, and points at what is begun before what is not', () => {
    expect(standing([])[0]).toBe('No devices yet.')
    expect(standing([device()])[0]).toBe('1 device. 1 is not planned through.')
    expect(standing([high])[0]).toBe('1 device. 1 is stopped.')
    expect(standing([high, { ...high, id: 'b' }])[0]).toBe('2 devices. 2 are stopped.')
    expect(standing([device(), device({ id: 'b' })])[0]).toBe('2 devices. 2 are not planned through.')
    const second = { ...through, id: 'b', mark: '07', name: 'Gate' }
    expect(standing([through, second])[1]).toMatch(/^Next: 01 Workshop doors, ladder /)
    expect(standing([through, second], recorded(second, 2))[1]).toMatch(/^Next: 07 Gate, ladder /)
    expect(standing([high, second])[1]).toMatch(/^Next: 07 Gate/)
    expect(standing([through], recorded(through))).toEqual([
      '1 device. 1 is done.',
      'Everything is recorded: hand over.',
    ])
    expect(standing([through, second], [...recorded(through), ...recorded(second)])[0]).toBe(
      '2 devices. 2 are done.',
    )
  })
})
