import type { Job } from '../job/job'

const PULLED = 'route/pull'

/** The marks of the cables that somebody has recorded as pulled. */
export function pulledIn({ records, devices, runs }: Job): ReadonlySet<string> {
  const pulled = new Set(
    records.flatMap(({ deviceId, stepId, state }) =>
      stepId === PULLED && state === 'done' ? [deviceId] : [],
    ),
  )
  return new Set([...devices, ...runs].flatMap(({ id, mark }) => (pulled.has(id) ? [mark] : [])))
}
