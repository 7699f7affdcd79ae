import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import type { ReactNode } from 'react'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { JobProvider } from '@/ui/job/JobProvider'
import { JobShell } from '@/ui/job/JobShell'

interface Props {
  readonly params: Promise<{ jobId: string }>
  readonly children: ReactNode
}

export async function generateMetadata({ params }: Pick<Props, 'params'>): Promise<Metadata> {
  const stored = load(record(), (await params).jobId)
  return { title: stored?.job.name ?? 'No such job' }
}

export default async function Layout({ params, children }: Props) {
  const stored = load(record(), (await params).jobId)
  if (!stored) notFound()
  return (
    <JobProvider key={stored.job.id} stored={stored}>
      <JobShell>{children}</JobShell>
    </JobProvider>
  )
}
