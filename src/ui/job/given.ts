import type { StoredJob } from './replica'

/**
 * A job of up to so many devices comes with the page and is computed before it is shown, by the server and
 * by the browser in the same state. A larger one is fetched beside the page, and computed in pieces.
 */
export const MOST_AT_ONCE = 60

/** A job as the server gives it with the page: whole, or, where it is large, by its name. */
export type GivenJob = StoredJob | LargeJob

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
