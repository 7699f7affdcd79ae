import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job, plannedThrough, stepRecord } from '@/testing/jobs'
import { assessDevice } from '../assess'
import type { StepRecord } from '../job'
import { isAsked, together } from '.'

const of = plannedThrough(device())
const done = (stepId: string) => stepRecord({ deviceId: of.id, stepId })
const stepsOf = (records: readonly StepRecord[] = []) =>
  assessDevice(of, job(), CATALOGUE, { records, photos: [], faults: [] }).steps

describe('steps said done in one tap', () => {
  const steps = stepsOf()
  const at = (id: string) => steps.findIndex(({ step }) => step.id === id)
  const after = (id: string) => together(steps, at(id)).map(({ step }) => step.id)

  it('are the plain ones that follow at once, at the same place, and one that is asked', () => {
    expect(after('sight/height')).toEqual(['mount/pilot', 'mount/cable-hole']) // the pull is along the way
    expect(after('mount/tug')).toEqual([
      'route/drip-loop',
      'seal/mount-0/spare',
      'seal/mount-0/edge',
      'power/connect', // answered; what comes then is a fifth
    ])
    expect(after('mount/fix')).toEqual(['mount/level']) // then one more is asked
  })
  it('never hide anything that is held for or proved by a photo, nor two answers', () => {
    for (const [index] of steps.entries()) {
      const rest = together(steps, index)
      expect(rest.filter(isAsked).length).toBeLessThanOrEqual(1)
      for (const { step, record } of rest) {
        expect([step.id, step.hold, record]).toEqual([step.id, null, null])
        expect([step.id, step.photo]).not.toEqual([step.id, 'required'])
        expect(step.place).toBe(steps[index]!.step.place)
      }
    }
    expect(after('seal/camera/tail')).toEqual(['seal/tails']) // then comes a hold
  })
  it('stop where one is recorded already, and follow none that is', () => {
    const partly = stepsOf([done('mount/cable-hole')])
    expect(together(partly, at('sight/height')).map(({ step }) => step.id)).toEqual(['mount/pilot'])
    expect(together(partly, at('mount/cable-hole'))).toEqual([])
    expect(together(steps, steps.length)).toEqual([])
  })
  it('leave a camera on its box at most fifteen taps of over thirty steps', () => {
    let taps = 0
    for (let index = 0; index < steps.length; taps++) index += 1 + together(steps, index).length
    expect([steps.length > 30, taps]).toEqual([true, 13])
    expect(taps).toBeLessThanOrEqual(15)
  })
})
