'use client'

import { Box, HStack, Text } from '@chakra-ui/react'
import type { Job } from '@/core/job'
import { print } from '@/core/units'
import { useInk } from '../kit/ink'
import { countBands, densityBands } from './bands'
import type { SurveyLayer } from './GroundLayer'

/** The scale of the layer that is shown, in words and figures. */
export function Legend({ layer, job }: { layer: SurveyLayer; job: Job }) {
  const { shades } = useInk()
  if (layer === 'none') return null
  if (layer === 'blind')
    return (
      <Text fontSize="sm" color="soft">
        Hatched: ground that no camera sees, with its size.
      </Text>
    )
  const bands = layer === 'density' ? densityBands(job.policies.edition, shades) : countBands(shades)
  return (
    <HStack
      gap={0}
      flexWrap="wrap"
      aria-label={layer === 'density' ? 'Pixel density' : 'Cameras that see it'}
      role="list"
      fontSize="sm"
    >
      {bands.map(({ from, label, colour }) => (
        <HStack key={from} role="listitem" gap={1.5} pe={3}>
          <Box w="18px" h="12px" borderWidth="1px" borderColor="ink" style={{ background: colour }} />
          <Text className="figures">
            {label}
            {layer === 'density'
              ? ` ${print({ value: from, kind: 'density' }, job.units).replace(/ .*/, '')}`
              : ''}
          </Text>
        </HStack>
      ))}
      {layer === 'density' ? (
        <Text color="soft">
          {print({ value: 1, kind: 'density' }, job.units).replace(/^\S+ /, '')} at least
        </Text>
      ) : null}
    </HStack>
  )
}
