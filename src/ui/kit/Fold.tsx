'use client'

import { Box, Heading } from '@chakra-ui/react'
import { useCallback, useState, type ReactNode } from 'react'

/** A part of the plan's panel that is folded away, and not worked out, until it is wanted. */
export function Fold({ title, children }: { title: string; children: ReactNode }) {
  const [wanted, want] = useState(false)
  /** Somebody may have unfolded it before the page ran. */
  const asItCame = useCallback((node: HTMLDetailsElement | null) => {
    if (node?.open) want(true)
  }, [])
  return (
    <Box as="details" ref={asItCame} borderTopWidth="1px" borderColor="rule" pt={1}>
      <Heading
        as="summary"
        onClick={() => want(true)}
        fontSize="md"
        cursor="pointer"
        minH="44px"
        display="flex"
        alignItems="center"
      >
        {title}
      </Heading>
      <Box pb={2}>{wanted ? children : null}</Box>
    </Box>
  )
}
