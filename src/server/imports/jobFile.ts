import 'server-only'
import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { commandsOf, openJobFile, type Reason } from '@/core/job'
import { applyBatch, applyNew } from '../commands/batch'
import { revisionOf } from '../db/job'
import type { Db } from '../db/open'
import { knowPhoto, storePhoto } from '../photos/store'

export type Imported =
  | { readonly ok: true; readonly jobId: string; readonly refused: number }
  | {
      readonly ok: false
      readonly status: 409 | 422
      readonly title: string
      readonly reasons: readonly Reason[]
    }

const no = (title: string, reasons: readonly Reason[], status: 409 | 422 = 422): Imported => ({
  ok: false,
  status,
  title,
  reasons,
})

/** Work that waited on a device and was saved as a file there. */
const WaitingFile = z.strictObject({
  format: z.literal('neat-bracket-waiting'),
  version: z.literal(1),
  commands: z
    .array(z.looseObject({ jobId: z.string() }))
    .min(1)
    .max(20_000),
  photos: z.array(z.strictObject({ sha256: z.string(), base64: z.base64() })),
})

/** Takes a file in: a whole job, or work that waited on a device. */
export async function importFile(db: Db, folder: string, words: string, asCopy: boolean): Promise<Imported> {
  if (!/"format"\s*:\s*"neat-bracket-waiting"/.test(words.slice(0, 200)))
    return importJobFile(db, folder, words, asCopy)
  let data: unknown
  try {
    data = JSON.parse(words)
  } catch {
    return no('This file cannot be imported', [{ path: '', message: 'This is not a JSON file.' }])
  }
  const file = WaitingFile.safeParse(data)
  if (!file.success)
    return no('This file cannot be imported', [
      { path: '', message: 'This file of waiting work is damaged or of a newer program.' },
    ])
  const wrong = await keepPhotos(db, folder, file.data.photos)
  if (wrong) return wrong
  const { answers } = applyBatch(db, file.data.commands)
  const refused = answers.flatMap((answer, index) =>
    answer.status === 'refused'
      ? answer.reasons.map(({ path, message }) => ({ path: `/commands/${index}${path}`, message }))
      : [],
  )
  const failed = answers.filter(({ status }) => status === 'refused').length
  if (failed === answers.length) return no('Nothing of this work could be taken over', refused)
  return { ok: true, jobId: file.data.commands[0]!.jobId, refused: failed }
}

/**
 * Imports a job file through commands, whole or not at all. A job that is here already is refused unless
 * `asCopy`, which gives the copy an id of its own.
 */
export async function importJobFile(
  db: Db,
  folder: string,
  words: string,
  asCopy: boolean,
): Promise<Imported> {
  const opened = openJobFile(words)
  if (!opened.ok) return no('This file cannot be imported', opened.reasons)
  const { job, photos } = opened.file
  const here: Imported = no(
    'This job is here already',
    [{ path: '/job/id', message: `"${job.name}" is here already. Import it as a copy to keep both.` }],
    409,
  )
  if (!asCopy && revisionOf(db, job.id) !== null) return here
  const wrong = await keepPhotos(db, folder, photos)
  if (wrong) return wrong
  const jobId = asCopy ? randomUUID() : job.id
  const made = applyNew(db, commandsOf(job, randomUUID, jobId))
  if (made === 'exists') return here
  return made.length > 0 ? no('This job does not hold together', made) : { ok: true, jobId, refused: 0 }
}

async function keepPhotos(
  db: Db,
  folder: string,
  photos: readonly { readonly sha256: string; readonly base64: string }[],
): Promise<Imported | null> {
  for (const [index, { sha256, base64 }] of photos.entries()) {
    const kept = await storePhoto(folder, sha256, Buffer.from(base64, 'base64'))
    if (!kept.ok)
      return no('A photo of this file cannot be imported', [
        { path: `/photos/${index}`, message: kept.message },
      ])
    knowPhoto(db, kept.content)
  }
  return null
}
