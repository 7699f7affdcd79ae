import { z } from 'zod'

/** The kinds of field that the record's schemas share. */

export const keysOf = <T extends Record<string, unknown>>(table: T) =>
  z.enum(Object.keys(table) as [keyof T & string, ...(keyof T & string)[]])

/** Words of an address that an id may not be, or it would stand in the way of a screen. */
export const Id = z
  .string()
  .regex(
    /^(?!(?:new|add)$)[A-Za-z0-9_-]{1,64}$/,
    'An id has 1 to 64 letters, digits, - or _, and is not a word of an address (new, add).',
  )

/**
 * Signs that nobody types: halves of signs, control signs but tab and line break, and marks that turn the
 * writing round.
 */
const UNSEEN =
  /[\p{Cs}\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u200E\u200F\u202A-\u202E\u2066-\u2069]/u
const plain = (words: string) => !UNSEEN.test(words)
const UNSEEN_WORDS = 'It holds signs that cannot be seen (control signs or broken ones): type it again.'
export const PartId = z.string().min(1, 'Choose a part.').max(64)
/** `uplink-1` at equipment, a tail's name at a camera; null where none is chosen. */
export const Port = z.string().trim().min(1).max(60).nullable()
export const Name = z
  .string()
  .trim()
  .min(1, 'Give it a name.')
  .max(80, 'Use at most 80 characters.')
  .refine(plain, UNSEEN_WORDS)
export const Note = z.string().trim().max(2000, 'Use at most 2000 characters.').refine(plain, UNSEEN_WORDS)
export const Line = z.string().trim().max(200, 'Use at most 200 characters.').refine(plain, UNSEEN_WORDS)
/** Words that must be there: what is wrong, what was done. */
export const Words = (most: number, missing: string) =>
  z.string().trim().min(1, missing).max(most, `Use at most ${most} characters.`).refine(plain, UNSEEN_WORDS)
export const Moment = z.iso.datetime({ message: 'A moment is written like 2026-03-02T09:30:00Z.' })
export const Day = z.iso.date('A day is written like 2026-03-02.')
export const between = (min: number, max: number, unit: string) =>
  z
    .number(`Give a number of ${unit}.`)
    .min(min, `At least ${min} ${unit}.`)
    .max(max, `At most ${max} ${unit}.`)
