'use client'

import { Button, Text } from '@chakra-ui/react'
import { bearingOf } from './readings'
import { useOrientation } from './useOrientation'

/** Reads which way this phone points, laid flat. */
export function CompassReader({ onRead }: { onRead: (deg: number) => void }) {
  const { state, reading, start } = useOrientation('deviceorientationabsolute', bearingOf)
  if (state === 'none')
    return (
      <Text mt={2} color="soft">
        This device gives no bearing: read it off a map or a compass, and type it.
      </Text>
    )
  if (state === 'off')
    return (
      <Button
        mt={2}
        variant="outline"
        colorPalette="inky"
        bg="sheet"
        minH="48px"
        onClick={() => void start()}
      >
        Read this phone’s compass
      </Button>
    )
  return (
    <>
      <Button
        mt={2}
        colorPalette="copper"
        minH="48px"
        disabled={reading === null}
        onClick={() => reading && onRead(Math.round(reading.deg))}
      >
        {reading
          ? `Take ${Math.round(reading.deg)}° ± ${Math.round(reading.uncertainDeg)}°`
          : 'Lay it flat on the sheet'}
      </Button>
      <Text mt={1} color="soft" fontSize="sm">
        Its upper edge the way up the sheet points, from magnetic north. Steel, cables and a drill turn it.
      </Text>
    </>
  )
}
