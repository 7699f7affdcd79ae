import type { Job } from '../job/job'

const PULLED = 'route/pull'

/** The records that a pull sheet rests on: what is pulled is not cut again. */
export const ofPulls = (records: Job['records']): Job['records'] =>
  records.filter(({ stepId, state }) => stepId === PULLED && state === 'done')

/** The marks of the cables that somebody has recorded as pulled. */
export function pulledIn({ records, devices, runs }: Job): ReadonlySet<string> {
  const pulled = new Set(ofPulls(records).map(({ deviceId }) => deviceId))
  return new Set([...devices, ...runs].flatMap(({ id, mark }) => (pulled.has(id) ? [mark] : [])))
}
