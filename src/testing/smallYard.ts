import { CATALOGUE } from '@/catalogue'
import { apply, type Change, type Command, type Job } from '@/core/job'
import { device, job, NOW, said } from './jobs'

/** A small yard for tests of commands, and what a command does to it. */

export const START: Job = job({
  devices: [device(), device({ id: 'device-2', mark: '02', name: 'Gate' })],
  faults: [
    {
      id: 'f',
      deviceId: 'device-1',
      stage: null,
      origin: null,
      title: 'Loose',
      severity: 'looks',
      cause: 'loose',
      note: '',
      due: null,
      state: 'open',
      raisedAt: NOW,
      raisedBy: 'Lead',
      events: [],
    },
  ],
  photos: [
    {
      id: 'p',
      sha256: 'a'.repeat(64),
      deviceId: 'device-1',
      stepId: null,
      faultId: 'f',
      caption: '',
      marks: [],
      at: NOW,
      by: 'Lead',
    },
  ],
  records: [
    {
      deviceId: 'device-1',
      stepId: 'mount/fix',
      title: '',
      state: 'done',
      value: null,
      choice: null,
      note: '',
      at: NOW,
      by: 'Lead',
    },
  ],
})
export const LATER = '2026-03-05T12:00:00.000Z'
export const command = (change: Change): Command => said(change, { at: LATER, by: 'Installer 2' })
export function after(change: Change, on: Job | null = START): Job {
  const applied = apply(on, command(change), CATALOGUE)
  if (!applied.ok) throw new Error(JSON.stringify(applied.reasons))
  return applied.job
}
export const refused = (change: Change, on: Job | null = START) => {
  const applied = apply(on, command(change), CATALOGUE)
  return applied.ok ? null : applied.reasons[0]!.path
}
