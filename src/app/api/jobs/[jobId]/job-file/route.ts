import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { jobFile } from '@/server/exports/jobFile'
import { attachment } from '@/server/exports/attachment'
import { noJob } from '@/server/problem'

export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (_, { params }) => {
  const { jobId } = await params
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  return Response.json(jobFile(record(), dataFolder(), stored.job), {
    headers: attachment(stored.job.name, 'job.json'),
  })
})
