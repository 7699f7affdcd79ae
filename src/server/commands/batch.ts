import 'server-only'
import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { CATALOGUE } from '@/catalogue'
import {
  apply,
  applyAll,
  Command,
  conflictsOf,
  reasonsOf,
  upgradedCommand,
  type Job,
  type Reason,
} from '@/core/job'
import { loadJob, revisionOf, saveJob, type Stored } from '../db/job'
import type { Db } from '../db/open'
import { prepared } from '../db/prepared'
import { commandsSince } from './history'

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

interface Open {
  readonly before: Stored | null
  now: Job | null
  /** What was applied in this batch, with the commands that the server itself adds. */
  readonly log: Said[]
}

/** A command with its words as they are kept. */
interface Said {
  readonly command: Command
  readonly body: string
}

const saidOf = (command: Command): Said => ({ command, body: JSON.stringify(command) })

/**
 * Applies a batch in one transaction. Each command, of whatever version, is answered: applied, already
 * applied (its id is known), or refused with reasons. Refused commands change nothing and do not hold up the
 * others.
 */
export function applyBatch(db: Db, commands: readonly unknown[]): BatchAnswer {
  const saved: Stored[] = []
  const answer = db
    .transaction((): BatchAnswer => {
      const jobs = new Map<string, Open>()
      const bodies = bodiesOf(db, commands.map(idOf))
      const answers = commands.map((raw) => answerTo(db, raw, jobs, bodies))
      const revisions: Record<string, number> = {}
      for (const [id, { before, now, log }] of jobs) {
        if (!now) continue
        const revision = (before?.revision ?? 0) + (log.length > 0 ? 1 : 0)
        revisions[id] = revision
        if (log.length === 0) continue
        saveJob(db, before?.job ?? null, now, revision)
        keepCommands(db, log, revision)
        saved.push({ revision, job: now })
      }
      return { answers, revisions }
    })
    .immediate()
  for (const stored of saved) heldBy(db).set(stored.job.id, stored) // only once the transaction stands
  return answer
}

function answerTo(db: Db, raw: unknown, jobs: Map<string, Open>, bodies: Map<string, string>): Answer {
  const parsed = Command.safeParse(upgradedCommand(raw))
  if (!parsed.success) return { id: idOf(raw), status: 'refused', reasons: reasonsOf(parsed.error) }
  const command = parsed.data
  const { id } = command
  const refused = (...reasons: Reason[]): Answer => ({ id, status: 'refused', reasons })
  let open = jobs.get(command.jobId)
  if (!open) {
    const before = load(db, command.jobId)
    open = { before, now: before?.job ?? null, log: [] }
    jobs.set(command.jobId, open)
  }
  const said = saidOf(command)
  const earlier = bodies.get(id)
  if (earlier === said.body) return { id, status: 'already applied' }
  if (earlier !== undefined) return refused({ path: '/id', message: 'This id was used for another command.' })
  if (command.type === 'noteConflict') {
    return refused({ path: '/type', message: 'Conflicts are noted by the server alone.' })
  }
  const lacking = missingPhoto(db, command)
  if (lacking) return refused(lacking)
  const applied = apply(open.now, command, CATALOGUE)
  if (!applied.ok) return refused(...applied.reasons)
  open.now = applied.job
  const conflicts = unknownTo(db, command, open)
  open.log.push(said)
  bodies.set(id, said.body)
  for (const noted of conflicts) {
    const kept = apply(open.now, noted, CATALOGUE)
    if (!kept.ok) continue
    open.now = kept.job
    open.log.push(saidOf(noted))
  }
  return { id, status: 'applied' }
}

/** The words of known commands by id, as they would be written today; new ids are not among them. */
function bodiesOf(db: Db, ids: readonly string[]): Map<string, string> {
  const sql = 'SELECT id, body FROM command WHERE id IN (SELECT value FROM json_each(?))'
  const rows = prepared(db, sql).all(JSON.stringify(ids)) as { id: string; body: string }[]
  return new Map(
    rows.map(({ id, body }) => {
      const parsed = Command.safeParse(upgradedCommand(JSON.parse(body)))
      return [id, parsed.success ? JSON.stringify(parsed.data) : body]
    }),
  )
}

/** The notes of fields that somebody else set since the command's base, unknown to whoever said it. */
function unknownTo(db: Db, command: Command, { before, log }: Open): Command[] {
  const { base, jobId, at, by, version } = command
  if (base === null || !before) return []
  const since = base < before.revision ? (commandsSince(db, jobId, base) ?? []) : []
  const meanwhile = [...since, ...log.map(({ command: one }) => one)]
  return conflictsOf(command, meanwhile).map((conflict) => ({
    type: 'noteConflict',
    id: randomUUID(),
    jobId,
    at,
    by,
    version,
    madeOn: 'server',
    base: null,
    conflict,
  }))
}

/**
 * Makes a job that is not here yet from its commands, whole or not at all: the reasons why one is refused,
 * empty when all were applied, or 'exists'. The work is done before the record is locked, so that nobody
 * waits for it.
 */
export function applyNew(db: Db, commands: readonly Command[]): 'exists' | readonly Reason[] {
  for (const command of commands) {
    const lacking = missingPhoto(db, command)
    if (lacking) return [lacking]
  }
  const applied = applyAll(null, commands, CATALOGUE)
  if (!applied.ok) return applied.reasons
  const { job: made } = applied
  return db
    .transaction((): 'exists' | readonly Reason[] => {
      if (revisionOf(db, made.id) !== null) return 'exists'
      saveJob(db, null, made, 1)
      keepCommands(db, commands.map(saidOf), 1)
      return []
    })
    .immediate()
}

const KEEP = `INSERT INTO command (id, job_id, type, at, by, body, applied_at, revision)
  VALUES (?, ?, ?, ?, ?, ?, ?, ?)`

function keepCommands(db: Db, log: readonly Said[], revision: number): void {
  const keep = prepared(db, KEEP)
  const appliedAt = new Date().toISOString()
  for (const { command, body } of log) {
    const { id, jobId, type, at, by } = command
    keep.run(id, jobId, type, at, by, body, appliedAt, revision)
  }
}

/** Loads a job, from memory when the record still stands at the same revision. */
export function load(db: Db, id: string): Stored | null {
  const revision = revisionOf(db, id)
  if (revision === null) return null
  const known = heldBy(db).get(id)
  if (known?.revision === revision) return known
  const stored = loadJob(db, id)
  if (stored) heldBy(db).set(id, stored)
  return stored
}

/** The last state of each job that this process saved or read. */
const HELD = new WeakMap<Db, Map<string, Stored>>()

function heldBy(db: Db): Map<string, Stored> {
  let known = HELD.get(db)
  if (!known) {
    known = new Map<string, Stored>()
    HELD.set(db, known)
  }
  return known
}

function pictureIn(command: Command): { readonly sha256: string; readonly path: string } | null {
  if (command.type === 'addPhoto') return { sha256: command.facts.sha256, path: '/facts/sha256' }
  if (command.type === 'setBackground' && command.background) {
    return { sha256: command.background.sha256, path: '/background/sha256' }
  }
  return null
}

function missingPhoto(db: Db, command: Command): Reason | null {
  const named = pictureIn(command)
  if (!named || prepared(db, 'SELECT 1 FROM photo_content WHERE sha256 = ?').get(named.sha256)) return null
  return { path: named.path, message: 'Upload the picture first: its bytes are not here yet.' }
}

function idOf(raw: unknown): string {
  return typeof raw === 'object' && raw !== null && 'id' in raw && typeof raw.id === 'string' ? raw.id : ''
}
