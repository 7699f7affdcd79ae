'use client'

import { Box, HStack, Text } from '@chakra-ui/react'
import type { Job } from '@/core/job'
import { bandWords, countBands, densityBands, type Seen } from '@/drawings/plan'
import { useInk } from '../kit/ink'

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
      {bands.map((band, i) => (
        <HStack key={band.from} role="listitem" gap={1} pe={2}>
          <Box w="14px" h="12px" borderWidth="1px" borderColor="ink" style={{ background: band.colour }} />
          <Text className="figures">{bandWords(band, i, seen, job.units)}</Text>
        </HStack>
      ))}
    </HStack>
  )
}
