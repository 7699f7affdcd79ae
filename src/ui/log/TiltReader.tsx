'use client'

import { Button, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'

type Asking = typeof DeviceOrientationEvent & { requestPermission?: () => Promise<'granted' | 'denied'> }

/**
 * How far off upright a phone is whose edge lies against a box: degrees, from the two tilts of its sensor.
 */
export function offUprightDeg(beta: number, gamma: number): number {
  // Held upright by its long edge, beta is near ±90 and what is off is told by gamma; held by its short
  // edge, the other way.
  const nearest = (deg: number) => Math.abs(deg - 90 * Math.round(deg / 90))
  return Math.abs(Math.abs(beta) - 90) < 45 ? nearest(gamma) : Math.max(nearest(beta), nearest(gamma))
}

/** Reads the phone's own tilt sensor, where the browser gives it; the value can always be typed instead. */
export function TiltReader({ onRead }: { onRead: (deg: number) => void }) {
  const [reading, setReading] = useState<number | null>(null)
  const [state, setState] = useState<'off' | 'on' | 'none'>('off')
  useEffect(() => {
    if (state !== 'on') return
    const hear = ({ beta, gamma }: DeviceOrientationEvent) => {
      if (beta === null || gamma === null) setState('none')
      else setReading(offUprightDeg(beta, gamma))
    }
    // a laptop has the event, and no sensor
    const silent = setTimeout(() => setState((now) => (now === 'on' ? 'none' : now)), 3000)
    const first = () => clearTimeout(silent)
    window.addEventListener('deviceorientation', hear)
    window.addEventListener('deviceorientation', first, { once: true })
    return () => {
      clearTimeout(silent)
      window.removeEventListener('deviceorientation', hear)
      window.removeEventListener('deviceorientation', first)
    }
  }, [state])
  const start = async () => {
    if (typeof DeviceOrientationEvent === 'undefined') return setState('none')
    const { requestPermission } = DeviceOrientationEvent as Asking
    const allowed = requestPermission ? await requestPermission().catch(() => 'denied' as const) : 'granted'
    setState(allowed === 'granted' ? 'on' : 'none')
  }
  if (state === 'none')
    return (
      <Text mt={2} color="soft">
        This device gives no tilt: type what the level says.
      </Text>
    )
  if (state === 'off')
    return (
      <Button
        mt={2}
        variant="outline"
        colorPalette="inky"
        bg="sheet"
        minH="52px"
        onClick={() => void start()}
      >
        Read this phone’s tilt
      </Button>
    )
  return (
    <Button
      mt={2}
      colorPalette="copper"
      minH="52px"
      disabled={reading === null}
      onClick={() => reading !== null && onRead(reading)}
    >
      {reading === null ? 'Waiting for the sensor' : `Take ${reading.toFixed(1)}°`}
    </Button>
  )
}
