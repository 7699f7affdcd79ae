import 'server-only'
import { randomUUID } from 'node:crypto'
import { commandsOf, openJobFile, type Reason } from '@/core/job'
import { applyBatch, RefusedBatch } from '../commands/batch'
import { revisionOf } from '../db/job'
import type { Db } from '../db/open'
import { keepPhoto } from '../photos/store'

export type Imported = { readonly ok: true; readonly jobId: string } | { readonly ok: false; readonly status: 409 | 422; readonly title: string; readonly reasons: readonly Reason[] }

/**
 * Imports a job file through commands, whole or not at all. A job that is here already is refused unless `asCopy`,
 * which gives the copy an id of its own.
 */
export async function importJobFile(db: Db, folder: string, words: string, asCopy: boolean): Promise<Imported> {
  const opened = openJobFile(words)
  if (!opened.ok) return { ok: false, status: 422, title: 'This file cannot be imported', reasons: opened.reasons }
  const { job, photos } = opened.file
  if (!asCopy && revisionOf(db, job.id) !== null) {
    return { ok: false, status: 409, title: 'This job is here already', reasons: [{ path: '/job/id', message: `"${job.name}" is here already. Import it as a copy to keep both.` }] }
  }
  for (const [index, { sha256, base64 }] of photos.entries()) {
    const kept = await keepPhoto(db, folder, sha256, Buffer.from(base64, 'base64'))
    if (!kept.ok) return { ok: false, status: 422, title: 'A photo of this file cannot be imported', reasons: [{ path: `/photos/${index}`, message: kept.message }] }
  }
  const jobId = asCopy ? randomUUID() : job.id
  try {
    applyBatch(db, commandsOf(job, randomUUID, jobId), { wholeOrNothing: true })
  } catch (error) {
    if (!(error instanceof RefusedBatch)) throw error
    const first = error.answers.find((answer) => answer.status === 'refused') // what follows is refused because of it
    return { ok: false, status: 422, title: 'This job does not hold together', reasons: first?.status === 'refused' ? first.reasons : [] }
  }
  return { ok: true, jobId }
}
