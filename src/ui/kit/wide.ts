import { useSyncExternalStore } from 'react'

/** From here on a list is drawn as a table; the theme's `md`. */
const WIDE = '(min-width: 48em)'

const subscribe = (changed: () => void) => {
  const query = window.matchMedia(WIDE)
  query.addEventListener('change', changed)
  return () => query.removeEventListener('change', changed)
}

/** Whether the window is wide; null where nobody knows yet: both ways are drawn then, and styles choose. */
export const useWide = (): boolean | null =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(WIDE).matches,
    () => null,
  )
