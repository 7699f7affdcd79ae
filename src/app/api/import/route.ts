import { dataFolder, record } from '@/server/db/open'
import { importJobFile } from '@/server/imports/jobFile'
import { problem } from '@/server/problem'

const MOST_BYTES = 200 * 1024 * 1024

/** Imports a job file sent as the body. `?as=copy` gives it an id of its own. */
export async function POST(request: Request): Promise<Response> {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) return problem(413, 'The file is too large', 'A job file has at most 200 MB.')
  const imported = await importJobFile(record(), dataFolder(), await request.text(), new URL(request.url).searchParams.get('as') === 'copy')
  return imported.ok ? Response.json({ jobId: imported.jobId }, { status: 201 }) : problem(imported.status, imported.title, imported.reasons[0]?.message ?? '', imported.reasons)
}
