import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach } from 'vitest'
import { openRecord, type Db } from '@/server/db/open'

/** A record of its own in a folder of its own for every test of a file; call it once at the top. */
export function scratchRecord(): { db: Db; folder: string } {
  const held = {} as { db: Db; folder: string }
  beforeEach(() => {
    held.folder = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
    held.db = openRecord(held.folder)
  })
  afterEach(() => {
    held.db.close()
    rmSync(held.folder, { recursive: true })
  })
  return held
}
