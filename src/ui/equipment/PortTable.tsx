import { Box, Text } from '@chakra-ui/react'
import type { EquipmentAssessment } from '@/core/assess'
import { GoLink } from '../kit/go'

/** Which run ends at which port, and how. */
export function PortTable({ jobId, uses }: { jobId: string; uses: EquipmentAssessment['uses'] }) {
  return (
    <Box as="ul" listStyleType="none" aria-label="Runs by port" className="figures">
      {uses.map(({ port, of, deviceId, mark, name, cable, end }) => (
        <Box
          as="li"
          key={deviceId}
          display="grid"
          gridTemplateColumns={{ base: '64px minmax(0, 1fr)', md: '64px minmax(0, 1fr) minmax(0, 1.4fr)' }}
          columnGap={3}
          alignItems="center"
          minH="48px"
          borderBottomWidth="1px"
          borderColor="rule"
        >
          <Text color={port === null ? 'soft' : 'ink'}>{port ?? 'no port'}</Text>
          <Box asChild minH="48px" display="flex" alignItems="center" gap={2}>
            <GoLink
              href={`/jobs/${jobId}/${of === 'run' ? `runs/${deviceId}` : `devices/${deviceId}/power`}`}
            >
              <Text as="span" fontFamily="mono" fontSize="sm">
                {mark}
              </Text>
              <Text as="span" textDecoration="underline" truncate>
                {name}
              </Text>
            </GoLink>
          </Box>
          <Text color="soft" gridColumn={{ base: 2, md: 'auto' }} fontSize="sm">
            {cable}
            {end === '' ? '' : ` · ${end}`}
          </Text>
        </Box>
      ))}
    </Box>
  )
}
