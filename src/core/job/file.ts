import { z } from 'zod'
import { reasonsOf, type Reason } from './command'
import { Job } from './job'

/** The open file of one job: the record, and the bytes of its photos, so that it imports again without loss. */
export const JobFile = z.strictObject({
  format: z.literal('neat-bracket-job'),
  version: z.literal(1),
  job: Job,
  /** Photos by content, base64; one entry a distinct photo. */
  photos: z.array(z.strictObject({ sha256: z.string().regex(/^[0-9a-f]{64}$/), base64: z.base64() })),
})
export type JobFile = z.infer<typeof JobFile>

export type Opened = { readonly ok: true; readonly file: JobFile } | { readonly ok: false; readonly reasons: readonly Reason[] }

/** Reads a job file from its text. Says in words what is wrong; never throws. */
export function openJobFile(words: string): Opened {
  let data: unknown
  try {
    data = JSON.parse(words)
  } catch {
    return { ok: false, reasons: [{ path: '', message: 'This is not a JSON file.' }] }
  }
  const heading = z.object({ format: z.literal('neat-bracket-job'), version: z.number() }).safeParse(data)
  if (!heading.success) return { ok: false, reasons: [{ path: '/format', message: 'This is not a Neat Bracket job file.' }] }
  if (heading.data.version !== 1) return { ok: false, reasons: [{ path: '/version', message: `Version ${heading.data.version} is newer than this program reads (1).` }] }
  const parsed = JobFile.safeParse(data)
  return parsed.success ? { ok: true, file: parsed.data } : { ok: false, reasons: reasonsOf(parsed.error) }
}

/** The JSON Schema (2020-12) of the job file: its published contract. */
export function jobFileSchema(): object {
  return { $id: 'neat-bracket-job-1', title: 'Neat Bracket job file', ...z.toJSONSchema(JobFile, { target: 'draft-2020-12' }) }
}
