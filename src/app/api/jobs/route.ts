import { connection } from 'next/server'
import { answering } from '@/server/answer'
import { dataFolder, record } from '@/server/db/open'
import { jobSummaries } from '@/server/jobs'

export const GET = answering(async () => {
  await connection()
  return Response.json({ jobs: await jobSummaries(record(), dataFolder()) })
})
