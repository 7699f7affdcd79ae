'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { Nothing } from './Page'

/** Something broke: what was entered is safe, and one can try again. */
export function Failed({ message, onAgain }: { message: string; onAgain: () => void }) {
  return (
    <Box as="main" p={6} role="alert">
      <Nothing
        action={
          <Button minH="44px" onClick={onAgain}>
            Try again
          </Button>
        }
      >
        This page failed. What you entered is kept on this device and is not lost.
      </Nothing>
      <Text mt={3} fontFamily="mono" fontSize="xs" color="soft">
        {message}
      </Text>
    </Box>
  )
}
