import { CATALOGUE } from '@/catalogue'
import { FLOORS, type Floor } from '@/core/job'
import { surveyReport } from '@/core/sight'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { noJob, problem } from '@/server/problem'

/** What the cameras of a floor see together: areas of interest, privacy areas and blind spots, as JSON. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const floor = (new URL(request.url).searchParams.get('floor') ?? 'ground') as Floor
  if (!Object.hasOwn(FLOORS, floor))
    return problem(400, 'No such floor', `Ask for ${Object.keys(FLOORS).join(', ')}.`)
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  return Response.json(surveyReport(stored.job, CATALOGUE, floor))
})
