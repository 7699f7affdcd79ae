import { answering, withBodyFile } from '@/server/answer'
import { dataFolder, record } from '@/server/db/open'
import { MOST_DRAWING_BYTES } from '@/server/imports/background'
import { knowPhoto } from '@/server/photos/store'
import { problem } from '@/server/problem'
import { work } from '@/server/workshop/workshop'

/**
 * Keeps a site drawing as a picture: 201 with its hash, size and, where the drawing knows it, the length of
 * a pixel.
 */
export const POST = answering(async (request) => {
  const page = Number(new URL(request.url).searchParams.get('page') ?? 1)
  if (!Number.isInteger(page)) return problem(400, 'No such page', 'A page is a whole number, from 1.')
  const folder = dataFolder()
  const drawn = await withBodyFile(request, folder, MOST_DRAWING_BYTES, (path) =>
    work('background', { folder, path, page }, { signal: request.signal }),
  )
  if (!drawn.ok) return problem(drawn.status, 'The drawing was not kept', drawn.message)
  const { content, widthPx, heightPx, metresPerPx, pages } = drawn
  knowPhoto(record(), content)
  return Response.json({ sha256: content.sha256, widthPx, heightPx, metresPerPx, pages }, { status: 201 })
})
