import { Button, Text } from '@chakra-ui/react'
import type { OrientationSensor } from './useOrientation'

interface ReadingProps<T> {
  readonly sensor: OrientationSensor<T>
  /** What the button says before it reads, and while it waits for the first reading. */
  readonly begin: string
  readonly waits: string
  /** What is said where this device has no such sensor. */
  readonly none: string
  readonly take: (reading: T) => string
  readonly onTake: (reading: T) => void
}

/** A button that begins to read a sensor, then shows the reading and takes it. */
export function Reading<T>({ sensor, begin, waits, none, take, onTake }: ReadingProps<T>) {
  const { state, reading, start } = sensor
  if (state === 'none')
    return (
      <Text mt={2} color="soft">
        {none}
      </Text>
    )
  const off = state === 'off'
  return (
    <Button
      mt={2}
      minH="52px"
      variant={off ? 'outline' : 'solid'}
      colorPalette={off ? 'inky' : 'copper'}
      disabled={!off && reading === null}
      onClick={() => (reading === null ? void start() : onTake(reading))}
    >
      {off ? begin : (reading && take(reading)) || waits}
    </Button>
  )
}
