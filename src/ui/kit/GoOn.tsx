import { Button } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** On a phone: one tap, across the whole screen, back to work that was begun. `children` is the link. */
export function GoOn({ children }: { children: ReactNode }) {
  return (
    <Button
      asChild
      hideFrom="md"
      colorPalette="copper"
      w="100%"
      h="auto"
      py={3}
      mb={4}
      justifyContent="flex-start"
      textAlign="left"
      whiteSpace="normal"
    >
      {children}
    </Button>
  )
}
