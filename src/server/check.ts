import 'server-only'
import { existsSync } from 'node:fs'
import { Job, reasonsOf } from '@/core/job'
import { loadJob } from './db/job'
import type { Db } from './db/open'
import { isWhole, pathOf, photoFiles } from './photos/store'

/** One thing that is wrong with the record, and what to do about it. */
export interface Fault {
  readonly what: string
  readonly advice: string
}

const RESTORE = 'Stop the server and put back the last copy of the data folder.'

/**
 * Holds the record against itself and against its files: the database, every job by the schema, every
 * photo. Changes nothing.
 */
export function checkRecord(db: Db, folder: string): readonly Fault[] {
  const faults: Fault[] = []
  const sound = db.pragma('integrity_check', { simple: true }) as string
  if (sound !== 'ok') faults.push({ what: `The database is damaged: ${sound}`, advice: RESTORE })
  for (const { table, parent } of db.pragma('foreign_key_check') as { table: string; parent: string }[])
    faults.push({
      what: `A row of ${table} refers to a row of ${parent} that is not there.`,
      advice: RESTORE,
    })
  for (const id of db.prepare('SELECT id FROM job').pluck().all() as string[]) {
    const parsed = Job.safeParse(loadJob(db, id)?.job)
    if (!parsed.success)
      faults.push({
        what: `Job ${id} does not hold together: ${reasonsOf(parsed.error)
          .map(({ path, message }) => `${path} ${message}`)
          .join(' ')}`,
        advice: RESTORE,
      })
  }
  const known = new Set(db.prepare('SELECT sha256 FROM photo_content').pluck().all() as string[])
  for (const sha256 of known) {
    if (isWhole(folder, sha256)) continue
    const missing = !existsSync(pathOf(folder, sha256, 'original'))
    faults.push({
      what: `The picture ${sha256} is ${missing ? 'missing' : 'damaged'}.`,
      advice: 'Upload the same photo again, or put its files back from a copy of the data folder.',
    })
  }
  for (const { path, sha256 } of photoFiles(folder)) {
    if (sha256 === null)
      faults.push({
        what: `${path} was left half-written.`,
        advice: 'It goes by itself an hour after it was written, when the server starts.',
      })
    else if (!known.has(sha256))
      faults.push({
        what: `${path} belongs to no photo of the record.`,
        advice: 'It may be removed; a photo that is uploaded again would use it.',
      })
  }
  return faults
}
