import { answering, withBodyFile } from '@/server/answer'
import { dataFolder, record } from '@/server/db/open'
import { keepPhoto, wrongName } from '@/server/photos/keep'
import { MOST_PHOTO_BYTES, PHOTO_SIZES, readPhoto, type PhotoSize } from '@/server/photos/store'
import { problem } from '@/server/problem'

type Context = { params: Promise<{ sha256: string }> }

/**
 * Keeps a photo under the hash of its bytes; files that went missing or bad are made good again. 201 the
 * first time, 200 after. A photo that carries where it was taken wants `?place=keep`, or that taken out of
 * it first.
 */
export const PUT = answering<Context>(async (request, { params }) => {
  const { sha256 } = await params
  const bad = wrongName(sha256)
  if (bad) return bad
  return withBodyFile(request, dataFolder(), MOST_PHOTO_BYTES, (path) =>
    keepPhoto(request, sha256, path, request.signal),
  )
})

export const GET = answering<Context>(async (request, { params }) => {
  const { sha256 } = await params
  const bad = wrongName(sha256)
  if (bad) return bad
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
