import 'server-only'
import Database from 'better-sqlite3'
import { mkdirSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { prepared } from './prepared'

export type Db = Database.Database

/** The data folder: `NEAT_BRACKET_DATA`, or `data` beside the application. */
export function dataFolder(): string {
  return process.env.NEAT_BRACKET_DATA ?? join(/* turbopackIgnore: true */ process.cwd(), 'data')
}

/** Opens the record in a folder, creating it and applying every migration that it lacks. */
export function openRecord(folder: string): Db {
  mkdirSync(folder, { recursive: true })
  const db = new Database(join(folder, 'record.sqlite'))
  db.pragma('journal_mode = WAL')
  db.pragma('synchronous = FULL') // an acknowledged command survives a power cut
  db.pragma('foreign_keys = ON')
  db.pragma('busy_timeout = 5000')
  migrate(db)
  return db
}

/**
 * Applies numbered migrations in order, each in a transaction of its own. Refuses a record newer than this
 * program.
 */
function migrate(db: Db): void {
  const folder = join(/* turbopackIgnore: true */ process.cwd(), 'src/server/db/migrations')
  const files = readdirSync(folder)
    .filter((name) => /^\d{4}-.*\.sql$/.test(name))
    .sort()
  db.transaction(() => {
    const version = db.pragma('user_version', { simple: true }) as number
    if (version > files.length)
      throw new Error(
        `The record in the data folder is of version ${version}; this program knows ` +
          `${files.length}. Use a newer program.`,
      )
    for (const [index, name] of files.entries()) {
      if (index < version) continue
      db.exec(readFileSync(join(folder, name), 'utf8'))
      db.pragma(`user_version = ${index + 1}`)
    }
  }).immediate()
}

/** The name of a record: a back-up of it has the same, a record begun anew has another. */
export function nameOf(db: Db): string {
  return prepared(db, 'SELECT id FROM identity').pluck().get() as string
}

const shared = globalThis as typeof globalThis & { neatBracketRecord?: Db }

/** The one handle of this process. */
export function record(): Db {
  shared.neatBracketRecord ??= openRecord(dataFolder())
  return shared.neatBracketRecord
}
