import 'server-only'
import { z } from 'zod'
import { CATALOGUE } from '@/catalogue'
import { apply, Command, reasonsOf, type Job, type Reason } from '@/core/job'
import { loadJob, revisionOf, saveJob, type Stored } from '../db/job'
import type { Db } from '../db/open'

/** What became of one command. */
export type Answer =
  | { readonly id: string; readonly status: 'applied' | 'already applied' }
  | { readonly id: string; readonly status: 'refused'; readonly reasons: readonly Reason[] }

export interface BatchAnswer {
  readonly answers: readonly Answer[]
  /** The revision of every job that the batch named and that exists now. */
  readonly revisions: Readonly<Record<string, number>>
}

/**
 * A batch as it comes in: commands are validated one by one, so that one bad command does not lose the
 * others.
 */
export const Batch = z.strictObject({
  commands: z
    .array(z.unknown())
    .min(1, 'Send at least one command.')
    .max(5000, 'Send at most 5000 commands at once.'),
})

/**
 * Applies a batch in one transaction. Each command is answered: applied, already applied (its id is known),
 * or refused with reasons. Refused commands change nothing and do not hold up the others.
 */
export function applyBatch(db: Db, commands: readonly unknown[]): BatchAnswer {
  const saved: Stored[] = []
  const answer = db
    .transaction((): BatchAnswer => {
      const jobs = new Map<string, { before: Stored | null; now: Job | null }>()
      const known = db.prepare('SELECT body FROM command WHERE id = ?').pluck()
      const log: Command[] = []
      const bodies = new Map<string, string>()

      const answers = commands.map((raw): Answer => {
        const parsed = Command.safeParse(raw)
        if (!parsed.success) return { id: idOf(raw), status: 'refused', reasons: reasonsOf(parsed.error) }
        const command = parsed.data
        let job = jobs.get(command.jobId)
        if (!job) {
          const before = load(db, command.jobId)
          job = { before, now: before?.job ?? null }
          jobs.set(command.jobId, job)
        }
        const body = JSON.stringify(command)
        const earlier = bodies.get(command.id) ?? (known.get(command.id) as string | undefined)
        if (earlier !== undefined) {
          if (earlier === body) return { id: command.id, status: 'already applied' }
          return {
            id: command.id,
            status: 'refused',
            reasons: [{ path: '/id', message: 'This id was used for another command.' }],
          }
        }
        const lacking = missingPhoto(db, command)
        if (lacking) return { id: command.id, status: 'refused', reasons: [lacking] }
        const applied = apply(job.now, command, CATALOGUE)
        if (!applied.ok) return { id: command.id, status: 'refused', reasons: applied.reasons }
        job.now = applied.job
        log.push(command)
        bodies.set(command.id, body)
        return { id: command.id, status: 'applied' }
      })
      const revisions: Record<string, number> = {}
      for (const [id, { before, now }] of jobs) {
        const old = before?.revision ?? 0
        if (!now) continue
        const changed = now !== before?.job
        revisions[id] = changed ? old + 1 : old
        if (!changed) continue
        saveJob(db, before?.job ?? null, now, old + 1)
        saved.push({ revision: old + 1, job: now })
      }
      keepCommands(
        db,
        log.map((command) => ({ command, body: bodies.get(command.id)! })),
      )
      return { answers, revisions }
    })
    .immediate()
  for (const stored of saved) heldBy(db).set(stored.job.id, stored) // only once the transaction stands
  return answer
}

/**
 * Makes a job that is not here yet from its commands, whole or not at all: the reasons why one is refused,
 * empty when all were applied, or 'exists'. The work is done before the record is locked, so that nobody
 * waits for it.
 */
export function applyNew(db: Db, commands: readonly Command[]): 'exists' | readonly Reason[] {
  let job: Job | null = null
  for (const command of commands) {
    const lacking = missingPhoto(db, command)
    const applied = apply(job, command, CATALOGUE)
    if (lacking) return [lacking]
    if (!applied.ok) return applied.reasons
    job = applied.job
  }
  const made = job!
  return db
    .transaction((): 'exists' | readonly Reason[] => {
      if (revisionOf(db, made.id) !== null) return 'exists'
      saveJob(db, null, made, 1)
      keepCommands(
        db,
        commands.map((command) => ({ command, body: JSON.stringify(command) })),
      )
      return []
    })
    .immediate()
}

function keepCommands(db: Db, log: readonly { readonly command: Command; readonly body: string }[]): void {
  const insert = db.prepare(
    'INSERT INTO command (id, job_id, type, at, by, body, applied_at) VALUES (@id, @jobId, @type, @at, @by, @body, @appliedAt)',
  )
  const appliedAt = new Date().toISOString()
  for (const {
    command: { id, jobId, type, at, by },
    body,
  } of log)
    insert.run({ id, jobId, type, at, by, body, appliedAt })
}

/** Loads a job, from memory when the record still stands at the same revision. */
export function load(db: Db, id: string): Stored | null {
  const revision = revisionOf(db, id)
  if (revision === null) return null
  const held = heldBy(db).get(id)
  if (held?.revision === revision) return held
  const stored = loadJob(db, id)
  if (stored) heldBy(db).set(id, stored)
  return stored
}

/** The last state of each job that this process saved or read. */
const HELD = new WeakMap<Db, Map<string, Stored>>()

function heldBy(db: Db): Map<string, Stored> {
  let held = HELD.get(db)
  if (!held) {
    held = new Map<string, Stored>()
    HELD.set(db, held)
  }
  return held
}

function missingPhoto(db: Db, command: Command): Reason | null {
  const named =
    command.type === 'addPhoto'
      ? { sha256: command.facts.sha256, path: '/facts/sha256' }
      : command.type === 'setBackground' && command.background
        ? { sha256: command.background.sha256, path: '/background/sha256' }
        : null
  if (!named || db.prepare('SELECT 1 FROM photo_content WHERE sha256 = ?').get(named.sha256)) return null
  return { path: named.path, message: 'Upload the picture first: its bytes are not here yet.' }
}

function idOf(raw: unknown): string {
  return typeof raw === 'object' && raw !== null && 'id' in raw && typeof raw.id === 'string' ? raw.id : ''
}
