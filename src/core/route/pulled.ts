import type { Job } from '../job/job'

const PULLED = 'route/pull'

/** The records that a pull sheet rests on: what is pulled is not cut again. */
export const ofPulls = (records: Job['records']): Job['records'] =>
  records.filter(({ stepId, state }) => stepId === PULLED && state === 'done')

/** The cables that somebody has recorded as pulled, by the ids of their devices and runs. */
export const pulledIds = (records: Job['records']): ReadonlySet<string> =>
  new Set(ofPulls(records).map(({ deviceId }) => deviceId))
