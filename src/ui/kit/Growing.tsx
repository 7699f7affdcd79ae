'use client'

import { Button } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'

const AT_ONCE = 60

/** A list of which the first are wanted first: so many at once, more when they are asked for. */
export function Growing<T>({
  items,
  draw,
}: {
  items: readonly T[]
  draw: (item: T, index: number) => ReactNode
}) {
  const [upTo, setUpTo] = useState(AT_ONCE)
  const left = items.length - upTo
  return (
    <>
      {items.slice(0, upTo).map(draw)}
      {left > 0 ? (
        <Button
          my={3}
          minH="48px"
          variant="outline"
          colorPalette="inky"
          onClick={() => setUpTo(upTo + AT_ONCE)}
        >
          Show {Math.min(left, AT_ONCE)} more of {left}
        </Button>
      ) : null}
    </>
  )
}
