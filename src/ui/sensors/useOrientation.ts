import { useEffect, useState } from 'react'
import type { Orientation } from '@/core/sensors'

type Asking = typeof DeviceOrientationEvent & { requestPermission?: () => Promise<'granted' | 'denied'> }

export interface OrientationSensor<T> {
  readonly state: 'off' | 'on' | 'none'
  /** Null until something has been read. */
  readonly reading: T | null
  readonly start: () => Promise<void>
}

/** A laptop has the events, and no sensor. */
const SILENT_MS = 3000

/**
 * Reads the phone's own sensor from the tap that starts it; `read` gives null for what says nothing. What it
 * measures can always be typed instead.
 */
export function useOrientation<T>(
  event: 'deviceorientation' | 'deviceorientationabsolute',
  read: (told: Orientation) => T | null,
): OrientationSensor<T> {
  const [reading, setReading] = useState<T | null>(null)
  const [state, setState] = useState<'off' | 'on' | 'none'>('off')
  useEffect(() => {
    if (state !== 'on') return
    const silent = setTimeout(() => setState('none'), SILENT_MS)
    const hear = (told: Event) => {
      const now = read(told as Event & Orientation)
      if (now === null) return
      clearTimeout(silent)
      setReading(now)
    }
    const events = event === 'deviceorientation' ? [event] : [event, 'deviceorientation']
    for (const one of events) window.addEventListener(one, hear)
    return () => {
      clearTimeout(silent)
      for (const one of events) window.removeEventListener(one, hear)
    }
  }, [state, event, read])
  const start = async () => {
    if (typeof DeviceOrientationEvent === 'undefined') return setState('none')
    const { requestPermission } = DeviceOrientationEvent as Asking
    const allowed = requestPermission ? await requestPermission().catch(() => 'denied' as const) : 'granted'
    setState(allowed === 'granted' ? 'on' : 'none')
  }
  return { state, reading, start }
}
