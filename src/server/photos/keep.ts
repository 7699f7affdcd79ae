import 'server-only'
import { readFile } from 'node:fs/promises'
import { hasPlace } from '@/core/photo'
import { dataFolder, record } from '../db/open'
import { problem } from '../problem'
import { work } from '../workshop/workshop'
import { knowPhoto } from './store'

const IS_HASH = /^[0-9a-f]{64}$/

/** The problem of a name that is none; null for a good one. */
export const wrongName = (sha256: string): Response | null =>
  IS_HASH.test(sha256)
    ? null
    : problem(400, 'Not a photo name', 'A photo is named by the SHA-256 of its bytes: 64 hex digits.')

/** Whether a photo may say where it was taken. */
const keepsPlace = (request: Request): boolean => new URL(request.url).searchParams.get('place') === 'keep'

/**
 * Keeps the photo in a file under its name. 201 the first time, 200 after. Given up where `signal` says that
 * nobody waits for it.
 */
export async function keepPhoto(
  request: Request,
  sha256: string,
  path: string,
  signal?: AbortSignal,
): Promise<Response> {
  if (!keepsPlace(request) && hasPlace(await readFile(path)))
    return problem(
      422,
      'The photo was not kept',
      'It carries where it was taken. Take that out of it, or send it with ?place=keep.',
    )
  const folder = dataFolder()
  const kept = await work('photo', { folder, path, expected: sha256 }, signal ? { signal } : {})
  if (!kept.ok) return problem(kept.status, 'The photo was not kept', kept.message)
  return Response.json({ sha256 }, { status: knowPhoto(record(), kept.content) ? 201 : 200 })
}
