import 'server-only'
import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { z } from 'zod'
import type { Db } from './db/open'
import { prepared } from './db/prepared'

/** Who reads the code within this long is paired, ms. */
export const PAIRING_MS = 5 * 60_000
/** The cookie that a paired phone carries. */
export const COOKIE = 'neat-bracket-phone'
/** How long a phone stays paired without being ended, s. */
export const COOKIE_S = 180 * 86_400

/** What a phone says to be paired. */
export const Pairing = z.strictObject({
  secret: z.string().min(1).max(100),
  name: z.string().trim().min(1, 'Say who works with this phone.').max(80),
})

/** A phone that may reach the record, and who works with it. */
export interface Phone {
  readonly id: string
  readonly name: string
  readonly pairedAt: string
  readonly seenAt: string
}

const hashOf = (words: string) => createHash('sha256').update(words).digest('hex')
const random = () => randomBytes(32).toString('base64url')
const iso = (ms: number) => new Date(ms).toISOString()

/** A secret that pairs one phone, once, until it lapses. Those that have lapsed are forgotten. */
export function startPairing(
  db: Db,
  now = Date.now(),
): { readonly secret: string; readonly lapsesAt: string } {
  prepared(db, 'DELETE FROM pairing WHERE lapses_at <= ?').run(iso(now))
  const [secret, lapsesAt] = [random(), iso(now + PAIRING_MS)]
  prepared(db, 'INSERT INTO pairing VALUES (?, ?)').run(hashOf(secret), lapsesAt)
  return { secret, lapsesAt }
}

/** The token of a newly paired phone; null when the secret is unknown, used or has lapsed. */
export function pair(db: Db, { secret, name }: z.infer<typeof Pairing>, now = Date.now()): string | null {
  return db
    .transaction(() => {
      const used = prepared(db, 'DELETE FROM pairing WHERE secret_hash = ? AND lapses_at > ?')
      if (used.run(hashOf(secret), iso(now)).changes === 0) return null
      const token = random()
      prepared(db, 'INSERT INTO phone VALUES (?, ?, ?, ?, ?)').run(
        randomUUID(),
        hashOf(token),
        name,
        iso(now),
        iso(now),
      )
      return token
    })
    .immediate()
}

/** All paired phones, the last paired first. */
export function phones(db: Db): Phone[] {
  const sql =
    'SELECT id, name, paired_at AS pairedAt, seen_at AS seenAt FROM phone ORDER BY paired_at DESC, id'
  return prepared(db, sql).all() as Phone[]
}

/** Takes a phone's way in; false when there is none of this id. */
export const endPhone = (db: Db, id: string): boolean =>
  prepared(db, 'DELETE FROM phone WHERE id = ?').run(id).changes > 0
