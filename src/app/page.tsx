import { connection } from 'next/server'
import { dataFolder, record } from '@/server/db/open'
import { listedJobs } from '@/server/jobs'
import { JobList } from '@/ui/jobs/JobList'

export default async function Page() {
  await connection()
  return <JobList jobs={listedJobs(record(), dataFolder())} />
}
