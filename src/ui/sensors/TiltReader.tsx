'use client'

import { Button, Text } from '@chakra-ui/react'
import { offUprightDeg } from './readings'
import { useOrientation } from './useOrientation'

/** Reads how far off upright this phone is held. */
export function TiltReader({ onRead }: { onRead: (deg: number) => void }) {
  const { state, reading, start } = useOrientation('deviceorientation', offUprightDeg)
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
