import { z } from 'zod'
import { reasonsOf } from '@/core/job'
import { answering } from '@/server/answer'
import { commandsSince, hasCommand } from '@/server/commands/history'
import { revisionOf } from '@/server/db/job'
import { nameOf, record } from '@/server/db/open'
import { noJob, problem } from '@/server/problem'

const Query = z.object({ since: z.coerce.number().int().min(0), knows: z.string().max(200).optional() })

/**
 * What the job took after a revision (`?since=`): 410 when that is too far back, and the job must be read
 * whole. `knows` is the id of a command that whoever asks knows it to have: 409 when it has it no more, as
 * after it was restored from an older back-up.
 */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = Query.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success) {
    return problem(400, 'Not a revision', 'since is a whole number.', reasonsOf(query.error))
  }
  const revision = revisionOf(record(), jobId)
  if (revision === null) return noJob(jobId)
  const { since, knows } = query.data
  if (since > revision || (knows !== undefined && !hasCommand(record(), jobId, knows)))
    return problem(409, 'Gone back', 'The record lacks what you know it to have had: say it again.', [], {
      record: nameOf(record()),
    })
  const commands = commandsSince(record(), jobId, since)
  if (!commands) return problem(410, 'Too far back', 'Read the job whole: what came after is not known.')
  return Response.json({ revision, commands, record: nameOf(record()) })
})
