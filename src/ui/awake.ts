'use client'

import { useEffect } from 'react'

interface Early {
  /** The last button or link that was tapped. */
  target: HTMLElement | null
  /** What was typed, chosen or ticked, by the field. */
  readonly said: Map<HTMLElement, string | boolean>
  done: boolean
}

declare global {
  interface Window {
    neatBracketEarly?: Early
  }
}

let awake = false

/** Whether the application hears of addresses put into the history: until then the browser follows links. */
export const isAwake = (): boolean => awake

/** Wakes the page once the screen that uses it is there, with all its effects. */
export function useAwake(): void {
  useEffect(() => {
    const soon = setTimeout(wake, 0)
    return () => clearTimeout(soon)
  }, [])
}

/** Gives what a hand did before the application ran to the buttons and fields that it was meant for. */
function wake(): void {
  awake = true
  const early = window.neatBracketEarly
  if (!early || early.done) return
  early.done = true
  for (const [field, said] of early.said) if (field.isConnected) say(field, said)
  if (early.target?.isConnected) early.target.click()
}

/** As if it were said now: the framework hears of it only where it stands otherwise in its own books. */
function say(field: HTMLElement, said: string | boolean): void {
  if (field instanceof HTMLInputElement && typeof said === 'boolean') {
    field.checked = !said
    field.click()
    return
  }
  const kind = [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement].find((one) => field instanceof one)
  if (!kind) return
  ;(field as HTMLInputElement).value = ''
  Object.getOwnPropertyDescriptor(kind.prototype, 'value')?.set?.call(field, said)
  field.dispatchEvent(new Event(kind === HTMLSelectElement ? 'change' : 'input', { bubbles: true }))
}
