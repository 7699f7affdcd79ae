'use client'

import { Button, HStack, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { useOutbox } from '../job/JobProvider'
import { onNewer, takeOver } from './serviceWorker'

/** A newer version of the application: it waits until everything is sent and somebody wants it. */
export function Newer() {
  const [newer, setNewer] = useState<ServiceWorker | 'working' | null>(null)
  const left = useOutbox().waiting.filter(({ reasons }) => reasons === null).length
  useEffect(
    () =>
      onNewer(setNewer, () => {
        // The tab that asked for it starts again by itself; another may be in the middle of something.
        if (asked) window.location.reload()
        else setNewer('working')
      }),
    [],
  )
  const [starting, setStarting] = useState(false)
  if (newer === null) return null
  const start = () => {
    if (newer === 'working') return window.location.reload()
    asked = true
    setStarting(true)
    takeOver(newer)
  }
  return (
    <HStack
      role="status"
      className="no-print"
      bg="sheet"
      borderBottomWidth="1px"
      borderColor="rule"
      px={{ base: 3, md: 5 }}
      py={1}
      gap={3}
      flexWrap="wrap"
    >
      <Text flex="1" minW="200px">
        {newer === 'working' ? 'A newer version is at work already.' : 'A newer version is here.'}{' '}
        {starting ? STARTS : sent(left)}
      </Text>
      <Button minH="48px" variant="outline" colorPalette="inky" disabled={left > 0} onClick={start}>
        Start it
      </Button>
    </HStack>
  )
}

// The browser lets the version before finish what it is at.
const STARTS = 'It starts in a moment.'

const sent = (left: number): string =>
  left > 0
    ? `It starts once what waits is sent: ${left} ${left === 1 ? 'entry' : 'entries'}.`
    : 'Everything entered is sent.'

/** Whether this tab asked for the newer version. */
let asked = false
