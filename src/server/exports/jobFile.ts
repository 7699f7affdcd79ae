import 'server-only'
import { RECORD_VERSION, type Job, type JobFile } from '@/core/job'
import type { Db } from '../db/open'
import { readPhoto } from '../photos/store'

/** The whole job as one file, photos included. */
export function jobFile(db: Db, folder: string, job: Job): JobFile {
  const hashes = [...new Set([...job.photos, ...job.backgrounds].map(({ sha256 }) => sha256))]
  const photos = hashes.flatMap((sha256) => {
    const photo = readPhoto(db, folder, sha256, 'original')
    return photo ? [{ sha256, base64: photo.bytes.toString('base64') }] : []
  })
  return { format: 'neat-bracket-job', version: RECORD_VERSION, job, photos }
}
