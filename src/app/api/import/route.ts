import { answering, withBodyFile } from '@/server/answer'
import { dataFolder } from '@/server/db/open'
import { problem } from '@/server/problem'
import { work } from '@/server/workshop/workshop'

const MOST_BYTES = 200 * 1024 * 1024

/**
 * Imports a job file, or a file of work that waited on a device, sent as the body. `?as=copy` gives a job
 * an id of its own.
 */
export const POST = answering(async (request) => {
  const asCopy = new URL(request.url).searchParams.get('as') === 'copy'
  const folder = dataFolder()
  const imported = await withBodyFile(request, folder, MOST_BYTES, (path) =>
    work('import', { folder, path, asCopy }, { signal: request.signal }),
  )
  if (!imported.ok)
    return problem(imported.status, imported.title, imported.reasons[0]?.message ?? '', imported.reasons)
  return Response.json({ jobId: imported.jobId, refused: imported.refused }, { status: 201 })
})
