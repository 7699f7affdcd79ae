import 'server-only'
import type { Db } from '../db/open'
import { applyBatch, type BatchAnswer } from './batch'

interface Asked {
  readonly commands: readonly unknown[]
  readonly resolve: (answer: BatchAnswer) => void
  readonly reject: (error: unknown) => void
}

const QUEUES = new WeakMap<Db, Asked[]>()

/**
 * Applies batches that come in at the same time in one transaction, with one sync to disk, and answers each
 * for itself. Where the whole fails, each is tried alone, so that one cannot take others with it.
 */
export function applyTogether(db: Db, commands: readonly unknown[]): Promise<BatchAnswer> {
  return new Promise((resolve, reject) => {
    const asked: Asked = { commands, resolve, reject }
    const waiting = QUEUES.get(db)
    if (waiting) {
      waiting.push(asked)
      return
    }
    QUEUES.set(db, [asked])
    setImmediate(() => {
      const batch = QUEUES.get(db)!
      QUEUES.delete(db)
      answerAll(db, batch)
    })
  })
}

function answerAll(db: Db, batch: readonly Asked[]): void {
  try {
    const { answers, revisions } = applyBatch(
      db,
      batch.flatMap(({ commands }) => commands),
    )
    let from = 0
    for (const { commands, resolve } of batch) {
      resolve({ answers: answers.slice(from, from + commands.length), revisions: named(commands, revisions) })
      from += commands.length
    }
  } catch (error) {
    for (const { commands, resolve, reject } of batch) {
      if (batch.length === 1) return reject(error)
      try {
        resolve(applyBatch(db, commands))
      } catch (failed) {
        reject(failed)
      }
    }
  }
}

/** The revisions of the jobs that these commands name. */
function named(commands: readonly unknown[], revisions: BatchAnswer['revisions']): Record<string, number> {
  const jobs = new Set(commands.map((raw) => (raw as { jobId?: unknown } | null)?.jobId))
  return Object.fromEntries(Object.entries(revisions).filter(([id]) => jobs.has(id)))
}
