/**
 * Who may come in over the network: phones that are paired. Everything else is answered 401 here, before the
 * application sees it.
 */
import Database from 'better-sqlite3'
import { createHash } from 'node:crypto'
import { existsSync } from 'node:fs'
import { join } from 'node:path'

const COOKIE = /(?:^|; )neat-bracket-phone=([^;]*)/
/** Set on what a paired phone asks; whoever sends it himself is not believed. */
const WHO = 'x-paired-phone'
/** What a phone needs to be paired: the page, its files, and the one request. None of it shows a record. */
const BEFORE_PAIRING = [
  ['GET', /^\/pair$/],
  ['POST', /^\/api\/pair$/],
  ['GET', /^\/_next\/static\//],
  [
    'GET',
    /^\/(icons\/[a-z0-9]+\.png|icon\.svg|favicon\.ico|manifest\.webmanifest|service\.worker\.js|offline)$/,
  ],
]
const SEEN_EVERY_MS = 60_000

/** The door of the record in a folder. */
export function doorOf(folder) {
  let find = null
  let seen = null
  const open = () => {
    const file = join(folder, 'record.sqlite')
    if (find || !existsSync(file)) return
    const db = new Database(file)
    db.pragma('busy_timeout = 5000')
    const known = db.prepare("SELECT 1 FROM sqlite_schema WHERE name = 'phone'").get()
    if (!known) return db.close() // of an earlier version: the application brings it up when it first reads it
    find = db.prepare('SELECT id, name, seen_at AS seenAt FROM phone WHERE token_hash = ?')
    seen = db.prepare('UPDATE phone SET seen_at = ? WHERE id = ?')
  }
  const phoneOf = (cookies) => {
    const token = COOKIE.exec(cookies ?? '')?.[1]
    if (!token) return null
    open()
    const phone = find?.get(createHash('sha256').update(token).digest('hex'))
    if (!phone) return null
    const now = Date.now()
    if (now - Date.parse(phone.seenAt) > SEEN_EVERY_MS) seen.run(new Date(now).toISOString(), phone.id)
    return phone
  }
  return {
    /** Names whoever asks; null when it may come in, else why not. `home`: from this machine itself. */
    letsIn(request, home) {
      delete request.headers[WHO]
      const forwarded = request.headers.forwarded ?? request.headers['x-forwarded-for'] ?? request.headers.via
      if (home && forwarded === undefined) return null
      const phone = phoneOf(request.headers.cookie)
      if (phone) {
        request.headers[WHO] = encodeURIComponent(phone.name)
        return null
      }
      const path = request.url.split('?')[0]
      const method = request.method === 'HEAD' ? 'GET' : request.method
      if (BEFORE_PAIRING.some(([allowed, where]) => allowed === method && where.test(path))) return null
      return [401, 'Not paired', 'This phone is not paired with this record: read the code on the laptop.']
    },
  }
}
