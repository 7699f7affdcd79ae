import 'server-only'
import { CATALOGUE } from '@/catalogue'
import { assess, summarise, type JobSummary } from '@/core/assess'
import { load } from './commands/batch'
import type { Db } from './db/open'

/** All jobs in a line each with the moment of their last change, the one changed last first. */
export function jobSummaries(db: Db): (JobSummary & { readonly lastChange: string })[] {
  const rows = db
    .prepare(
      'SELECT job_id, MAX(applied_at) AS last_change FROM command GROUP BY job_id ORDER BY MAX(seq) DESC',
    )
    .all() as { job_id: string; last_change: string }[]
  return rows.flatMap(({ job_id, last_change }) => {
    const stored = load(db, job_id)
    return stored
      ? [{ ...summarise(stored.job, assess(stored.job, CATALOGUE)), lastChange: last_change }]
      : []
  })
}
