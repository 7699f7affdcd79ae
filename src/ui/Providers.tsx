'use client'

import { ChakraProvider } from '@chakra-ui/react'
import createCache from '@emotion/cache'
import { CacheProvider } from '@emotion/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { useServerInsertedHTML } from 'next/navigation'
import { ThemeProvider } from 'next-themes'
import { useEffect, useState, type ReactNode } from 'react'
import { replayFirstTap } from './firstTap'
import { useHandsOnPage } from './hands/hands'
import { keepApplication } from './kept/serviceWorker'
import { system } from './theme'

/** Everything that surrounds the pages: styles collected on the server, theme, queries. */
export function Providers({ nonce: asked, children }: { nonce?: string; children: ReactNode }) {
  useEffect(() => {
    // after the effects round this one, before anything else happens: the framework hears of addresses then
    queueMicrotask(replayFirstTap)
  }, [])
  useEffect(keepApplication, [])
  useHandsOnPage()
  // A refreshed list brings the nonce of another answer; the page goes by the one that it came with.
  const [nonce] = useState(asked)
  const [queries] = useState(
    () => new QueryClient({ defaultOptions: { queries: { staleTime: 5_000, retry: 1 } } }),
  )
  return (
    <StyleRegistry nonce={nonce}>
      <QueryClientProvider client={queries}>
        <ChakraProvider value={system}>
          <ThemeProvider
            nonce={nonce}
            attribute="class"
            themes={['daylight', 'loft', 'glare']}
            value={{ daylight: 'light', loft: 'dark', glare: 'light' }}
            defaultTheme="daylight"
            enableSystem={false}
            disableTransitionOnChange
          >
            {children}
          </ThemeProvider>
        </ChakraProvider>
      </QueryClientProvider>
    </StyleRegistry>
  )
}

/** Hands the styles that a render inserted to the page, so that server and browser agree. */
function StyleRegistry({ nonce, children }: { nonce?: string; children: ReactNode }) {
  const [{ cache, flush }] = useState(() => {
    const cache = createCache({ key: 'nb', nonce })
    cache.compat = true
    const insert = cache.insert
    let inserted: string[] = []
    cache.insert = (...args) => {
      const [, serialized] = args
      if (cache.inserted[serialized.name] === undefined) inserted.push(serialized.name)
      return insert(...args)
    }
    const flush = () => {
      const names = inserted
      inserted = []
      return names
    }
    return { cache, flush }
  })
  useServerInsertedHTML(() => {
    const names = flush()
    if (names.length === 0) return null
    const styles = names.map((name) => cache.inserted[name]).join('')
    return (
      <style
        key={cache.key}
        nonce={nonce}
        data-emotion={`${cache.key} ${names.join(' ')}`}
        dangerouslySetInnerHTML={{ __html: styles }}
      />
    )
  })
  return <CacheProvider value={cache}>{children}</CacheProvider>
}
