'use client'

import { Box, HStack, Text } from '@chakra-ui/react'
import type { Job } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import { useInk } from '../kit/ink'
import { countBands, densityBands } from './bands'
import type { Seen } from './layers'

/** The scale of the layer that is shown, in words and figures. */
export function Legend({ seen, job }: { seen: Seen; job: Job }) {
  const { shades } = useInk()
  if (seen === 'none') return null
  if (seen === 'blind')
    return (
      <Text fontSize="sm" color="soft">
        Hatched: ground that no camera sees, with its size.
      </Text>
    )
  const bands = seen === 'density' ? densityBands(job.policies.edition, shades) : countBands(shades)
  return (
    <HStack
      gap={0}
      flexWrap="wrap"
      aria-label={seen === 'density' ? 'Pixel density' : 'Cameras that see it'}
      role="list"
      fontSize="xs"
    >
      {bands.map(({ from, label, colour }, i) => (
        <HStack key={from} role="listitem" gap={1} pe={2}>
          <Box w="14px" h="12px" borderWidth="1px" borderColor="ink" style={{ background: colour }} />
          <Text className="figures">
            {label}
            {seen === 'density' ? ` ${figureOf(from, i, job.units)}` : ''}
          </Text>
        </HStack>
      ))}
    </HStack>
  )
}

/** The first figure carries the unit for all of them. */
function figureOf(from: number, i: number, units: UnitSystem): string {
  const words = print({ value: from, kind: 'density' }, units)
  return i === 0 ? words : words.replace(/ .*/, '')
}
