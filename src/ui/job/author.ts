'use client'

import { useSyncExternalStore } from 'react'

/** Who works with this browser: a role, kept on this device and written into every command. */
const KEY = 'neat-bracket-author'
/** The person whom this phone is paired to: the server writes that name, whatever stands here. */
const PAIRED = 'neat-bracket-paired'
const FIRST = 'Installer 1'
const listeners = new Set<() => void>()

export function author(): string {
  return (typeof window === 'undefined' ? null : window.localStorage.getItem(KEY)) ?? FIRST
}

export function setAuthor(name: string): void {
  window.localStorage.setItem(KEY, name.trim().slice(0, 80) || FIRST)
  for (const listener of listeners) listener()
}

/** The phone has been paired to somebody. */
export function setPaired(name: string): void {
  window.localStorage.setItem(PAIRED, name)
  setAuthor(name)
}

export const isPaired = (): boolean =>
  typeof window !== 'undefined' && window.localStorage.getItem(PAIRED) !== null

export function useAuthor(): string {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    author,
    () => FIRST,
  )
}
