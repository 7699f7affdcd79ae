import { Box } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A line of a list between two rules. */
export function Listed({ children }: { children: ReactNode }) {
  return (
    <Box as="li" borderTopWidth="1px" borderColor="rule" _last={{ borderBottomWidth: '1px' }}>
      {children}
    </Box>
  )
}
