'use client'

import { Box, Text } from '@chakra-ui/react'
import type { EarlierStep } from '@/core/procedure'

/** What was recorded for an older plan: it stays, with whoever recorded it. */
export function Earlier({ steps }: { steps: readonly EarlierStep[] }) {
  if (steps.length === 0) return null
  return (
    <Box px={4} pt={4}>
      <Text fontFamily="heading" fontWeight={600}>
        Recorded for an older plan
      </Text>
      {steps.map(({ stepId, title, says, photos, by, at }) => (
        <Text key={stepId} py={1}>
          {title}: {says}{' '}
          <Text as="span" color="soft">
            {by}, {at.slice(0, 10)}
            {photos > 0 ? `, ${photos} photo${photos === 1 ? '' : 's'}` : ''}
          </Text>
        </Text>
      ))}
    </Box>
  )
}
