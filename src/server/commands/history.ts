import 'server-only'
import type { Command } from '@/core/job'
import type { Db } from '../db/open'

/** One applied command, as history shows it. */
export interface Entry {
  readonly seq: number
  readonly appliedAt: string
  readonly command: Command
}

/** Commands of a job in the order in which they were applied, after `after`, at most `limit`. */
export function history(db: Db, jobId: string, after = 0, limit = 1000): Entry[] {
  const rows = db
    .prepare('SELECT seq, applied_at, body FROM command WHERE job_id = ? AND seq > ? ORDER BY seq LIMIT ?')
    .all(jobId, after, limit) as { seq: number; applied_at: string; body: string }[]
  return rows.map(({ seq, applied_at, body }) => ({
    seq,
    appliedAt: applied_at,
    command: JSON.parse(body) as Command,
  }))
}
