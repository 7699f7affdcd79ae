import { CATALOGUE } from '@/catalogue'
import { apply, type Change, type Command, type Job } from '@/core/job'
import { device, fault, job, photo, said, stepRecord } from './jobs'

/** A small yard for tests of commands, and what a command does to it. */

export const START: Job = job({
  devices: [device(), device({ id: 'device-2', mark: '02', name: 'Gate' })],
  faults: [fault({ deviceId: 'device-1' })],
  photos: [photo({ deviceId: 'device-1', faultId: 'f' })],
  records: [stepRecord()],
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
