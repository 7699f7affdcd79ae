import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { noJob } from '@/server/problem'

export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (_, { params }) => {
  const { jobId } = await params
  const stored = load(record(), jobId)
  return stored ? Response.json(stored) : noJob(jobId)
})
