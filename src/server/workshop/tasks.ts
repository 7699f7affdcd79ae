import 'server-only'
import { existsSync, readFileSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { CATALOGUE } from '@/catalogue'
import type { JobSummary } from '@/core/assess'
import type { Job } from '@/core/job'
import { labelsOf, type Labelled } from '@/core/labels'
import { load } from '../commands/batch'
import { openRecord, type Db } from '../db/open'
import { boxPlanCsv } from '../exports/boxPlan'
import { drawBackground, type DrawnBackground } from '../imports/background'
import { importFile, type Imported } from '../imports/jobFile'
import { summed } from '../jobs'
import { pathOf, storePhoto, type Kept } from '../photos/store'
import { labelsPdf, type LabelOrder } from '../print/labelsPdf'
import { planPrint, type PlanOrder } from '../print/planPrint'
import { pullPdf } from '../print/pullPdf'
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
  /** The printed record, written to a file. */
  record: (input: Printing & { deviceId: string | null }, onProgress: OnProgress) => Promise<Written>
  /** Which run is cut from which box, as CSV; null where the job is gone. */
  boxes: (input: { folder: string; jobId: string }, onProgress: OnProgress) => Promise<string | null>
  /** Sheets of labels, as PDF in base64; null where the job is gone. */
  labels: (input: {
    folder: string
    jobId: string
    what: Labelled
    order: LabelOrder
  }) => Promise<string | null>
  /** The pull sheet, written to a file. */
  pull: (input: Printing, onProgress: OnProgress) => Promise<Written>
  /** The plan of a floor to scale, written to a file. */
  plan: (input: Printing & { order: PlanOrder }, onProgress: OnProgress) => Promise<Written>
}

export interface Printing {
  readonly folder: string
  readonly jobId: string
  readonly today: string
  /** The file that it is written to. */
  readonly to: string
}
type OnProgress = (done: number, total: number) => void
/** Whether it was written, or why not. */
export type Written = { readonly ok: true } | { readonly ok: false; readonly message: string }

export type TaskName = keyof Tasks

/** How long a process that nobody waits for waits for others to have written, ms. */
const PATIENCE_MS = 20_000

export const TASKS: Tasks = {
  photo: ({ folder, path, expected }) => storePhoto(folder, expected, readFileSync(path)),
  background: ({ folder, path, page }) => drawBackground(folder, readFileSync(path), page),
  import: ({ folder, path, asCopy }) =>
    withRecord(folder, (db) => importFile(db, folder, readFileSync(path, 'utf8'), asCopy)),
  summary: ({ folder, jobId, build }) => withRecord(folder, (db) => summed(db, jobId, build, PATIENCE_MS)),
  boxes: ({ folder, jobId }, onProgress) =>
    withRecord(folder, async (db) => {
      const stored = load(db, jobId)
      return stored && boxPlanCsv(stored.job, onProgress)
    }),
  labels: ({ folder, jobId, what, order }) =>
    withRecord(folder, async (db) => {
      const stored = load(db, jobId)
      const labels = stored && labelsOf(stored.job, CATALOGUE, what)
      return labels && Buffer.from(await labelsPdf(labels, order)).toString('base64')
    }),
  record: ({ deviceId, ...input }, onProgress) =>
    printed(input, async (of) => {
      const bytes = await recordPdf({ ...of, deviceId, onProgress })
      return bytes ? { ok: true, bytes } : { ok: false, message: 'The job has no device with this id.' }
    }),
  pull: (input, onProgress) =>
    printed(input, async (of) => ({ ok: true, bytes: await pullPdf({ ...of, onProgress }) })),
  plan: ({ order, ...input }, onProgress) =>
    printed(input, (of) => planPrint({ ...of, ...order, onProgress })),
}

interface ToPrint {
  readonly job: Job
  readonly today: string
  readonly picture: (sha256: string) => Uint8Array | null
}

/** Prints something of a job into its file. */
async function printed(
  { folder, jobId, today, to }: Printing,
  print: (of: ToPrint) => Promise<{ ok: true; bytes: Uint8Array } | { ok: false; message: string }>,
): Promise<Written> {
  return withRecord(folder, async (db) => {
    const stored = load(db, jobId)
    if (!stored) return { ok: false, message: 'The job is gone.' }
    const picture = (sha256: string) => {
      const at = pathOf(folder, sha256, 'view')
      return existsSync(at) ? readFileSync(at) : null
    }
    const made = await print({ job: stored.job, today, picture })
    if (!made.ok) return made
    await writeFile(to, made.bytes)
    return { ok: true }
  })
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
