'use client'

import { useCallback, useEffect, useState } from 'react'

const KEY = 'neat-bracket-draft:'

/** Words that a person typed and that are not taken over yet: they survive a reload. Null when there are none. */
export function readDraft(key: string): string | null {
  return typeof window === 'undefined' ? null : window.localStorage.getItem(KEY + key)
}

export function writeDraft(key: string, words: string | null): void {
  if (words === null) window.localStorage.removeItem(KEY + key)
  else window.localStorage.setItem(KEY + key, words)
}

/** Keeps a whole form's values as a draft while they are being typed; `clear` when they were taken over. */
export function useFormDraft<T extends object>(key: string, watch: (listener: (values: Partial<T>) => void) => { unsubscribe: () => void }, reset: (values: T) => void, start: T) {
  const [restored, setRestored] = useState(false)
  useEffect(() => {
    const words = readDraft(key)
    if (words !== null) {
      try {
        reset({ ...start, ...(JSON.parse(words) as Partial<T>) })
        setRestored(true)
      } catch {
        writeDraft(key, null)
      }
    }
    const subscription = watch((values) => writeDraft(key, JSON.stringify(values)))
    return () => subscription.unsubscribe()
    // The form is set up once for its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  const clear = useCallback(() => writeDraft(key, null), [key])
  return { restored, clear }
}
