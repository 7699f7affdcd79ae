import { z } from 'zod'

/** The kinds of field that the record's schemas share. */

export const keysOf = <T extends Record<string, unknown>>(table: T) => z.enum(Object.keys(table) as [keyof T & string, ...(keyof T & string)[]])

export const Id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/, 'An id has 1 to 64 letters, digits, - or _.')
export const PartId = z.string().min(1, 'Choose a part.').max(64)
export const Name = z.string().trim().min(1, 'Give it a name.').max(80, 'Use at most 80 characters.')
export const Note = z.string().trim().max(2000, 'Use at most 2000 characters.')
export const Line = z.string().trim().max(200, 'Use at most 200 characters.')
export const Moment = z.iso.datetime({ message: 'A moment is written like 2026-03-02T09:30:00Z.' })
export const Day = z.iso.date('A day is written like 2026-03-02.')
export const between = (min: number, max: number, unit: string) =>
  z.number(`Give a number of ${unit}.`).min(min, `At least ${min} ${unit}.`).max(max, `At most ${max} ${unit}.`)
