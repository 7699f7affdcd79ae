import { readFile } from 'node:fs/promises'
import { hasPlace } from '@/core/photo'
import { answering, withBodyFile } from '@/server/answer'
import { dataFolder, record } from '@/server/db/open'
import { knowPhoto, MOST_PHOTO_BYTES, PHOTO_SIZES, readPhoto, type PhotoSize } from '@/server/photos/store'
import { problem } from '@/server/problem'
import { work } from '@/server/workshop/workshop'

type Context = { params: Promise<{ sha256: string }> }

const IS_HASH = /^[0-9a-f]{64}$/
const notAHash = () =>
  problem(400, 'Not a photo name', 'A photo is named by the SHA-256 of its bytes: 64 hex digits.')

/**
 * Keeps a photo under the hash of its bytes; files that went missing or bad are made good again. 201 the
 * first time, 200 after. A photo that carries where it was taken wants `?place=keep`, or that taken out of
 * it first.
 */
export const PUT = answering<Context>(async (request, { params }) => {
  const { sha256 } = await params
  if (!IS_HASH.test(sha256)) return notAHash()
  const keepsPlace = new URL(request.url).searchParams.get('place') === 'keep'
  const folder = dataFolder()
  return withBodyFile(request, folder, MOST_PHOTO_BYTES, async (path) => {
    if (!keepsPlace && hasPlace(await readFile(path)))
      return problem(
        422,
        'The photo was not kept',
        'It carries where it was taken. Take that out of it, or send it with ?place=keep.',
      )
    const kept = await work('photo', { folder, path, expected: sha256 }, { signal: request.signal })
    if (!kept.ok) return problem(kept.status, 'The photo was not kept', kept.message)
    return Response.json({ sha256 }, { status: knowPhoto(record(), kept.content) ? 201 : 200 })
  })
})

export const GET = answering<Context>(async (request, { params }) => {
  const { sha256 } = await params
  if (!IS_HASH.test(sha256)) return notAHash()
  const size = (new URL(request.url).searchParams.get('size') ?? 'view') as PhotoSize
  if (!PHOTO_SIZES.includes(size)) return problem(400, 'No such size', `Ask for ${PHOTO_SIZES.join(', ')}.`)
  const photo = readPhoto(record(), dataFolder(), sha256, size)
  if (!photo)
    return problem(
      404,
      'No such photo',
      'Nothing is kept under this name, or its file is gone: npm run check tells which.',
    )
  return new Response(new Uint8Array(photo.bytes), {
    headers: { 'content-type': photo.type, 'cache-control': 'public, max-age=31536000, immutable' },
  })
})
