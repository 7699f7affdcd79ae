import { answering, withBodyFile } from '@/server/answer'
import { dataFolder, record } from '@/server/db/open'
import { keepPhoto, wrongName } from '@/server/photos/keep'
import { addPiece, arrivedOf, dropPieces, inTurn, MOST_PIECE_BYTES, partPath } from '@/server/photos/pieces'
import { isKnown, MOST_PHOTO_BYTES } from '@/server/photos/store'
import { problem } from '@/server/problem'

type Context = { params: Promise<{ sha256: string }> }

/** How many bytes of a photo have arrived, and whether all of it is kept already. */
export const GET = answering<Context>(async (_, { params }) => {
  const { sha256 } = await params
  const bad = wrongName(sha256)
  if (bad) return bad
  return Response.json(
    { has: await arrivedOf(dataFolder(), sha256), whole: isKnown(record(), dataFolder(), sha256) },
    { headers: { 'cache-control': 'no-store' } },
  )
})

/**
 * Takes the piece of a photo that begins at byte `at` of `of`. Answers how much has arrived, 409 where the
 * piece does not follow on it; with the last piece the photo is kept as if it had come in one. That is done
 * whether or not the sender still waits; an empty piece at the end asks for it once more.
 */
export const PUT = answering<Context>(async (request, { params }) => {
  const { sha256 } = await params
  const bad = wrongName(sha256)
  if (bad) return bad
  const query = new URL(request.url).searchParams
  const [at, of] = [Number(query.get('at') ?? NaN), Number(query.get('of') ?? NaN)]
  if (!Number.isInteger(at) || !Number.isInteger(of) || at < 0 || at > of)
    return problem(400, 'Not a piece', 'Give the byte at which it begins and the length of the whole.')
  if (of > MOST_PHOTO_BYTES)
    return problem(413, 'Too large', `The photo is larger than ${MOST_PHOTO_BYTES / 1024 / 1024} MB.`)
  const folder = dataFolder()
  const take = async (piece: string): Promise<Response> => {
    if (isKnown(record(), folder, sha256)) return Response.json({ sha256 })
    const { has, added } = await addPiece(folder, sha256, at, piece)
    if (!added)
      return problem(409, 'Not the next piece', `${has} bytes have arrived: go on from there.`, [], { has })
    if (has < of) return Response.json({ has })
    const kept = await keepPhoto(request, sha256, partPath(folder, sha256))
    await dropPieces(folder, sha256)
    return kept
  }
  return withBodyFile(request, folder, Math.min(MOST_PIECE_BYTES, of - at), (piece) =>
    inTurn(sha256, () => take(piece)),
  )
})
