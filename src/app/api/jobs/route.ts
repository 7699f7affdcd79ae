import { connection } from 'next/server'
import { record } from '@/server/db/open'
import { jobSummaries } from '@/server/jobs'

export async function GET(): Promise<Response> {
  await connection()
  return Response.json({ jobs: jobSummaries(record()) })
}
