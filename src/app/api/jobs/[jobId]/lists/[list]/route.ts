import { CATALOGUE } from '@/catalogue'
import { pullSheet } from '@/core/pull'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { attachment } from '@/server/exports/attachment'
import { PULL_LISTS } from '@/server/exports/csv'
import { noJob, problem } from '@/server/problem'
import { work } from '@/server/workshop/workshop'

const BOXES = 'box-plan'

/** A list of the pull sheet as CSV; box-plan takes longer than the others. */
export const GET = answering<{ params: Promise<{ jobId: string; list: string }> }>(
  async (request, { params }) => {
    const { jobId, list } = await params
    const stored = load(record(), jobId)
    if (!stored) return noJob(jobId)
    const known = Object.hasOwn(PULL_LISTS, list)
    if (!known && list !== BOXES)
      return problem(404, 'No such list', `Ask for ${[...Object.keys(PULL_LISTS), BOXES].join(', ')}.`)
    const csv = known
      ? PULL_LISTS[list as keyof typeof PULL_LISTS](pullSheet(stored.job, CATALOGUE), stored.job)
      : await work('boxes', { folder: dataFolder(), jobId }, { signal: request.signal })
    if (csv === null) return noJob(jobId)
    return new Response(csv, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        ...attachment(`${stored.job.name} ${list}`, 'csv'),
      },
    })
  },
)
