import { z } from 'zod'
import { reasonsOf } from '@/core/job'
import { answering } from '@/server/answer'
import { commandsSince } from '@/server/commands/history'
import { revisionOf } from '@/server/db/job'
import { record } from '@/server/db/open'
import { noJob, problem } from '@/server/problem'

const Query = z.object({ since: z.coerce.number().int().min(0) })

/**
 * What the job took after a revision (`?since=`): 410 when that is too far back, and the job must be read
 * whole.
 */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = Query.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success) {
    return problem(400, 'Not a revision', 'since is a whole number.', reasonsOf(query.error))
  }
  const revision = revisionOf(record(), jobId)
  if (revision === null) return noJob(jobId)
  const commands = commandsSince(record(), jobId, query.data.since)
  if (!commands) return problem(410, 'Too far back', 'Read the job whole: what came after is not known.')
  return Response.json({ revision, commands })
})
