import { connection } from 'next/server'
import { answering } from '@/server/answer'
import { record } from '@/server/db/open'
import { jobSummaries } from '@/server/jobs'

export const GET = answering(async () => {
  await connection()
  return Response.json({ jobs: jobSummaries(record()) })
})
