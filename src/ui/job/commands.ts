import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import {
  apply,
  Command,
  narrowed,
  reasonsOf,
  RECORD_VERSION,
  type Change,
  type Job,
  type Reason,
} from '@/core/job'
import { outbox } from '../outbox/outbox'
import { author } from './author'

export type Said = { readonly ok: true } | { readonly ok: false; readonly reasons: readonly Reason[] }

const KEY = 'neat-bracket-browser'

/** A name for this browser, made once: what it says is told from what others say. */
function browserName(): string {
  if (typeof window === 'undefined') return ''
  const held = window.localStorage.getItem(KEY)
  if (held) return held
  const made = uuid()
  try {
    window.localStorage.setItem(KEY, made)
  } catch {
    return '' // a full storage: it is not known then
  }
  return made
}

/** Puts a change into its envelope: a new id, now, who works here, and on the ground of which revision. */
export function envelope(jobId: string, change: Change, base: number | null = null): Command {
  return {
    ...change,
    id: uuid(),
    jobId,
    at: new Date().toISOString(),
    by: author(),
    version: RECORD_VERSION,
    madeOn: browserName(),
    base,
  }
}

/**
 * Says a change, reduced to the fields that differ: it is checked here by the same rules as on the server,
 * kept on this device and sent. The answer comes once it is kept; reasons come back with the paths of the
 * fields, so that a bad entry never leaves the form.
 */
export async function say(
  job: Job | null,
  jobId: string,
  change: Change,
  base: number | null = null,
): Promise<Said> {
  const command = envelope(jobId, job ? narrowed(job, change) : change, base)
  const parsed = Command.safeParse(command)
  if (!parsed.success) return { ok: false, reasons: reasonsOf(parsed.error) }
  const applied = apply(job, parsed.data, CATALOGUE)
  return applied.ok ? outbox().add(parsed.data) : applied
}
