import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { plainName } from '@/server/exports/attachment'
import { printNow } from '@/server/print/answer'
import { noJob } from '@/server/problem'

/** The pull sheet as PDF, when it is done. Whoever hangs up ends it. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const name = plainName(`${stored.job.name} pull sheet`, 'pdf')
  return printNow(request, { jobId, print: { what: 'pull' }, name }, { status: 404, title: 'No such job' })
})
