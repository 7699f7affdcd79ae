import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { after, command, LATER, refused, START } from '@/testing/smallYard'
import { applyAll, type Change, type Job } from '..'

describe('the install log, photos and faults', () => {
  const outcome = { state: 'done' as const, value: 0.4, choice: null, note: '' }
  it('records a step with who and when, once a step', () => {
    const first = after({
      type: 'recordStep',
      deviceId: 'device-1',
      stepId: 'mount/level',
      title: '',
      outcome,
    })
    const again = after(
      {
        type: 'recordStep',
        deviceId: 'device-1',
        stepId: 'mount/level',
        title: '',
        outcome: { ...outcome, value: 0.2 },
      },
      first,
    )
    expect(again.records.map(({ stepId, value, by }) => [stepId, value, by])).toEqual([
      ['mount/fix', null, 'Lead'],
      ['mount/level', 0.2, 'Installer 2'],
    ])
    expect(after({ type: 'clearStep', deviceId: 'device-1', stepId: 'mount/level' }, again).records).toEqual(
      START.records,
    )
  })
  it('leaves a step to a colleague until it is recorded or taken back', () => {
    const step = { deviceId: 'device-1', stepId: 'mount/level' }
    const hand = (colleague: string, on?: Job) =>
      after({ type: 'handStep', ...step, title: 'Level it', colleague, note: '' }, on)
    const handed = hand('Installer 3', hand('Lead'))
    const left = {
      ...step,
      title: 'Level it',
      colleague: 'Installer 3',
      note: '',
      at: LATER,
      by: 'Installer 2',
    }
    expect(handed.handed).toEqual([left])
    expect(after({ type: 'takeStepBack', ...step }, handed).handed).toEqual([])
    const other = { deviceId: 'device-1', stepId: 'mount/tug' }
    const both = after({ type: 'handStep', ...other, title: '', colleague: 'Lead', note: '' }, handed)
    const recorded: Change = { type: 'recordStep', ...step, title: '', outcome }
    expect(after(recorded, both).handed.map(({ stepId }) => stepId)).toEqual(['mount/tug'])
    const many = applyAll(both, [command(recorded), command({ ...recorded, stepId: 'mount/y' })], CATALOGUE)
    expect(many.ok && many.job.handed.map(({ stepId }) => stepId)).toEqual(['mount/tug'])
    const fixed = { type: 'handStep' as const, ...step, title: '', colleague: 'Lead', note: '' }
    expect([
      refused({ ...fixed, stepId: 'mount/fix' }), // recorded already
      refused({ ...fixed, deviceId: 'gone' }),
      refused({ type: 'removeDevice', deviceId: 'device-2' }, hand2()),
    ]).toEqual(['/stepId', '/deviceId', '/deviceId'])
  })
  const hand2 = () =>
    after({
      type: 'handStep',
      deviceId: 'device-2',
      stepId: 'mount/x',
      title: '',
      colleague: 'Lead',
      note: '',
    })
  it('adds and removes photos, of things that are there', () => {
    const about = {
      sha256: 'b'.repeat(64),
      deviceId: 'device-2',
      stepId: 'mount/fix',
      faultId: null,
      caption: 'as found',
    }
    expect(after({ type: 'addPhoto', photoId: 'q', facts: about }).photos[1]).toEqual({
      id: 'q',
      ...about,
      marks: [],
      at: LATER,
      by: 'Installer 2',
    })
    const marks = [{ kind: 'arrow' as const, from: { x: 0, y: 0 }, to: { x: 0.5, y: 0.2 } }]
    const marked = after({ type: 'markPhoto', photoId: 'p', marks })
    expect(marked.photos).toEqual([{ ...START.photos[0]!, marks }])
    expect(refused({ type: 'markPhoto', photoId: 'gone', marks })).toBe('/photoId')
    expect(after({ type: 'removePhoto', photoId: 'p' }).photos).toEqual([])
    expect([
      refused({ type: 'addPhoto', photoId: 'p', facts: about }),
      refused({ type: 'addPhoto', photoId: 'q', facts: { ...about, deviceId: 'gone' } }),
      refused({ type: 'addPhoto', photoId: 'q', facts: { ...about, faultId: 'gone' } }),
    ]).toEqual(['/photoId', '/facts/deviceId', '/facts/faultId'])
  })
  it('raises a fault once, on a device that is there, and lets its facts be changed', () => {
    const { id: _, state: __, raisedAt: ___, raisedBy: ____, events: _____, ...about } = START.faults[0]!
    expect(refused({ type: 'raiseFault', faultId: 'f', facts: about })).toBe('/faultId')
    expect(refused({ type: 'raiseFault', faultId: 'g', facts: { ...about, deviceId: 'gone' } })).toBe(
      '/facts/deviceId',
    )
    expect(
      after({ type: 'editFault', faultId: 'f', change: { severity: 'safety' } }).faults[0],
    ).toMatchObject({ severity: 'safety', state: 'open', raisedBy: 'Lead' })
    // nothing was fixed yet
    expect(refused({ type: 'recheckFault', faultId: 'f', passed: true, note: '' })).toBe('/faultId')
  })
})
