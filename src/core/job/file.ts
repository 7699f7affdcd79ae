import { z } from 'zod'
import { reasonsOf, type Reason } from './commands/kind'
import { Job } from './job'
import { upgradedJob } from './upgrades'
import { RECORD_VERSION } from './version'

/**
 * The open file of one job: the record, and the bytes of its photos, so that it imports again without loss.
 */
export const JobFile = z.strictObject({
  format: z.literal('neat-bracket-job'),
  version: z.literal(RECORD_VERSION),
  job: Job,
  /** Photos by content, base64; one entry a distinct photo. */
  photos: z.array(
    z.strictObject({
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
      base64: z.base64(),
    }),
  ),
})
export type JobFile = z.infer<typeof JobFile>

export type Opened =
  | { readonly ok: true; readonly file: JobFile }
  | { readonly ok: false; readonly reasons: readonly Reason[] }

const closed = (path: string, message: string): Opened => ({ ok: false, reasons: [{ path, message }] })

/** Reads a job file of any version from its text. Says in words what is wrong; never throws. */
export function openJobFile(words: string): Opened {
  let data: unknown
  try {
    data = JSON.parse(words)
  } catch {
    return closed('', 'This is not a JSON file.')
  }
  const heading = z
    .looseObject({ format: z.literal('neat-bracket-job'), version: z.number(), job: z.unknown() })
    .safeParse(data)
  if (!heading.success) return closed('/format', 'This is not a Neat Bracket job file.')
  const { version, job } = heading.data
  if (version > RECORD_VERSION) {
    return closed('/version', `Version ${version} is newer than this program reads (${RECORD_VERSION}).`)
  }
  if (!Number.isInteger(version) || version < 1) return closed('/version', `There is no version ${version}.`)
  const parsed = JobFile.safeParse({
    ...heading.data,
    version: RECORD_VERSION,
    job: upgradedJob(job, version),
  })
  return parsed.success ? { ok: true, file: parsed.data } : { ok: false, reasons: reasonsOf(parsed.error) }
}

/** The JSON Schema (2020-12) of the job file: its published contract. */
export function jobFileSchema(): object {
  return {
    $id: `neat-bracket-job-${RECORD_VERSION}`,
    title: 'Neat Bracket job file',
    ...z.toJSONSchema(JobFile, { target: 'draft-2020-12' }),
  }
}
