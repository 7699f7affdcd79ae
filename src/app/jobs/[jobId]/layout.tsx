import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
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
  return (
    <JobProvider key={stored.job.id} stored={stored}>
      <JobShell>{children}</JobShell>
    </JobProvider>
  )
}
