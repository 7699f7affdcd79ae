import { z } from 'zod'
import type { PlannedStage } from '../../findings'
import { SOURCES, type SourceId } from '../../sources'
import { atStart, type QuantityKind } from '../../units'

/** What the schemas of parts share, and how a form asks for what stands on a maker's sheet. */

/** What a schema reads, as the computation sees it: nothing of a part is ever changed. */
export type Fixed<T> = T extends readonly [infer A, infer B]
  ? readonly [Fixed<A>, Fixed<B>]
  : T extends readonly (infer U)[]
    ? readonly Fixed<U>[]
    : T extends object
      ? { readonly [K in keyof T]: Fixed<T[K]> }
      : T

/** Who says what stands on the sheet: the maker, as for every part of the catalogue. */
export const MAKER = 'catalogue' as const satisfies SourceId

/** A part as the catalogue holds it: with its id. */
export type WithId<S extends z.ZodType> = { readonly id: string } & Fixed<z.infer<S>>

const UNITS: Partial<Record<QuantityKind, string>> = {
  length: 'm',
  size: 'mm',
  focal: 'mm',
  angle: '°',
  pixels: 'px',
  force: 'N',
  mass: 'kg',
  power: 'W',
  voltage: 'V',
  volume: 'mL',
  count: '',
}

/** A number in the inside unit of its kind; the limits only keep out what no part can have. */
export const number = (kind: QuantityKind, min: number, max: number) => {
  const unit = UNITS[kind] === '' ? '' : ` ${UNITS[kind] ?? ''}`
  return z
    .number(`Give a number${unit === '' ? '' : ` of${unit}`}.`)
    .min(min, `At least ${min}${unit}.`)
    .max(max, `At most ${max}${unit}.`)
}
export const whole = (min: number, max: number) =>
  z.int('Give a whole number.').min(min, `At least ${min}.`).max(max, `At most ${max}.`)
/** From least to most. */
export const range = (of: z.ZodNumber) =>
  z.tuple([of, of]).refine(([least, most]) => least <= most, 'The first is the smaller one.')
export const oneOf = <const T extends readonly [string, ...string[]]>(...words: T) => z.enum(words)
export const yes = z.literal(true).optional()
/** Codes of IEC 60529, as they stand on a sheet. */
export const Ratings = z.array(z.string().regex(/^IP[0-6X][0-9X]K?$/, 'Write it like IP66.')).max(6)
export const Source = z.enum(Object.keys(SOURCES) as [SourceId, ...SourceId[]])

/** Screws through a base: how many holes it has, how many must be used, how far apart they are. */
export const Fixings = z
  .strictObject({ holes: whole(0, 12), atLeast: whole(0, 12), spacingMm: number('size', 0, 1000) })
  .refine(({ holes, atLeast }) => atLeast <= holes, {
    path: ['atLeast'],
    message: 'At most as many as it has holes.',
  })

/** How a value is asked for. Every way reads words, so that a form and a table of a file are read alike. */
export type Way =
  | { readonly as: 'quantity'; readonly kind: QuantityKind }
  | { readonly as: 'range'; readonly kind: QuantityKind }
  | { readonly as: 'choice'; readonly options: Readonly<Record<string, string>> }
  | { readonly as: 'ticks'; readonly options: Readonly<Record<string, string>> }
  | { readonly as: 'yes or no' }
  | { readonly as: 'words' }
  | { readonly as: 'list' }
  | { readonly as: 'rows'; readonly row: readonly Value[]; readonly add: string }

/** One value in words: of a part, or of a row in a list of it. */
export interface Value {
  /** The way to it in the part: `power/worstW`. */
  readonly path: string
  readonly label: string
  readonly way: Way
  /** It may have none; what that is called. */
  readonly none?: string
  /** Having none is saying nothing, where others say null. */
  readonly absent?: true
  readonly hint?: string
}

/** One value that a form asks for. */
export interface Asked extends Value {
  /** What rests on it: each of these stages says that it was not read from the sheet. */
  readonly stages: readonly PlannedStage[]
  /** What cannot be relied on while it is not read, in a few words. */
  readonly costs: string
}

/** A kind of part: its form, and what of it is asked. */
export interface PartKind<S extends z.ZodObject = z.ZodObject> {
  readonly one: string
  readonly schema: S
  readonly asks: readonly Asked[]
  /** It has no lists of rows: a table of a file holds it. */
  readonly flat: boolean
  /** Whose word its figures are once they are read; the generic part's source stands till then. */
  readonly cites?: (part: z.infer<S>, isRead: (path: string) => boolean) => Partial<z.infer<S>>
}
export const partKind = <S extends z.ZodObject>(kind: PartKind<S>): PartKind<S> => kind

/** Options whose names are their words, with a capital. */
export const named = (...words: readonly string[]): Readonly<Record<string, string>> =>
  Object.fromEntries(words.map((word) => [word, atStart(word)]))
