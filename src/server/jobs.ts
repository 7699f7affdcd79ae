import 'server-only'
import { CATALOGUE } from '@/catalogue'
import { assessAgain, summarise, type Assessed, type Assessment, type JobSummary } from '@/core/assess'
import type { Job } from '@/core/job'
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
    return stored ? [{ ...summarise(stored.job, assessed(stored.job)), lastChange: last_change }] : []
  })
}

/** The last assessment of each job in this process: the next takes over what did not change. */
const LAST = new Map<string, Assessed>()

function assessed(job: Job): Assessment {
  const before = LAST.get(job.id) ?? null
  if (before?.job === job) return before.assessment
  const assessment = assessAgain(before, job, CATALOGUE)
  LAST.set(job.id, { job, assessment })
  return assessment
}
