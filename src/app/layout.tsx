import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import '@fontsource/barlow/400.css'
import '@fontsource/barlow/500.css'
import '@fontsource/barlow/600.css'
import '@fontsource/barlow-semi-condensed/500.css'
import '@fontsource/barlow-semi-condensed/600.css'
import '@fontsource/b612-mono/400.css'
import { Providers } from '@/ui/Providers'

export const metadata: Metadata = { title: { default: 'Neat Bracket', template: '%s · Neat Bracket' }, description: 'From first sighting to signed hand-over, one record per camera.' }
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default function Layout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  )
}
