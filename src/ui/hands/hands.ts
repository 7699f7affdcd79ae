'use client'

import { useEffect, useSyncExternalStore } from 'react'
import { z } from 'zod'

/** How a person holds and reads this device; kept on it. */
const Hands = z.object({
  size: z.enum(['usual', 'large', 'largest']).catch('usual'),
  hand: z.enum(['right', 'left']).catch('right'),
  buzz: z.boolean().catch(false),
  sound: z.boolean().catch(false),
  /** The longer edge of photos that are kept, pixels. */
  photos: z.enum(['as taken', '2560', '1600']).catch('as taken'),
})
export type Hands = z.infer<typeof Hands>

const KEY = 'neat-bracket-hands'
const USUAL: Hands = Hands.parse({})
const listeners = new Set<() => void>()
let held: { readonly words: string | null; readonly hands: Hands } = { words: null, hands: USUAL }

function hands(): Hands {
  const words = window.localStorage.getItem(KEY)
  if (words !== held.words) held = { words, hands: read(words) }
  return held.hands
}

function read(words: string | null): Hands {
  try {
    return Hands.parse(JSON.parse(words ?? '{}'))
  } catch {
    return USUAL
  }
}

export function setHands(change: Partial<Hands>): void {
  window.localStorage.setItem(KEY, JSON.stringify({ ...hands(), ...change }))
  for (const listener of listeners) listener()
}

export const useHands = (): Hands =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    hands,
    () => USUAL,
  )

/** Sets the page up for the hands that hold it: styles go by what stands on its root. */
export function useHandsOnPage(): void {
  const { size, hand } = useHands()
  useEffect(() => {
    const { dataset } = document.documentElement
    dataset.size = size
    dataset.hand = hand
  }, [size, hand])
}

/** Tells a gloved hand that something was kept, by buzz and sound as it wants and the device can. */
export function tellKept(): void {
  const { buzz, sound } = hands()
  if (buzz) navigator.vibrate?.(40)
  if (sound) chime()
}

/** High enough for an old phone's speaker, short enough not to annoy. */
const CHIME = { hertz: 1320, seconds: 0.12, loud: 0.2 }
let speaker: AudioContext | null = null

function chime(): void {
  if (typeof AudioContext === 'undefined') return
  speaker ??= new AudioContext()
  void speaker.resume() // a phone lets no page sound before it was touched
  const [tone, volume, now] = [speaker.createOscillator(), speaker.createGain(), speaker.currentTime]
  tone.frequency.value = CHIME.hertz
  volume.gain.setValueAtTime(CHIME.loud, now)
  volume.gain.exponentialRampToValueAtTime(0.001, now + CHIME.seconds)
  tone.connect(volume).connect(speaker.destination)
  tone.start(now)
  tone.stop(now + CHIME.seconds)
}

/** Keeps the screen lit while it is used, where the device lets it. */
export function useAwake(): void {
  useEffect(() => {
    let lock: Promise<WakeLockSentinel> | undefined
    const wake = () => {
      if (document.visibilityState === 'visible') lock = navigator.wakeLock?.request('screen')
      lock?.catch(() => undefined) // a low battery, or a browser that does not
    }
    wake()
    document.addEventListener('visibilitychange', wake)
    return () => {
      document.removeEventListener('visibilitychange', wake)
      lock?.then((held) => held.release()).catch(() => undefined)
    }
  }, [])
}
