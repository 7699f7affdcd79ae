import { CATALOGUE } from '@/catalogue'
import {
  asksOf,
  readSheet,
  valueAt,
  wordsFor,
  type Begun,
  type Entries,
  type OwnPart,
  type PartTable,
} from '@/core/parts'

/** Parts from makers' sheets, for tests. */

export const begun = (
  table: PartTable,
  from: { readonly id: string },
  change: Partial<Begun> = {},
): Begun => ({
  id: 'own-1',
  table,
  name: 'Ours',
  sheet: 'page 2',
  from,
  held: null,
  ...change,
})

/** Everything of a part, in words. */
export const allOf = (table: PartTable, part: object): Entries =>
  Object.fromEntries(
    asksOf(table, part).map((asked) => [asked.path, wordsFor(asked, valueAt(part, asked.path), 'metric')]),
  )

/** An own part begun with a generic one; what `entries` does not say is not read. */
export function ownPart(
  table: PartTable,
  fromId: string,
  entries: Entries = {},
  change: Partial<Begun> = {},
): OwnPart {
  const { own, wrong } = readSheet(begun(table, CATALOGUE[table].get(fromId)!, change), entries, 'metric')
  if (!own) throw new Error(JSON.stringify(wrong))
  return own
}
