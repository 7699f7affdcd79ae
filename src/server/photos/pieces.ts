import 'server-only'
import { appendFile, mkdir, readFile, rm, stat, truncate } from 'node:fs/promises'
import { join } from 'node:path'

/**
 * Photos on their way, piece by piece: what has arrived stays, whatever becomes of the line, and the sender
 * goes on from there.
 */

export const MOST_PIECE_BYTES = 1024 * 1024

/** Where a photo is put together; nobody knows of it until it is whole. */
export const partPath = (folder: string, sha256: string): string =>
  join(/* turbopackIgnore: true */ folder, 'arriving', `${sha256}.part`)

/** How many bytes of a photo have arrived. */
export async function arrivedOf(folder: string, sha256: string): Promise<number> {
  return (await stat(partPath(folder, sha256)).catch(() => null))?.size ?? 0
}

const turns = new Map<string, Promise<unknown>>()

/** Pieces of one photo are worked on one after the other, whoever sends them. */
export async function inTurn<T>(sha256: string, work: () => Promise<T>): Promise<T> {
  const before = turns.get(sha256) ?? Promise.resolve()
  const own = before.then(work, work)
  turns.set(sha256, own)
  try {
    return await own
  } finally {
    if (turns.get(sha256) === own) turns.delete(sha256)
  }
}

/** How many bytes are here; `added` is false where a piece did not follow on them and was left. */
export interface Arrived {
  readonly has: number
  readonly added: boolean
}

/** Adds a piece (a file) that begins at byte `at`. */
export async function addPiece(
  folder: string,
  sha256: string,
  at: number,
  piecePath: string,
): Promise<Arrived> {
  const has = await arrivedOf(folder, sha256)
  if (has !== at) return { has, added: false }
  const path = partPath(folder, sha256)
  await mkdir(join(/* turbopackIgnore: true */ folder, 'arriving'), { recursive: true })
  const piece = await readFile(piecePath)
  try {
    await appendFile(path, piece)
  } catch (error) {
    await truncate(path, at).catch(() => undefined) // a full disk leaves no half piece
    throw error
  }
  return { has: at + piece.length, added: true }
}

/** Forgets what has arrived of a photo. */
export const dropPieces = (folder: string, sha256: string): Promise<void> =>
  rm(partPath(folder, sha256), { force: true })
