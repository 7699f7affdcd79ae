'use client'

import { SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { FLOORS, type FloorHeights } from '@/core/job'
import { notLooking, FLOORS_UP } from '@/core/sight'
import { QuantityField } from '../kit/QuantityField'
import type { Editor } from './editor'
import { NotLooking } from './NotLooking'

const ABOVE = FLOORS_UP.filter((floor) => floor !== 'ground')

/** How high the floors lie: from then on they look at each other, past the slabs drawn on them. */
export function FloorsPanel({ editor: { job, floor, commit } }: { editor: Editor }) {
  const apart = notLooking(job, floor)
  return (
    <Stack gap={2}>
      <Text color="soft">
        Heights above the ground floor. Floors of known height look at each other; draw on each the slab it
        stands on, or cameras would look through it.
      </Text>
      <SimpleGrid columns={2} gap={3}>
        {ABOVE.map((one) => (
          <QuantityField
            key={one}
            label={FLOORS[one]}
            kind="length"
            units={job.units}
            value={job.floorHeightsM[one]}
            optional
            least={0.1}
            most={300}
            draftKey={`${job.id}:floor:${one}`}
            onKeep={(heightM) => {
              const floorHeightsM: FloorHeights = { ...job.floorHeightsM, [one]: heightM }
              return commit({ type: 'editJob', change: { floorHeightsM } })
            }}
          />
        ))}
      </SimpleGrid>
      <NotLooking apart={apart} />
    </Stack>
  )
}
