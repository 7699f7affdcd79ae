import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { screenAt, titleOf } from '@/ui/screens/address'
import { JobScreens } from '@/ui/screens/JobScreens'

interface Props {
  readonly params: Promise<{ jobId: string; screen?: string[] }>
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { jobId, screen = [] } = await params
  const [stored, at] = [load(record(), jobId), screenAt(screen)]
  return { title: stored && at ? titleOf(at, stored.job) : 'Nothing at this address' }
}

/** Every screen of a job: the page is fetched once and changes screens on its own from then on. */
export default async function Page({ params }: Props) {
  if (!screenAt((await params).screen ?? [])) notFound()
  return <JobScreens />
}
