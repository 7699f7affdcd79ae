import 'server-only'
import type Database from 'better-sqlite3'
import type { Db } from './open'

const PREPARED = new WeakMap<Db, Map<string, Database.Statement>>()

/** A statement of a database, read by SQLite once and used again. */
export function prepared(db: Db, sql: string): Database.Statement {
  let known = PREPARED.get(db)
  if (!known) {
    known = new Map()
    PREPARED.set(db, known)
  }
  let statement = known.get(sql)
  if (!statement) {
    statement = db.prepare(sql)
    known.set(sql, statement)
  }
  return statement
}
