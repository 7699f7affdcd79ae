import { dataFolder, record } from '@/server/db/open'
import { keepBackground, MOST_DRAWING_BYTES } from '@/server/imports/background'
import { problem } from '@/server/problem'

/** Keeps a site drawing as a picture: 201 with its hash, size and, where the drawing knows it, the length of a pixel. */
export async function POST(request: Request): Promise<Response> {
  const page = Number(new URL(request.url).searchParams.get('page') ?? 1)
  if (!Number.isInteger(page)) return problem(400, 'No such page', 'A page is a whole number, from 1.')
  if (Number(request.headers.get('content-length') ?? 0) > MOST_DRAWING_BYTES) return problem(413, 'The drawing is too large', `At most ${MOST_DRAWING_BYTES / 1024 / 1024} MB.`)
  const kept = await keepBackground(record(), dataFolder(), Buffer.from(await request.arrayBuffer()), page)
  if (!kept.ok) return problem(kept.status, 'The drawing was not kept', kept.message)
  const { sha256, widthPx, heightPx, metresPerPx, pages } = kept
  return Response.json({ sha256, widthPx, heightPx, metresPerPx, pages }, { status: 201 })
}
