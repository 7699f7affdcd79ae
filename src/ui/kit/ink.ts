'use client'

import { useTheme } from 'next-themes'
import { useMemo, useSyncExternalStore } from 'react'
import { INKS, type Ink } from '../theme'
import type { Shades } from '@/drawings/plan'

const never = () => () => undefined

/**
 * False in what the server drew and in the first look at it: what only the browser knows must not be
 * painted before.
 */
export const useMounted = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )

/** The theme's inks as plain colours, for the canvas and for scales. */
export function useInk(): { readonly ink: Readonly<Record<Ink, string>>; readonly shades: Shades } {
  const { theme } = useTheme()
  const loft = useMounted() && theme === 'loft'
  return useMemo(() => {
    const ink = Object.fromEntries(
      Object.entries(INKS).map(([name, pair]) => [name, pair[loft ? 1 : 0]]),
    ) as Record<Ink, string>
    return { ink, shades: loft ? 'loft' : 'daylight' }
  }, [loft])
}
