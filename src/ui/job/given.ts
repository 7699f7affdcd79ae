import { MOST_AT_ONCE } from '@/core/assess'
import type { Landed, StoredJob } from '../kept/copies'

/**
 * A job as the server gives it with the page: whole, and shown in the same state by server and browser; or,
 * where it is large, by its name. As it is kept on this device it has beside what has landed since.
 */
export type GivenJob = WholeJob | LargeJob

export type WholeJob = StoredJob & { readonly landed?: readonly Landed[] }

export interface LargeJob {
  readonly id: string
  readonly name: string
  readonly devices: number
}

/** Where a job is read whole. */
export const wholeJob = (jobId: string): string => `/api/jobs/${jobId}`

export function givenOf(stored: StoredJob): GivenJob {
  const { id, name, devices } = stored.job
  return devices.length <= MOST_AT_ONCE ? stored : { id, name, devices: devices.length }
}
