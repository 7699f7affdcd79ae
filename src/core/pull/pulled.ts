import type { Job } from '../job/job'
import { pulledIds } from '../route'

/** The marks of the cables that somebody has recorded as pulled. */
export function pulledIn({ records, devices, runs }: Job): ReadonlySet<string> {
  const pulled = pulledIds(records)
  return new Set([...devices, ...runs].flatMap(({ id, mark }) => (pulled.has(id) ? [mark] : [])))
}
