import { z } from 'zod'
import type { Catalogue } from '../../parts'
import { Id, Moment, Name } from '../fields'
import type { Job } from '../job'
import { RECORD_VERSION } from '../version'

export interface Reason {
  /** Where in the command, as a JSON pointer; '' for the whole. */
  readonly path: string
  readonly message: string
}

export type Applied =
  | { readonly ok: true; readonly job: Job }
  | { readonly ok: false; readonly reasons: readonly Reason[] }

export const refuse = (path: string, message: string): Applied => ({
  ok: false,
  reasons: [{ path, message }],
})
export const unknownPart = (path: string, id: string): Applied =>
  refuse(path, `The catalogue has no part "${id}".`)
export const changed = (job: Job, change: Partial<Job>): Applied => ({ ok: true, job: { ...job, ...change } })

/** What every command carries: who said it, when, where and on the ground of what. */
export const ENVELOPE = {
  /** Made by whoever says it, so that sending twice does no harm. */
  id: z.uuid('A command id is a UUID.'),
  jobId: Id,
  at: Moment,
  by: Name,
  version: z.literal(RECORD_VERSION),
  /** The browser or program it was said with; '' where that is not known. */
  madeOn: z.string().max(64),
  /** The revision of the job that whoever said it had before them; null where that is not known. */
  base: z.int().min(0).nullable(),
}
export type Envelope = z.infer<z.ZodObject<typeof ENVELOPE>>

/** A field that a command sets, by the way to it: `device/<id>/sight/tiltDeg`, `step/<device>/<step>`. */
export type Touched = readonly (readonly [path: string, value: unknown])[]

/**
 * One kind of command: what it carries, what it does, and what is said of it. `O` is what it carries, as
 * its schema reads it.
 */
export interface CommandKind<S extends z.ZodRawShape, O = z.infer<z.ZodObject<S>>> {
  readonly shape: S
  /** What it is called by those who gave it: "a recorded step". */
  readonly called: string
  /** The job after it, sharing whatever did not change, or why it is refused. */
  readonly apply: (job: Job, said: O & Envelope, catalogue: Catalogue) => Applied
  /** The single fields it sets: where two people's fields meet, both are kept to choose from. */
  readonly touches?: (said: O) => Touched
}

export const kind = <S extends z.ZodRawShape>(of: CommandKind<S>): CommandKind<S> => of

/** Each given field of a change with the way to it. */
export const fieldsOf = (way: string, change: object): Touched =>
  Object.entries(change).flatMap(([field, value]) =>
    value === undefined ? [] : [[`${way}/${field}`, value] as const],
  )

/** Replaces the item with the same id in its place, or appends it. */
export function put<T extends { id: string }>(items: readonly T[], item: T): T[] {
  const index = items.findIndex(({ id }) => id === item.id)
  return index < 0 ? [...items, item] : items.with(index, item)
}

/** Turns Zod's issues into reasons with JSON pointers. */
export function reasonsOf(error: z.ZodError, under = ''): Reason[] {
  return error.issues.map((issue) => ({
    path: under + issue.path.map((step) => `/${String(step)}`).join(''),
    message: issue.message,
  }))
}
