import Papa from 'papaparse'
import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import {
  columnsOf,
  FLAT_TABLES,
  leastColumnsOf,
  openPartLibrary,
  partsOfRows,
  rowsOfParts,
  type PartsRead,
} from '@/core/job'
import type { OwnPart, PartTable } from '@/core/parts'
import type { UnitSystem } from '@/core/units'

/** Own parts out of files and into them, on this device alone: it needs no signal. */

const MOST_BYTES = 4_000_000

/** Reads a library (JSON) or a table of one flat kind (CSV), told by what is in it. */
export async function partsIn(file: File, units: UnitSystem): Promise<PartsRead> {
  if (file.size > MOST_BYTES) return refused('The file is larger than any list of parts (4 MB).')
  const words = await file.text()
  return /^\s*[{[]/.test(words) ? openPartLibrary(words) : partsOfTable(words, units)
}

const refused = (message: string): PartsRead => ({ ok: false, reasons: [{ path: '', message }] })

/** Reads a table: its headings tell which kind of part stands in it. */
export function partsOfTable(words: string, units: UnitSystem): PartsRead {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(words.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const headings = new Set(meta.fields ?? [])
  const table = FLAT_TABLES.find((one) => leastColumnsOf(one).every((column) => headings.has(column)))
  if (!table) return refused('Its headings are of no kind of part: take a table from here as the pattern.')
  const broken = errors[0]
  // A row is counted without the headings, but not where a quote is left open.
  if (broken)
    return refused(`Line ${(broken.row ?? 0) + (broken.type === 'Quotes' ? 1 : 2)}: ${broken.message}.`)
  return partsOfRows(table, data.map(unguarded), CATALOGUE, units, uuid)
}

const FORMULA = /^[=+\-@\t\r\uFF1D\uFF0B\uFF0D\uFF20]/

/** Without the sign that keeps a spreadsheet from running a cell as a formula. */
const unguarded = (row: Record<string, string>): Record<string, string> =>
  Object.fromEntries(
    Object.entries(row).map(([column, cell]) => [
      column,
      cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell,
    ]),
  )

/** The own parts of a flat kind as a table; the headings alone where there is none. */
export const tableOf = (table: PartTable, parts: readonly OwnPart[]): string =>
  `\uFEFF${Papa.unparse(
    {
      fields: columnsOf(table),
      data: rowsOfParts(table, parts).map((row) => columnsOf(table).map((one) => row[one])),
    },
    { escapeFormulae: FORMULA },
  )}`
