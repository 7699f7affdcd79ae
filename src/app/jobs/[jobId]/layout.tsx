import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { preload } from 'react-dom'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { givenOf, wholeJob } from '@/ui/job/given'
import { JobProvider } from '@/ui/job/JobProvider'
import { JobShell } from '@/ui/job/JobShell'

export default async function Layout({
  params,
  children,
}: {
  params: Promise<{ jobId: string }>
  children: ReactNode
}) {
  const stored = load(record(), (await params).jobId)
  if (!stored) notFound()
  const given = givenOf(stored)
  if (!('job' in given)) preload(wholeJob(given.id), { as: 'fetch', crossOrigin: 'anonymous' })
  return (
    <JobProvider key={stored.job.id} given={given}>
      <JobShell>{children}</JobShell>
    </JobProvider>
  )
}
