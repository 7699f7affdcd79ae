import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { openJobFile } from '@/core/job'
import { punchListState } from '@/core/test'

/** The demo jobs show what they are there to show. */
function open(name: string) {
  const opened = openJobFile(readFileSync(`demo/jobs/${name}.job.json`, 'utf8'))
  if (!opened.ok) throw new Error(opened.reasons.map(({ path, message }) => `${path} ${message}`).join())
  return { ...opened.file, assessment: assess(opened.file.job, CATALOGUE) }
}

describe('Kestrel Quay', () => {
  const { job, photos, assessment } = open('3-kestrel-quay')
  const found = (mark: string, verdict: 'stop' | 'check') => assessment.devices.find((device) => device.mark === mark)!.findings.filter((finding) => finding.verdict === verdict).map(({ id }) => id)

  it('has fourteen devices, some done, some stopped, some not planned', () => {
    expect(assessment.counts).toMatchObject({ devices: 14, done: 2, stopped: 3, unplanned: 2 })
    expect(assessment.sentence).toMatch(/^14 devices\. 2 are done/)
  })
  it.each([['03', 'mount/tile'], ['08', 'seal/grip:camera/entry'], ['13', 'power/volts']])('device %s is stopped by %s alone', (mark, id) => expect(found(mark, 'stop')).toEqual([id]))
  it.each([['05', 'route/length'], ['09', 'power/mains']])('device %s wants a look at %s', (mark, id) => expect(found(mark, 'check')).toContain(id))
  it('has a measured level out of limits that proposes a fault', () => {
    const door = job.devices.find(({ mark }) => mark === '04')!
    expect(job.records.some(({ deviceId, stepId }) => deviceId === door.id && stepId === 'mount/level')).toBe(false)
    expect(door.sight!.wish).toMatchObject({ kept: false, agreedBy: 'Office manager' })
  })
  it('has the bytes of every photo it names, and every photo of a step that asks for one', () => {
    const kept = new Set(photos.map(({ sha256 }) => sha256))
    expect(job.photos.every(({ sha256 }) => kept.has(sha256))).toBe(true)
    for (const { steps } of assessment.devices) for (const { step, record, photos: count } of steps) if (record && step.photo === 'required') expect([step.id, count > 0]).toEqual([step.id, true])
  })
})

it('Tamarisk has faults as found, a temporary fix and feet and inches', () => {
  const { job, assessment } = open('2-tamarisk-surgery')
  expect(assessment.devices.flatMap(({ proposedFaults }) => proposedFaults.map(({ origin }) => origin))).toEqual(['step:power/volts'])
  expect(job.units).toBe('imperial')
  expect(punchListState(job.faults, '2026-11-20')).toMatchObject({ open: 3, temporary: 1, closed: 1, overdue: ['fault-2'] })
})

it('Quarry Lane is finished: every step good, nothing open', () => {
  const { job, assessment } = open('1-quarry-lane')
  expect(assessment.counts.done).toBe(4)
  expect(assessment.devices.flatMap(({ steps }) => steps.filter(({ verdict }) => verdict !== 'good').map(({ step }) => step.id))).toEqual([])
  expect(job.faults.every(({ state }) => state === 'closed')).toBe(true)
})
