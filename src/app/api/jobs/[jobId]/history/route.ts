import { z } from 'zod'
import { reasonsOf } from '@/core/job'
import { answering } from '@/server/answer'
import { history } from '@/server/commands/history'
import { revisionOf } from '@/server/db/job'
import { record } from '@/server/db/open'
import { noJob, problem } from '@/server/problem'

const Query = z.object({
  after: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(5000).default(1000),
})

/** Every command applied to a job, in order. `?after=` and `?limit=` page through them by sequence number. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = Query.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success)
    return problem(400, 'Not a page of history', 'after and limit are whole numbers.', reasonsOf(query.error))
  if (revisionOf(record(), jobId) === null) return noJob(jobId)
  return Response.json({ entries: history(record(), jobId, query.data.after, query.data.limit) })
})
