import 'server-only'
import { stretch } from '@/core/derive'
import type { Db } from './open'
import { prepared } from './prepared'

/** How lists of the record are kept in tables: one map of columns a table, from which all its SQL follows. */

export type Row = Record<string, string | number | null>

/**
 * What stands in a column: the value as it is, JSON, a truth as 0 or 1, or a point as two columns x and y.
 */
export type Column = 'plain' | 'json' | 'flag' | 'point'

export interface Columns {
  readonly [property: string]: Column
}

/** `cameraId` in the record is `camera_id` in SQL. */
const sqlName = (property: string): string => property.replace(/([a-z0-9])([A-Z]+)/g, '$1_$2').toLowerCase()

const columnsOf = ([property, column]: [string, Column]): string[] =>
  column === 'point' ? ['x', 'y'] : [sqlName(property)]

/** The columns of an item as values to bind, by their names in SQL. */
export function rowOf(columns: Columns, item: object): Row {
  const row: Row = {}
  for (const [property, column] of Object.entries(columns)) {
    const value = (item as Record<string, unknown>)[property]
    if (column === 'point') Object.assign(row, value)
    else if (column === 'flag') row[sqlName(property)] = value ? 1 : 0
    else if (column === 'plain' || value === null) row[sqlName(property)] = value as string | number | null
    else row[sqlName(property)] = JSON.stringify(value)
  }
  return row
}

/** The item that a row holds. */
export function itemOf(columns: Columns, row: Row): Record<string, unknown> {
  const item: Record<string, unknown> = {}
  for (const [property, column] of Object.entries(columns)) {
    const value = row[sqlName(property)] ?? null
    if (column === 'point') item[property] = { x: row.x, y: row.y }
    else if (column === 'flag') item[property] = value === 1
    else if (column === 'plain' || value === null) item[property] = value
    else item[property] = JSON.parse(value as string) as unknown
  }
  return item
}

/**
 * The SQL that puts a row of a table in, or brings it up to date; `keeps` names what an update leaves
 * alone.
 */
export function putSql(
  name: string,
  key: readonly string[],
  columns: Columns,
  keeps: readonly string[],
): string {
  const all = [...keeps, ...Object.entries(columns).flatMap(columnsOf)]
  const bound = [...new Set([...key, ...all])]
  const set = bound.filter((column) => !key.includes(column) && !keeps.includes(column))
  return `INSERT INTO ${name} (${bound.join(', ')}) VALUES (${bound.map((column) => `@${column}`).join(', ')})
    ON CONFLICT (${key.join(', ')}) DO UPDATE SET ${set.map((column) => `${column} = @${column}`).join(', ')}`
}

/** A list of the record and the table that keeps it. */
export interface List<T extends object> {
  readonly name: string
  /** The properties that tell an item from the others of its job. */
  readonly key: readonly (keyof T & string)[]
  readonly columns: Columns
  /** The item as the columns name it, and back, where they differ. */
  readonly flat?: (item: T) => object
  readonly whole?: (row: Record<string, unknown>) => unknown
}

interface Sql {
  /** Puts an item in its row, which keeps its place. */
  readonly put: string
  /** Puts an item in its row at a place. */
  readonly move: string
  readonly remove: string
}

const SQL = new Map<string, Sql>()

/** The SQL of a list, made once. */
function sqlOf<T extends object>({ name, key, columns }: List<T>): Sql {
  const known = SQL.get(name)
  if (known) return known
  const sqlKey = ['job_id', ...key.map(sqlName)]
  const where = key.map((property) => `${sqlName(property)} = ?`).join(' AND ')
  const made = {
    put: putSql(name, sqlKey, columns, ['position']),
    move: putSql(name, sqlKey, { ...columns, position: 'plain' }, []),
    remove: `DELETE FROM ${name} WHERE job_id = ? AND ${where}`,
  }
  SQL.set(name, made)
  return made
}

/** Reads a job's list in its order. */
export function readList<T extends object>(db: Db, { name, columns, whole }: List<T>, jobId: string): T[] {
  const read = prepared(db, `SELECT * FROM ${name} WHERE job_id = ? ORDER BY position`)
  const rows = read.all(jobId) as Row[]
  return rows.map((row) => {
    const item = itemOf(columns, row)
    return (whole ? whole(item) : item) as T
  })
}

/** Puts what is new or changed of a list into its table; what is gone is left to `removeGone`. */
export function putList<T extends object>(
  db: Db,
  list: List<T>,
  jobId: string,
  before: readonly T[],
  after: readonly T[],
): void {
  if (before === after) return
  const [start, endBefore, endAfter] = stretch(before, after)
  const keyOf = keyTo(list)
  const was = new Map(before.slice(start, endBefore).map((item, index) => [keyOf(item), { item, index }]))
  const sql = sqlOf(list)
  const [put, move] = [prepared(db, sql.put), prepared(db, sql.move)]
  let next: number | null = null
  let last = -1
  for (const item of after.slice(start, endAfter)) {
    const known = was.get(keyOf(item))
    if (next === null && known && known.index > last) {
      last = known.index
      if (known.item !== item) put.run({ job_id: jobId, position: 0, ...flat(list, item) })
      continue
    }
    next ??= nextPosition(db, list.name, jobId)
    move.run({ job_id: jobId, ...flat(list, item), position: next++ })
  }
  if (next === null) return
  // Something new or moved stands before these: they come after it.
  for (const item of after.slice(endAfter)) {
    move.run({ job_id: jobId, ...flat(list, item), position: next++ })
  }
}

/** Takes what a list no longer holds out of its table. */
export function removeGone<T extends object>(
  db: Db,
  list: List<T>,
  jobId: string,
  before: readonly T[],
  after: readonly T[],
): void {
  if (before === after) return
  const [start, endBefore, endAfter] = stretch(before, after)
  const keyOf = keyTo(list)
  const kept = new Set(after.slice(start, endAfter).map(keyOf))
  const gone = before.slice(start, endBefore).filter((item) => !kept.has(keyOf(item)))
  if (gone.length === 0) return
  const remove = prepared(db, sqlOf(list).remove)
  for (const item of gone) remove.run(jobId, ...list.key.map((property) => item[property]))
}

const flat = <T extends object>({ columns, flat: made }: List<T>, item: T): Row =>
  rowOf(columns, made ? made(item) : item)

const keyTo =
  <T extends object>({ key }: List<T>) =>
  (item: T): string =>
    key.length === 1 ? String(item[key[0]!]) : key.map((property) => String(item[property])).join('\u001f')

function nextPosition(db: Db, name: string, jobId: string): number {
  return prepared(db, `SELECT coalesce(max(position), -1) + 1 FROM ${name} WHERE job_id = ?`)
    .pluck()
    .get(jobId) as number
}
