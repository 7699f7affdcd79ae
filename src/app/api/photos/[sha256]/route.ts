import { dataFolder, record } from '@/server/db/open'
import { keepPhoto, MOST_PHOTO_BYTES, PHOTO_SIZES, readPhoto, type PhotoSize } from '@/server/photos/store'
import { problem } from '@/server/problem'

type Context = { params: Promise<{ sha256: string }> }

const IS_HASH = /^[0-9a-f]{64}$/
const notAHash = () => problem(400, 'Not a photo name', 'A photo is named by the SHA-256 of its bytes: 64 hex digits.')

/** Keeps a photo under the hash of its bytes. Idempotent: 201 the first time, 200 after. */
export async function PUT(request: Request, { params }: Context): Promise<Response> {
  const { sha256 } = await params
  if (!IS_HASH.test(sha256)) return notAHash()
  if (Number(request.headers.get('content-length') ?? 0) > MOST_PHOTO_BYTES) return problem(413, 'The photo is too large', `At most ${MOST_PHOTO_BYTES / 1024 / 1024} MB.`)
  const kept = await keepPhoto(record(), dataFolder(), sha256, Buffer.from(await request.arrayBuffer()))
  if (!kept.ok) return problem(kept.status, 'The photo was not kept', kept.message)
  return Response.json({ sha256 }, { status: kept.created ? 201 : 200 })
}

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { sha256 } = await params
  if (!IS_HASH.test(sha256)) return notAHash()
  const size = (new URL(request.url).searchParams.get('size') ?? 'view') as PhotoSize
  if (!PHOTO_SIZES.includes(size)) return problem(400, 'No such size', `Ask for ${PHOTO_SIZES.join(', ')}.`)
  const photo = readPhoto(record(), dataFolder(), sha256, size)
  if (!photo) return problem(404, 'No such photo', 'Nothing is kept under this name.')
  return new Response(new Uint8Array(photo.bytes), { headers: { 'content-type': photo.type, 'cache-control': 'public, max-age=31536000, immutable', 'x-content-type-options': 'nosniff' } })
}
