import { connection } from 'next/server'
import { record } from '@/server/db/open'
import { jobSummaries } from '@/server/jobs'
import { JobList } from '@/ui/jobs/JobList'

export default async function Page() {
  await connection()
  return <JobList jobs={jobSummaries(record())} />
}
