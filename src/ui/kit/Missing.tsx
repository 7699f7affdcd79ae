'use client'

import { Box, Button } from '@chakra-ui/react'
import NextLink from 'next/link'
import { Nothing } from './Page'

/** Nothing stands at this address. */
export function Missing() {
  return (
    <Box as="main" p={6}>
      <Nothing
        action={
          <Button asChild minH="44px">
            <NextLink href="/">All jobs</NextLink>
          </Button>
        }
      >
        There is nothing at this address. It may have been taken out, or the link is incomplete.
      </Nothing>
    </Box>
  )
}
