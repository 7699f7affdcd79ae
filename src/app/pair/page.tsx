import type { Metadata } from 'next'
import { PairThis } from '@/ui/phones/PairThis'

export const metadata: Metadata = { title: 'Pair this phone' }

export default function Page() {
  return <PairThis />
}
