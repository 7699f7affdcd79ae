'use client'

import { Failed } from '@/ui/kit/Failed'

export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string }
  reset: () => void
}) {
  return <Failed message={error.message} onAgain={reset} />
}
