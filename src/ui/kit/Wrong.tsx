import { Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** What went wrong, in words that are read out at once; nothing where nothing did. */
export function Wrong({ children }: { children: ReactNode }) {
  if (!children) return null
  return (
    <Text role="alert" color="stop">
      {children}
    </Text>
  )
}
