import type { Metadata } from 'next'
import { NewJob } from '@/ui/jobs/NewJob'

export const metadata: Metadata = { title: 'New job' }

export default function Page() {
  return <NewJob />
}
