import type { Metadata, Viewport } from 'next'
import { headers } from 'next/headers'
import type { ReactNode } from 'react'
import '@fontsource/barlow/400.css'
import '@fontsource/barlow/500.css'
import '@fontsource/barlow/600.css'
import '@fontsource/barlow-semi-condensed/500.css'
import '@fontsource/barlow-semi-condensed/600.css'
import '@fontsource/b612-mono/400.css'
import { KEEP_FIRST_TAP } from '@/ui/firstTap'
import { Providers } from '@/ui/Providers'

export const metadata: Metadata = {
  title: { default: 'Neat Bracket', template: '%s · Neat Bracket' },
  description: 'From first sighting to signed hand-over, one record per camera.',
  icons: { apple: '/icons/apple.png' },
  appleWebApp: { capable: true, title: 'Neat Bracket' },
}
export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function Layout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get('x-nonce') ?? undefined
  return (
    <html lang="en" suppressHydrationWarning>
      <body>
        <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: KEEP_FIRST_TAP }} />
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  )
}
