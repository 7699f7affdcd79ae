import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { noJob } from '@/server/problem'

export async function GET(_: Request, { params }: { params: Promise<{ jobId: string }> }): Promise<Response> {
  const { jobId } = await params
  const stored = load(record(), jobId)
  return stored ? Response.json(assess(stored.job, CATALOGUE)) : noJob(jobId)
}
