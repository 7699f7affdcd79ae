import 'server-only'
import { createHash, randomUUID } from 'node:crypto'
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import type { Db } from '../db/open'

/** Photos by the SHA-256 of their bytes: the original as it came, and two versions turned upright and made smaller. */

export const PHOTO_SIZES = ['original', 'view', 'small'] as const
export type PhotoSize = (typeof PHOTO_SIZES)[number]

export const MOST_PHOTO_BYTES = 20 * 1024 * 1024
const MOST_PIXELS = 120_000_000
const TYPES: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const EDGE = { view: 1600, small: 360 }

export type Kept = { readonly ok: true; readonly created: boolean; readonly sha256: string } | { readonly ok: false; readonly status: 413 | 415 | 422; readonly message: string }

/** Keeps a photo. Idempotent: bytes that are there already are left alone. Says in words why it refuses one. */
export async function keepPhoto(db: Db, folder: string, expected: string | null, bytes: Buffer): Promise<Kept> {
  if (bytes.length > MOST_PHOTO_BYTES) return { ok: false, status: 413, message: `The photo is larger than ${MOST_PHOTO_BYTES / 1024 / 1024} MB.` }
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  if (expected !== null && expected !== sha256) return { ok: false, status: 422, message: 'The bytes do not match the name: it must be the SHA-256 of the photo.' }
  if (db.prepare('SELECT 1 FROM photo_content WHERE sha256 = ?').get(sha256)) return { ok: true, created: false, sha256 }

  let format: string | undefined
  let versions: Record<'view' | 'small', Buffer>
  let width = 0
  let height = 0
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS })
    const facts = await image.metadata() // sharp reads the type from the bytes, whatever the name or header says
    format = facts.format
    if (!format || !(format in TYPES)) return { ok: false, status: 415, message: 'This is not a JPEG, PNG or WebP picture.' }
    width = facts.autoOrient.width
    height = facts.autoOrient.height
    const smaller = (edge: number) => image.clone().autoOrient().resize(edge, edge, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 82 }).toBuffer()
    const [view, small] = await Promise.all([smaller(EDGE.view), smaller(EDGE.small)])
    versions = { view, small }
  } catch {
    return { ok: false, status: 415, message: 'This picture cannot be read: it may be broken, or not a picture.' }
  }
  write(folder, sha256, 'original', bytes)
  write(folder, sha256, 'view', versions.view)
  write(folder, sha256, 'small', versions.small)
  db.prepare('INSERT INTO photo_content (sha256, type, bytes, width, height) VALUES (?, ?, ?, ?, ?) ON CONFLICT DO NOTHING').run(sha256, TYPES[format], bytes.length, width, height)
  return { ok: true, created: true, sha256 }
}

/** Reads a kept photo; null when there is none. Smaller versions are always JPEG and carry no camera data. */
export function readPhoto(db: Db, folder: string, sha256: string, size: PhotoSize): { readonly type: string; readonly bytes: Buffer } | null {
  const type = db.prepare('SELECT type FROM photo_content WHERE sha256 = ?').pluck().get(sha256) as string | undefined
  if (type === undefined) return null
  return { type: size === 'original' ? type : 'image/jpeg', bytes: readFileSync(pathOf(folder, sha256, size)) }
}

function pathOf(folder: string, sha256: string, size: PhotoSize): string {
  return join(/* turbopackIgnore: true */ folder, 'photos', sha256.slice(0, 2), `${sha256}.${size}`)
}

/** Written beside and renamed, so that a killed server leaves no half photo. */
function write(folder: string, sha256: string, size: PhotoSize, bytes: Buffer): void {
  const path = pathOf(folder, sha256, size)
  mkdirSync(join(/* turbopackIgnore: true */ folder, 'photos', sha256.slice(0, 2)), { recursive: true })
  const beside = `${path}.${randomUUID()}`
  writeFileSync(beside, bytes)
  renameSync(beside, path)
}
