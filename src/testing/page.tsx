import { ChakraProvider } from '@chakra-ui/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { configure, fireEvent, render, screen, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { vi } from 'vitest'
import type { Job } from '@/core/job'
import { JobProvider, useJob } from '@/ui/job/JobProvider'
import { system } from '@/ui/theme'
import { job } from './jobs'

/**
 * A page of a job in a window without layout or signal: what is said waits in the outbox and is shown at
 * once.
 */

/** `wide`: as wide as a laptop's. */
export function prepareWindow({ wide = false } = {}): void {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no signal')))
  window.matchMedia = () =>
    ({
      matches: wide,
      addListener: () => undefined,
      removeListener: () => undefined,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as unknown as MediaQueryList
  Element.prototype.scrollTo = () => undefined
  Element.prototype.scrollIntoView = () => undefined
  window.localStorage.clear()
}

// Only for what never comes: a shared machine may be many times slower than one's own.
configure({ asyncUtilTimeout: 60_000 })

let count = 0

/**
 * Shows a page and gives the job as it stands, tried changes included. Each job has an id of its own:
 * outboxes outlive tests.
 */
export function showPage(page: ReactNode, change: Partial<Job>): () => Job {
  let held: Job | null = null
  function Watch() {
    held = useJob().job
    return null
  }
  const stored = { revision: 1, job: job({ id: `page-${count++}`, ...change }) }
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } })
  render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        <JobProvider given={stored}>
          <Watch />
          {page}
        </JobProvider>
      </QueryClientProvider>
    </ChakraProvider>,
  )
  return () => held!
}

export const pick = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }))
export const type = (label: string, words: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: words } })
export const keep = (label: string, words: string) => {
  type(label, words)
  fireEvent.blur(screen.getByLabelText(label))
}
export const settled = (check: () => void) => waitFor(check)

/** What the page objects to and what it is content with, in words. */
export const findings = () =>
  screen
    .queryAllByRole('list', { name: 'Findings' })
    .map(({ textContent }) => textContent)
    .join(' ')
