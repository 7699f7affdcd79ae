import 'server-only'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { load } from './commands/batch'
import type { Db } from './db/open'

/** What the list of jobs shows of one. */
export interface JobSummary {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly sentence: string
  readonly devices: number
  readonly stopped: number
  readonly stepsDone: number
  readonly steps: number
  readonly openFaults: number
  readonly lastChange: string
}

/** All jobs, the one changed last first. */
export function jobSummaries(db: Db): JobSummary[] {
  const rows = db.prepare('SELECT job.id, MAX(command.applied_at) AS last_change, MAX(command.seq) AS seq FROM job JOIN command ON command.job_id = job.id GROUP BY job.id ORDER BY seq DESC').all() as { id: string; last_change: string }[]
  return rows.flatMap(({ id, last_change }) => {
    const stored = load(db, id)
    if (!stored) return []
    const { job } = stored
    const { sentence, counts, devices } = assess(job, CATALOGUE)
    return [{
      id, name: job.name, address: job.address, sentence, devices: counts.devices, stopped: counts.stopped,
      stepsDone: devices.reduce((sum, { log }) => sum + log.done, 0), steps: devices.reduce((sum, { log }) => sum + log.total, 0),
      openFaults: job.faults.filter(({ state }) => state !== 'closed').length, lastChange: last_change,
    }]
  })
}
