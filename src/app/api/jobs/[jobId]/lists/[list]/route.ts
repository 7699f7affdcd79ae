import { CATALOGUE } from '@/catalogue'
import { pullSheet } from '@/core/pull'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { attachment } from '@/server/exports/attachment'
import { PULL_LISTS } from '@/server/exports/csv'
import { noJob, problem } from '@/server/problem'

/** A list of the pull sheet as CSV: cut-list, drill-list or van-list. */
export const GET = answering<{ params: Promise<{ jobId: string; list: string }> }>(async (_, { params }) => {
  const { jobId, list } = await params
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  if (!Object.hasOwn(PULL_LISTS, list))
    return problem(404, 'No such list', `Ask for ${Object.keys(PULL_LISTS).join(', ')}.`)
  const csv = PULL_LISTS[list as keyof typeof PULL_LISTS](pullSheet(stored.job, CATALOGUE), stored.job)
  return new Response(csv, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      ...attachment(`${stored.job.name} ${list}`, 'csv'),
    },
  })
})
