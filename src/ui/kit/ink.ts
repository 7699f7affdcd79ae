'use client'

import { useTheme } from 'next-themes'
import { useMemo } from 'react'
import { INKS, type Ink } from '../theme'
import type { Shades } from './shades'

/** The theme's inks as plain colours, for the canvas. */
export function useInk(): { readonly ink: Readonly<Record<Ink, string>>; readonly shades: Shades } {
  const { theme } = useTheme()
  return useMemo(() => {
    const loft = theme === 'loft'
    const ink = Object.fromEntries(Object.entries(INKS).map(([name, pair]) => [name, pair[loft ? 1 : 0]])) as Record<Ink, string>
    return { ink, shades: loft ? 'loft' : 'daylight' }
  }, [theme])
}
