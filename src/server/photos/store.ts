import 'server-only'
import { createHash, randomUUID } from 'node:crypto'
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import type { Db } from '../db/open'

/**
 * Photos by the SHA-256 of their bytes: the original as it came, and two versions turned upright and made
 * smaller.
 */

export const PHOTO_SIZES = ['original', 'view', 'small'] as const
export type PhotoSize = (typeof PHOTO_SIZES)[number]

export const MOST_PHOTO_BYTES = 20 * 1024 * 1024
const MOST_PIXELS = 120_000_000
const TYPES: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const EDGE = { view: 1600, small: 360 }

/** What the record knows of a photo's content. */
export interface Content {
  readonly sha256: string
  readonly type: string
  readonly bytes: number
  readonly width: number
  readonly height: number
}

export type Kept =
  | { readonly ok: true; readonly content: Content }
  | { readonly ok: false; readonly status: 413 | 415 | 422; readonly message: string }

const hashOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex')

/**
 * Puts a picture and its smaller versions into the folder, on disk for good when this answers. Files that
 * are missing or damaged are written anew; whole ones are left alone. Says in words why it refuses one.
 */
export async function storePhoto(folder: string, expected: string | null, bytes: Buffer): Promise<Kept> {
  if (bytes.length > MOST_PHOTO_BYTES)
    return {
      ok: false,
      status: 413,
      message: `The photo is larger than ${MOST_PHOTO_BYTES / 1024 / 1024} MB.`,
    }
  const sha256 = hashOf(bytes)
  if (expected !== null && expected !== sha256)
    return {
      ok: false,
      status: 422,
      message: 'The bytes do not match the name: it must be the SHA-256 of the photo.',
    }
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS })
    // sharp reads the type from the bytes, whatever the name or header says
    const { format, autoOrient } = await image.metadata()
    if (!format || !(format in TYPES))
      return { ok: false, status: 415, message: 'This is not a JPEG, PNG or WebP picture.' }
    const smaller = (edge: number) =>
      image
        .clone()
        .autoOrient()
        .resize(edge, edge, { fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: 82 })
        .toBuffer()
    const content: Content = {
      sha256,
      type: TYPES[format]!,
      bytes: bytes.length,
      width: autoOrient.width,
      height: autoOrient.height,
    }
    if (isWhole(folder, sha256)) return { ok: true, content }
    const [view, small] = await Promise.all([smaller(EDGE.view), smaller(EDGE.small)])
    write(folder, sha256, 'original', bytes)
    write(folder, sha256, 'view', view)
    write(folder, sha256, 'small', small)
    return { ok: true, content }
  } catch (error) {
    if (error instanceof Error && /pixel limit/i.test(error.message))
      return {
        ok: false,
        status: 413,
        message: `The picture has more than ${MOST_PIXELS / 1e6} million pixels: save it smaller.`,
      }
    return {
      ok: false,
      status: 415,
      message: 'This picture cannot be read: it may be broken, or not a picture.',
    }
  }
}

/** Tells the record of a photo whose files are on disk; true when it is new to it. */
export function knowPhoto(db: Db, { sha256, type, bytes, width, height }: Content): boolean {
  return (
    db
      .prepare(
        'INSERT INTO photo_content (sha256, type, bytes, width, height) VALUES (?, ?, ?, ?, ?) ON CONFLICT DO NOTHING',
      )
      .run(sha256, type, bytes, width, height).changes > 0
  )
}

/** Whether the record knows a photo and all of its files are there. */
export const isKnown = (db: Db, folder: string, sha256: string): boolean =>
  db.prepare('SELECT 1 FROM photo_content WHERE sha256 = ?').get(sha256) !== undefined &&
  isWhole(folder, sha256)

/** Whether every file of a photo is there and its original is what its name says. */
export function isWhole(folder: string, sha256: string): boolean {
  if (
    !PHOTO_SIZES.every(
      (size) => existsSync(pathOf(folder, sha256, size)) && statSync(pathOf(folder, sha256, size)).size > 0,
    )
  )
    return false
  return hashOf(readFileSync(pathOf(folder, sha256, 'original'))) === sha256
}

/**
 * Reads a kept photo; null when there is none, or its file is gone. Smaller versions are always JPEG and
 * carry no camera data.
 */
export function readPhoto(
  db: Db,
  folder: string,
  sha256: string,
  size: PhotoSize,
): { readonly type: string; readonly bytes: Buffer } | null {
  const type = db.prepare('SELECT type FROM photo_content WHERE sha256 = ?').pluck().get(sha256) as
    | string
    | undefined
  const path = pathOf(folder, sha256, size)
  if (type === undefined || !existsSync(path)) return null
  return { type: size === 'original' ? type : 'image/jpeg', bytes: readFileSync(path) }
}

export function pathOf(folder: string, sha256: string, size: PhotoSize): string {
  return join(/* turbopackIgnore: true */ folder, 'photos', sha256.slice(0, 2), `${sha256}.${size}`)
}

/**
 * Written beside, forced to disk, renamed, and the folder forced to disk: a cut of power leaves it whole or
 * not at all.
 */
function write(folder: string, sha256: string, size: PhotoSize, bytes: Buffer): void {
  const path = pathOf(folder, sha256, size)
  const parent = join(/* turbopackIgnore: true */ folder, 'photos', sha256.slice(0, 2))
  mkdirSync(parent, { recursive: true })
  const beside = `${path}.${randomUUID()}`
  const file = openSync(/* turbopackIgnore: true */ beside, 'w')
  try {
    writeSync(file, bytes)
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
  renameSync(beside, path)
  const at = openSync(parent, 'r')
  try {
    fsyncSync(at)
  } finally {
    closeSync(at)
  }
}

/**
 * Files of the photo folder, by the name and size they were kept under; what a killed process left has
 * neither.
 */
export function photoFiles(folder: string): { readonly path: string; readonly sha256: string | null }[] {
  const photos = join(/* turbopackIgnore: true */ folder, 'photos')
  if (!existsSync(photos)) return []
  return readdirSync(photos, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map(({ name, parentPath }) => ({
      path: join(/* turbopackIgnore: true */ parentPath, name),
      sha256: /^([0-9a-f]{64})\.(original|view|small)$/.exec(name)?.[1] ?? null,
    }))
}

const LEFT_MS = 3_600_000
/** A photo that came in part waits for the rest for a week. */
const PART_LEFT_MS = 7 * 24 * LEFT_MS

/**
 * Sweeps what killed processes left, half-written files and bodies older than an hour, and photos that never
 * came whole. Answers how many.
 */
export function sweep(folder: string, now: number): number {
  const inside = (name: string) => {
    const at = join(/* turbopackIgnore: true */ folder, name)
    return existsSync(at) ? readdirSync(at).map((file) => join(/* turbopackIgnore: true */ at, file)) : []
  }
  const olderThan = (ms: number) => (path: string) => now - statSync(path).mtimeMs > ms
  const half = photoFiles(folder).flatMap(({ sha256, path }) => (sha256 === null ? [path] : []))
  const left = [
    ...[...half, ...inside('incoming')].filter(olderThan(LEFT_MS)),
    ...inside('arriving').filter(olderThan(PART_LEFT_MS)),
  ]
  for (const path of left) rmSync(path, { force: true })
  return left.length
}
