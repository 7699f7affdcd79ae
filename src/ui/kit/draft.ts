'use client'

import { useCallback, useEffect, useSyncExternalStore } from 'react'
import type { FieldValues, UseFormReturn } from 'react-hook-form'

/**
 * Words that a person typed and that are not taken over yet, kept on this device: they survive reloads and
 * dead spots.
 */
const KEY = 'neat-bracket-draft:'
const listeners = new Set<() => void>()

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Words that a full storage did not take: they live as long as the page. */
const onlyHere = new Map<string, string>()

const read = (key: string): string | null => onlyHere.get(key) ?? window.localStorage.getItem(KEY + key)

function write(key: string, words: string | null): void {
  onlyHere.delete(key)
  try {
    if (words === null) window.localStorage.removeItem(KEY + key)
    else window.localStorage.setItem(KEY + key, words)
  } catch {
    if (words !== null) onlyHere.set(key, words)
  }
  for (const listener of listeners) listener()
}

/** One draft: its words, null when there are none, and how to change them. */
export function useDraft(key: string): [string | null, (words: string | null) => void] {
  const words = useSyncExternalStore(
    subscribe,
    () => read(key),
    () => null,
  )
  const set = useCallback((now: string | null) => write(key, now), [key])
  return [words, set]
}

/** What was typed over what stands: a draft of before an update lacks what forms have asked for since. */
function over<T extends FieldValues>(standing: T, typed: FieldValues): T {
  const isGroup = (value: unknown): value is FieldValues =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
  const words = Object.entries(typed).map(([name, value]: [string, unknown]) => {
    const now: unknown = standing[name]
    return [name, isGroup(now) && isGroup(value) ? over(now, value) : value]
  })
  return { ...standing, ...(Object.fromEntries(words) as Partial<T>) }
}

/**
 * Keeps a whole form's values as a draft while they are typed, and brings them back. The answer forgets
 * them.
 */
export function useFormDraft<T extends FieldValues>(
  key: string,
  { subscribe: follow, reset, getValues }: UseFormReturn<T>,
): () => void {
  useEffect(() => {
    const words = read(key)
    if (words !== null) {
      try {
        reset(over(getValues(), JSON.parse(words) as Partial<T>), { keepDefaultValues: true })
      } catch {
        write(key, null)
      }
    }
    return follow({
      formState: { values: true },
      callback: ({ values }) => write(key, JSON.stringify(values)),
    })
  }, [key, follow, reset, getValues])
  return useCallback(() => write(key, null), [key])
}
