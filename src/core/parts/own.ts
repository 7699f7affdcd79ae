import { z } from 'zod'
import { Line, PartId } from '../job/fields'
import { PART_KINDS, PART_TABLES, type PartTable } from './kinds'
import type { Catalogue } from './parts'

/** Parts that are entered from a maker's sheet and stand in the record of a job. */

/** Ids of own parts are told from the catalogue's by their beginning. */
const OWN = 'own-'
const OwnId = z.string().regex(/^own-[A-Za-z0-9-]{1,48}$/, 'The id of an own part begins with own-.')
export const ownId = (of: string): string => `${OWN}${of}`

export const MOST_OWN_PARTS = 300

const common = {
  id: OwnId,
  /** The generic part it was begun with: what is not read is as that has it. */
  from: PartId,
  /** What the values were read from: the name of a sheet, a page. */
  sheet: Line,
  /** Ways to the values that nobody has read from the sheet yet. */
  unread: z.array(z.string().max(60)).max(60),
}

type Own<T extends PartTable> = z.ZodObject<
  typeof common & { table: z.ZodLiteral<T>; part: (typeof PART_KINDS)[T]['schema'] },
  z.core.$strict
>
type Owns = { [T in PartTable]: Own<T> }[PartTable]

const kinds = PART_TABLES.map((table) =>
  z.strictObject({ ...common, table: z.literal(table), part: PART_KINDS[table].schema }),
)

/** One own part: its form is the very form of the catalogue's parts. */
export const OwnPart = z
  .discriminatedUnion('table', kinds as unknown as [Owns, ...Owns[]])
  .refine(({ table, unread }) => unread.every((path) => isAsked(table, path)), {
    path: ['unread'],
    message: 'It names a value that is not asked of this kind of part.',
  })
export type OwnPart = z.infer<typeof OwnPart>

const isAsked = (table: PartTable, wanted: string): boolean =>
  PART_KINDS[table].asks.some(({ path }) => path === wanted)

/** What a merged catalogue was made with, so that it is not merged again at the next door. */
const MADE_WITH = new WeakMap<Catalogue, readonly OwnPart[]>()
const MERGED = new WeakMap<readonly OwnPart[], WeakMap<Catalogue, Catalogue>>()

/**
 * The catalogue with a job's own parts, after those that ship. The same objects give the same catalogue, and
 * without own parts it is the very catalogue.
 */
export function withOwn(catalogue: Catalogue, ownParts: readonly OwnPart[]): Catalogue {
  if (ownParts.length === 0 || MADE_WITH.get(catalogue) === ownParts) return catalogue
  let known = MERGED.get(ownParts)
  if (!known) {
    known = new WeakMap()
    MERGED.set(ownParts, known)
  }
  let merged = known.get(catalogue)
  if (!merged) {
    merged = merge(catalogue, ownParts)
    known.set(catalogue, merged)
    MADE_WITH.set(merged, ownParts)
  }
  return merged
}

function merge(catalogue: Catalogue, ownParts: readonly OwnPart[]): Catalogue {
  const tables = { ...catalogue }
  for (const table of PART_TABLES) {
    const own = ownParts.filter((one) => one.table === table)
    if (own.length === 0) continue
    const parts = own.map(({ id, part }) => [id, { id, ...part }] as const)
    Object.assign(tables, { [table]: new Map<string, unknown>([...catalogue[table], ...parts]) })
  }
  return tables
}

/** The ids of own parts that something of the record names, wherever in it they stand. */
export function ownIdsIn(value: unknown, found = new Set<string>()): ReadonlySet<string> {
  if (typeof value === 'string') {
    if (value.startsWith(OWN)) found.add(value)
  } else if (Array.isArray(value)) for (const one of value) ownIdsIn(one, found)
  else if (typeof value === 'object' && value !== null)
    for (const one of Object.values(value)) ownIdsIn(one, found)
  return found
}
