import 'server-only'
import { existsSync, readFileSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import type { JobSummary } from '@/core/assess'
import { load } from '../commands/batch'
import { openRecord, type Db } from '../db/open'
import { drawBackground, type DrawnBackground } from '../imports/background'
import { importFile, type Imported } from '../imports/jobFile'
import { summed } from '../jobs'
import { pathOf, storePhoto, type Kept } from '../photos/store'
import { recordPdf } from '../print/recordPdf'

/** What is done in a process of its own, because what it reads is foreign or what it makes takes long. */
export interface Tasks {
  /** A picture that came in under a name: kept in all its sizes. */
  photo: (input: { folder: string; path: string; expected: string | null }) => Promise<Kept>
  /** A site drawing: turned into a picture and kept. */
  background: (input: { folder: string; path: string; page: number }) => Promise<DrawnBackground>
  /** A job file, or a file of waiting work: taken into the record. */
  import: (input: { folder: string; path: string; asCopy: boolean }) => Promise<Imported>
  /** What a job comes to in a line, kept for the list of jobs. */
  summary: (input: { folder: string; jobId: string; build: string }) => Promise<JobSummary | null>
  /** The printed record, written to a file; false when there is no such device. */
  record: (
    input: { folder: string; jobId: string; deviceId: string | null; today: string; to: string },
    onProgress: (done: number, total: number) => void,
  ) => Promise<boolean>
}
export type TaskName = keyof Tasks

/** How long a process that nobody waits for waits for others to have written, ms. */
const PATIENCE_MS = 20_000

export const TASKS: Tasks = {
  photo: ({ folder, path, expected }) => storePhoto(folder, expected, readFileSync(path)),
  background: ({ folder, path, page }) => drawBackground(folder, readFileSync(path), page),
  import: ({ folder, path, asCopy }) =>
    withRecord(folder, (db) => importFile(db, folder, readFileSync(path, 'utf8'), asCopy)),
  summary: ({ folder, jobId, build }) => withRecord(folder, (db) => summed(db, jobId, build, PATIENCE_MS)),
  record: ({ folder, jobId, deviceId, today, to }, onProgress) =>
    withRecord(folder, async (db) => {
      const stored = load(db, jobId)
      if (!stored) return false
      const picture = (sha256: string) => {
        const at = pathOf(folder, sha256, 'view')
        return existsSync(at) ? readFileSync(at) : null
      }
      const pdf = await recordPdf({ job: stored.job, deviceId, today, picture, onProgress })
      if (pdf) await writeFile(to, pdf)
      return pdf !== null
    }),
}

/** Does something with the record of a folder, opened for it alone. */
async function withRecord<T>(folder: string, does: (db: Db) => T | Promise<T>): Promise<T> {
  const db = openRecord(folder)
  try {
    return await does(db)
  } finally {
    db.close()
  }
}
