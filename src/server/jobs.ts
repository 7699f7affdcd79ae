import 'server-only'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { CATALOGUE } from '@/catalogue'
import { assess, MOST_AT_ONCE, summarise, type JobSummary, type ListedJob } from '@/core/assess'
import { load } from './commands/batch'
import type { Db } from './db/open'
import { prepared } from './db/prepared'
import { work } from './workshop/workshop'

/** All jobs in a line each with the moment of their last change, the one changed last first. */
export function listedJobs(db: Db, folder: string): ListedJob[] {
  return rowsOf(db).map(({ id, name, address, lastChange, devices, fresh, body }) => {
    const last = body === null ? null : (JSON.parse(body) as JobSummary)
    const listed = { id, name, address, lastChange }
    if (fresh) return { ...listed, summary: last, pending: false }
    if (devices <= MOST_AT_ONCE) return { ...listed, summary: summed(db, id), pending: false }
    inTheWorkshop(folder, id).catch(() => undefined) // it has been told already; the last summary stands
    return { ...listed, summary: last, pending: true }
  })
}

/** The same for a program that asks: it waits until every summary is of today. */
export async function jobSummaries(
  db: Db,
  folder: string,
): Promise<(JobSummary & { readonly lastChange: string })[]> {
  const listed = await Promise.all(
    listedJobs(db, folder).map(async (one) => ({
      ...one,
      summary: one.pending ? await inTheWorkshop(folder, one.id) : one.summary,
    })),
  )
  return listed.flatMap(({ summary, lastChange }) => (summary ? [{ ...summary, lastChange }] : []))
}

/**
 * Computes what a job comes to, and keeps it for its revision; null when there is no such job. A server that
 * answers others meanwhile has no patience with whoever writes.
 */
export function summed(db: Db, jobId: string, build = buildOf(), patienceMs = 0): JobSummary | null {
  const stored = load(db, jobId)
  if (!stored) return null
  const summary = summarise(stored.job, assess(stored.job, CATALOGUE))
  keep(db, [jobId, stored.revision, build, JSON.stringify(summary)], patienceMs)
  return summary
}

/** Keeps a summary, unless somebody else writes for longer than that: it can be computed again. */
function keep(db: Db, row: readonly unknown[], patienceMs: number): void {
  const usual = db.pragma('busy_timeout', { simple: true }) as number
  db.pragma(`busy_timeout = ${patienceMs}`)
  try {
    prepared(db, 'INSERT OR REPLACE INTO job_summary VALUES (?, ?, ?, ?)').run(...row)
  } catch (error) {
    if (!String((error as { code?: unknown }).code).startsWith('SQLITE_BUSY')) throw error
  } finally {
    db.pragma(`busy_timeout = ${usual}`)
  }
}

const COMING = new Map<string, Promise<JobSummary | null>>()
/** What failed is not tried again for so long, however often it is asked for, ms. */
const AGAIN_AFTER_MS = 60_000

/** Has a job summed up in a process of its own, once at a time however many ask. */
function inTheWorkshop(folder: string, jobId: string): Promise<JobSummary | null> {
  const key = `${folder} ${jobId}`
  const known = COMING.get(key)
  if (known) return known
  const coming = work('summary', { folder, jobId, build: buildOf() })
  COMING.set(key, coming)
  coming.then(
    () => COMING.delete(key),
    (error: unknown) => {
      console.error(error)
      setTimeout(() => COMING.delete(key), AGAIN_AFTER_MS).unref()
    },
  )
  return coming
}

interface JobRow {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly lastChange: string
  readonly devices: number
  readonly fresh: 0 | 1
  readonly body: string | null
}

const ROWS = `
  SELECT job.id, job.name, job.address, last.applied_at AS lastChange,
    (SELECT count(*) FROM device WHERE device.job_id = job.id) AS devices,
    coalesce(summary.revision = job.revision AND summary.build = ?, 0) AS fresh, summary.body
  FROM job
  JOIN command last ON last.seq = (SELECT max(seq) FROM command WHERE command.job_id = job.id)
  LEFT JOIN job_summary summary ON summary.job_id = job.id
  ORDER BY last.seq DESC`

const rowsOf = (db: Db): JobRow[] => prepared(db, ROWS).all(buildOf()) as JobRow[]

let known: string | null = null

/** Which build computes: another one may come to something else. */
function buildOf(): string {
  const path = join(/* turbopackIgnore: true */ process.cwd(), '.next/BUILD_ID')
  known ??= existsSync(path) ? readFileSync(path, 'utf8').trim() : `unbuilt-${process.pid}`
  return known
}
