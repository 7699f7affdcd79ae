import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, NOW, planned, plannedThrough, stepRecord } from '@/testing/jobs'
import { assessDevice } from '../assess'
import { type Device, type Job } from '../job'
import { MEASURES } from '../procedure'

describe('the install log', () => {
  it('keeps the order of the work: cable, thread-on, plug, joint, hold point, camera, film', () => {
    const order = planned({
      mountIds: [],
      seal: { choices: [{ opening: 'camera/tail', sealId: 'coupling-slip-on', cables: 1 }] },
    }).assessment.steps.map(({ step }) => step.id)
    const at = (id: string) => order.indexOf(id)
    const wanted = [
      'route/pull',
      'terminate/thread-on',
      'terminate/camera-end',
      'power/connect',
      'seal/camera/tail',
      'seal/before-closing',
      'mount/fix', // the joint lies behind it
      'mount/close',
      'test/picture-day',
    ]
    expect(wanted.map(at)).toEqual(wanted.map(at).toSorted((a, b) => a - b))
    expect(at('route/pull')).toBeGreaterThan(-1)
  })
  it('judges a measured value and proposes a fault once, until it stands on the punch list', () => {
    const { device: d } = planned({})
    const record = stepRecord({ deviceId: d.id, stepId: 'mount/level', value: 2.5, by: 'Installer 1' })
    const on = (faults: Job['faults']) =>
      assessDevice(d, job(), CATALOGUE, { records: [record], photos: [], faults })
    const found = on([])
    expect(found.steps.find(({ step }) => step.id === 'mount/level')).toMatchObject({
      verdict: 'stop',
      says: '2.5°; takes 0.0° to 1.0°.',
    })
    expect(found.proposedFaults).toMatchObject([
      { origin: 'step:mount/level', cause: 'not upright or level' },
    ])
    const raised = {
      id: 'f',
      deviceId: d.id,
      stage: 'mount' as const,
      origin: 'step:mount/level',
      title: 'x',
      severity: 'looks' as const,
      cause: 'loose' as const,
      note: '',
      due: null,
      state: 'open' as const,
      raisedAt: NOW,
      raisedBy: 'Lead',
      events: [],
    }
    expect(on([raised]).proposedFaults).toEqual([])
    expect(on([{ ...raised, state: 'closed' }]).proposedFaults).toHaveLength(1)
  })
  it('keeps what was recorded for an older plan, in the units of the job, with whoever recorded it', () => {
    const { device: d } = planned({})
    const base = { deviceId: d.id, title: '', state: 'done' as const, value: null, choice: null, note: '' }
    const records = [
      { ...base, stepId: 'mount/fix', at: NOW, by: 'Lead' },
      { ...base, stepId: 'mount/cable-hole', note: 'through the header', at: NOW, by: 'Lead' },
      { ...base, stepId: 'terminate/loop', value: 2.5, at: NOW, by: 'Installer 1' },
    ]
    const earlier = (of: Device) =>
      assessDevice(of, job(), CATALOGUE, { records, photos: [], faults: [] }).earlier
    // A title that was kept says what was asked; a step that asks something else now says what it asked then.
    const kept = [{ ...base, stepId: 'mount/cable-hole', title: 'Drill 12 mm', at: NOW, by: 'Lead' }]
    const read = (of: Device) => assessDevice(of, job(), CATALOGUE, { records: kept, photos: [], faults: [] })
    expect(read(d).steps.find(({ record }) => record !== null)!.says).toMatch(
      / It asked then: drill 12 mm\.$/,
    )
    expect(read({ ...d, cameraId: 'gone' }).earlier[0]!.title).toBe('Drill 12 mm')
    const same = { ...kept[0]!, title: read(d).steps.find(({ record }) => record !== null)!.step.title }
    const again = assessDevice(d, job(), CATALOGUE, { records: [same], photos: [], faults: [] })
    expect(again.steps.find(({ record }) => record !== null)!.says).not.toMatch(/asked then/)
    expect(earlier(d)).toEqual([])
    const onPole = plannedThrough({ ...d, surfaceId: 'steel-pole', cableId: 'rg59-18-2', terminate: null })
    expect(earlier(onPole).map(({ title, says, by }) => [title, says, by])).toEqual([
      ['Cable hole (mount)', 'through the header', 'Lead'],
      ['Loop (terminate)', '2.50 Ω', 'Installer 1'],
    ])
    expect(earlier({ ...d, cameraId: 'gone' })).toHaveLength(3)
  })
  it('knows of every measured step what it measures, for when the plan no longer asks for it', () => {
    for (const camera of CATALOGUE.cameras.values()) {
      const cableId = { 'pair': 'cat6', 'coax and power': 'rg59-18-2', 'mains': 'mains-14-2' }[camera.cable]
      const on = job({ equipment: [equipment(), equipment({ id: 'dc', mark: 'E2', partId: 'dc-12-5' })] })
      const of = plannedThrough(device({ cameraId: camera.id, cableId }), on)
      for (const { step } of assessDevice(of, on, CATALOGUE).steps)
        if (step.entry.kind === 'measure')
          expect([step.id, MEASURES[step.id]]).toEqual([step.id, step.entry.quantity])
    }
  })
  it('calls a hold point without its photo a Check', () => {
    const { device: d } = planned({})
    const record = stepRecord({ deviceId: d.id, stepId: 'seal/before-closing' })
    const photo = {
      id: 'p',
      sha256: 'a'.repeat(64),
      deviceId: d.id,
      stepId: 'seal/before-closing',
      faultId: null,
      caption: '',
      marks: [],
      at: NOW,
      by: 'Lead',
    }
    const verdict = (photos: Job['photos']) =>
      assessDevice(d, job(), CATALOGUE, { records: [record], photos, faults: [] }).steps.find(
        ({ step }) => step.id === 'seal/before-closing',
      )!.verdict
    expect([verdict([]), verdict([photo])]).toEqual(['check', 'good'])
  })
})
