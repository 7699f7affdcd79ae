'use client'

import { Box, Flex } from '@chakra-ui/react'
import { ChevronDown } from 'lucide-react'
import type { ReactNode } from 'react'
import { EDGES, FROM_BELOW } from './edges'
import { IconPress } from './IconPress'

/** A panel that comes up from below over the sheet, which stays in sight above it. */
export function FromBelow({ onClose, children }: { onClose: () => void; children: ReactNode }) {
  return (
    <Box
      as="aside"
      aria-label="On this plan"
      position="absolute"
      insetX={0}
      bottom={`${EDGES.narrow.below}px`}
      h={FROM_BELOW}
      overflowY="auto"
      zIndex={2}
      bg="sheet"
      borderTopWidth="2px"
      borderColor="ink"
    >
      <Flex justify="flex-end" position="sticky" top={0} zIndex={1} bg="sheet">
        <IconPress name="Down again" icon={ChevronDown} onPress={onClose} />
      </Flex>
      {children}
    </Box>
  )
}
