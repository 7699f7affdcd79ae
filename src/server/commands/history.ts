import 'server-only'
import { upgradedCommand, type Command } from '@/core/job'
import type { Db } from '../db/open'
import { prepared } from '../db/prepared'

/** One applied command, as history shows it: in today's form, whatever it was said in. */
export interface Entry {
  readonly seq: number
  readonly appliedAt: string
  readonly command: Command
}

const commandIn = (body: string): Command => upgradedCommand(JSON.parse(body)) as Command

/** Commands of a job in the order in which they were applied, after `after`, at most `limit`. */
export function history(db: Db, jobId: string, after = 0, limit = 1000): Entry[] {
  const sql = 'SELECT seq, applied_at, body FROM command WHERE job_id = ? AND seq > ? ORDER BY seq LIMIT ?'
  const rows = prepared(db, sql).all(jobId, after, limit) as {
    seq: number
    applied_at: string
    body: string
  }[]
  return rows.map(({ seq, applied_at, body }) => ({ seq, appliedAt: applied_at, command: commandIn(body) }))
}

/** Whether a job has taken the command of this id. */
export function hasCommand(db: Db, jobId: string, id: string): boolean {
  return prepared(db, 'SELECT 1 FROM command WHERE id = ? AND job_id = ?').get(id, jobId) !== undefined
}

/**
 * Everything that a job took after a revision, in order; null when that is no longer known, and the job must
 * be read whole.
 */
export function commandsSince(db: Db, jobId: string, revision: number): Command[] | null {
  const oldest = prepared(db, 'SELECT min(revision) FROM command WHERE job_id = ?').pluck()
  const first = oldest.get(jobId) as number | null
  if (first === null || revision < first - 1) return null
  const unknown = revision === 0 ? 'OR revision IS NULL' : ''
  const sql = `SELECT body FROM command WHERE job_id = ? AND (revision > ? ${unknown}) ORDER BY seq`
  const bodies = prepared(db, sql).pluck().all(jobId, revision) as string[]
  return bodies.map(commandIn)
}
