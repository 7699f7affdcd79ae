import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import { apply, Command, reasonsOf, type Change, type Job, type Reason } from '@/core/job'
import { outbox } from '../outbox/outbox'
import { author } from './author'

export type Said = { readonly ok: true } | { readonly ok: false; readonly reasons: readonly Reason[] }

/** Puts a change into its envelope: a new id, now, and who works here. */
export function envelope(jobId: string, change: Change): Command {
  return { ...change, id: uuid(), jobId, at: new Date().toISOString(), by: author() }
}

/**
 * Says a change: it is checked here by the same rules as on the server, kept on this device and sent. The
 * answer comes once it is kept; reasons come back with the paths of the fields, so that a bad entry never
 * leaves the form.
 */
export async function say(job: Job | null, jobId: string, change: Change): Promise<Said> {
  const command = envelope(jobId, change)
  const parsed = Command.safeParse(command)
  if (!parsed.success) return { ok: false, reasons: reasonsOf(parsed.error) }
  const applied = apply(job, parsed.data, CATALOGUE)
  return applied.ok ? outbox().add(parsed.data) : applied
}

/**
 * A job as it stands with these commands applied; refused ones (sent before and applied since) are passed
 * over.
 */
export function withCommands(job: Job | null, commands: readonly Command[]): Job | null {
  return commands.reduce<Job | null>((now, command) => {
    const applied = apply(now, command, CATALOGUE)
    return applied.ok ? applied.job : now
  }, job)
}
