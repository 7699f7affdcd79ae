'use client'

import { Text } from '@chakra-ui/react'
import { bearingOf } from '@/core/sensors'
import { Reading } from './Reading'
import { useOrientation } from './useOrientation'

/** Reads which way this phone points, laid flat. */
export function CompassReader({ onRead }: { onRead: (deg: number) => void }) {
  const sensor = useOrientation('deviceorientationabsolute', bearingOf)
  return (
    <>
      <Reading
        sensor={sensor}
        begin="Read this phone’s compass"
        waits="Lay it flat on the sheet"
        none="This device gives no bearing: read it off a map or a compass, and type it."
        take={({ deg, uncertainDeg }) => `Take ${Math.round(deg)}° ± ${Math.round(uncertainDeg)}°`}
        onTake={({ deg }) => onRead(Math.round(deg))}
      />
      {sensor.state === 'on' ? (
        <Text mt={1} color="soft" fontSize="sm">
          Its upper edge the way up the sheet points, from magnetic north. Steel, cables and a drill turn it.
        </Text>
      ) : null}
    </>
  )
}
