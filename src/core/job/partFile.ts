import { z } from 'zod'
import {
  entriesOf,
  ownId,
  OwnPart,
  PART_KINDS,
  PART_TABLES,
  readSheet,
  type Catalogue,
  type PartTable,
} from '../parts'
import type { UnitSystem } from '../units'
import { reasonsOf, type Reason } from './commands/kind'
import { RECORD_VERSION } from './version'

/** Own parts on their way from job to job: a library as JSON, and the flat kinds as tables. */

const MOST_IN_LIBRARY = 1000
/** The first version of the record that knew own parts; nothing of a part has changed since. */
const FIRST_LIBRARY = 8

export const PartLibrary = z.strictObject({
  format: z.literal('neat-bracket-parts'),
  version: z.literal(RECORD_VERSION),
  parts: z.array(OwnPart).max(MOST_IN_LIBRARY, `At most ${MOST_IN_LIBRARY} parts.`),
})
export type PartLibrary = z.infer<typeof PartLibrary>

export type PartsRead =
  | { readonly ok: true; readonly parts: readonly OwnPart[] }
  | { readonly ok: false; readonly reasons: readonly Reason[] }

const refused = (path: string, message: string): PartsRead => ({ ok: false, reasons: [{ path, message }] })

/** A library of these parts, as text. */
export const libraryOf = (parts: readonly OwnPart[]): string =>
  JSON.stringify({ format: 'neat-bracket-parts', version: RECORD_VERSION, parts }, null, 2)

/** The JSON Schema (2020-12) of a library: its published contract. */
export function partLibrarySchema(): object {
  return {
    $id: `neat-bracket-parts-${RECORD_VERSION}`,
    title: 'Neat Bracket library of own parts',
    ...z.toJSONSchema(PartLibrary, { target: 'draft-2020-12' }),
  }
}

/** Reads a library from its text. Says in words what is wrong; never throws. */
export function openPartLibrary(words: string): PartsRead {
  let data: unknown
  try {
    data = JSON.parse(words)
  } catch {
    return refused('', 'This is not a JSON file.')
  }
  const heading = z
    .looseObject({ format: z.literal('neat-bracket-parts'), version: z.number() })
    .safeParse(data)
  if (!heading.success) return refused('/format', 'This is not a library of own parts.')
  const { version } = heading.data
  if (!Number.isInteger(version) || version < FIRST_LIBRARY || version > RECORD_VERSION)
    return refused('/version', `Version ${version} is not read by this program.`)
  const parsed = PartLibrary.safeParse({ ...heading.data, version: RECORD_VERSION })
  return parsed.success
    ? { ok: true, parts: parsed.data.parts }
    : { ok: false, reasons: reasonsOf(parsed.error) }
}

/** The kinds of part that a table holds, each part in a row. */
export const FLAT_TABLES = PART_TABLES.filter((table) => PART_KINDS[table].flat)

type Row = Readonly<Record<string, string>>

const HEADINGS = ['id', 'name', 'from', 'sheet'] as const

/** Own parts of a flat kind as rows; what is not read from the sheet is empty. */
export function rowsOfParts(table: PartTable, parts: readonly OwnPart[]): Row[] {
  const { asks } = PART_KINDS[table]
  return parts
    .filter((own) => own.table === table)
    .map((own) => {
      const words = entriesOf(own, 'metric')
      const { id, part, from, sheet } = own
      const cells = asks.map(({ path }): [string, string] => [path, words[path] ?? ''])
      return { id, name: part.name, from, sheet, ...Object.fromEntries(cells) }
    })
}

/** Reads parts of a flat kind from rows, whole or not at all: reasons name the row and the column. */
export function partsOfRows(
  table: PartTable,
  rows: readonly Row[],
  catalogue: Catalogue,
  units: UnitSystem,
  nextId: () => string,
): PartsRead {
  const parts: OwnPart[] = []
  const reasons: Reason[] = []
  if (rows.length > MOST_IN_LIBRARY) return refused('', `At most ${MOST_IN_LIBRARY} rows.`)
  const known = new Set<string>([...HEADINGS, ...PART_KINDS[table].asks.map(({ path }) => path)])
  const stranger = Object.keys(rows[0] ?? {}).find((column) => !known.has(column))
  if (stranger !== undefined) return refused('', `There is no column "${stranger}" for this kind of part.`)
  rows.forEach(({ id = '', name = '', from = '', sheet = '', ...entries }, index) => {
    // The first line holds the headings.
    const at = (column: string, message: string) =>
      reasons.push({ path: `/${index + 2}/${column}`, message: `Line ${index + 2}: ${message}` })
    const begun = catalogue[table].get(from.trim())
    if (!begun) {
      at(
        'from',
        `"${from}" is no part to begin with: ${[...catalogue[table].keys()].slice(0, 3).join(', ')}, …`,
      )
      return
    }
    const partId = id.trim() === '' ? ownId(nextId()) : id.trim()
    const read = readSheet({ id: partId, table, name, sheet, from: begun, held: null }, entries, units)
    const { wrong } = read
    for (const [path, message] of Object.entries(wrong)) at(path, `${labelOf(table, path)}${message}`)
    const made = read.own && OwnPart.safeParse(read.own)
    if (made?.success) parts.push(made.data)
    else if (made) at('id', made.error.issues[0]!.message)
  })
  return reasons.length > 0 ? { ok: false, reasons } : { ok: true, parts }
}

function labelOf(table: PartTable, path: string): string {
  const asked = PART_KINDS[table].asks.find((one) => one.path === path)
  return asked ? `${asked.label}: ` : ''
}

/** The headings that a table of a flat kind has at least: what may be absent of a part came with time. */
export const leastColumnsOf = (table: PartTable): string[] => [
  ...HEADINGS,
  ...PART_KINDS[table].asks.flatMap(({ path, absent }) => (absent ? [] : [path])),
]

/** The headings of the table of a flat kind. */
export const columnsOf = (table: PartTable): string[] => [
  ...HEADINGS,
  ...PART_KINDS[table].asks.map(({ path }) => path),
]
