import { RECORD_VERSION, type Job, type JobFile } from '@/core/job'
import { withCommands } from '../job/withCommands'
import { outbox } from '../outbox/outbox'
import { importFile, photoThere } from '../outbox/post'
import { copies, type StoredJob } from './copies'

/** A job as this device knows it, with what it said and the server had; null where it is not kept here. */
export async function jobToPutBack(jobId: string): Promise<Job | null> {
  const kept = await copies().open(jobId)
  if (!kept) return null
  const { stored, landed } = kept
  return (
    withCommands(
      stored.job,
      landed.map(({ command }) => command),
    ) ?? stored.job
  )
}

export type PutBack =
  /** `left`: pictures that neither the server nor this device has. */
  { readonly ok: true; readonly left: number } | { readonly ok: false; readonly says: string }

/**
 * Gives a job to a server that lacks it: first the bytes of its pictures that are here, then the job with
 * those pictures that the server has. What waits for it is sent again after. Never throws.
 */
export async function putBack(job: Job): Promise<PutBack> {
  const names = [...new Set([...job.photos, ...job.backgrounds].map(({ sha256 }) => sha256))]
  const there = new Set<string>()
  for (const name of names) {
    const found = await photoThere(name, await outbox().sentPhoto(name))
    if (found === null) return { ok: false, says: 'The server does not answer. Try again where it does.' }
    if (found) there.add(name)
  }
  const has = ({ sha256 }: { sha256: string }) => there.has(sha256)
  const file: JobFile = {
    format: 'neat-bracket-job',
    version: RECORD_VERSION,
    job: { ...job, photos: job.photos.filter(has), backgrounds: job.backgrounds.filter(has) },
    photos: [],
  }
  const said = await importFile(file)
  if (said !== null) return { ok: false, says: said }
  const whole = await fetch(`/api/jobs/${job.id}`).catch(() => null)
  // What was known of the job before is no more: the record begins anew with it.
  if (whole?.ok) await copies().keep((await whole.json()) as StoredJob, true)
  await copies().forgetLanded(job.id)
  await outbox().retryJob(job.id)
  return { ok: true, left: names.length - there.size }
}
