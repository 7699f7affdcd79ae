'use client'

import { Box, Button, HStack, Progress, Text } from '@chakra-ui/react'
import { outbox } from '../outbox/outbox'
import { useOutbox } from './JobProvider'

/** One or two go by themselves before anybody has read that they do. */
const FEW = 3

/** How the photos of the day get on; they can be kept back while what was written goes on. */
export function PhotosWaiting() {
  const { waiting, underway, holdsPhotos, signal } = useOutbox()
  const left = waiting.filter(({ command, reasons }) => command.type === 'addPhoto' && reasons === null)
  if (left.length === 0 || (left.length < FEW && !holdsPhotos)) return null
  const photos = left.length === 1 ? '1 photo is' : `${left.length} photos are`
  return (
    <Box borderLeftWidth="4px" borderColor="copper.solid" bg="sheet" px={4} py={2} className="no-print">
      <HStack gap={3} flexWrap="wrap" justify="space-between">
        <Box flex="1" minW="220px">
          <Text role="status">
            {photos} {holdsPhotos ? 'kept back on this device' : tense(signal === 'no signal')}. What is
            written goes first.
          </Text>
          {underway && !holdsPhotos ? (
            <Progress.Root
              aria-label="The photo that is on its way"
              value={Math.round((100 * underway.arrivedBytes) / underway.bytes)}
              size="sm"
              mt={1}
            >
              <Progress.Track>
                <Progress.Range bg="copper.solid" />
              </Progress.Track>
            </Progress.Root>
          ) : null}
        </Box>
        <Button
          minH="48px"
          variant="outline"
          colorPalette="inky"
          onClick={() => outbox().holdPhotos(!holdsPhotos)}
        >
          {holdsPhotos ? 'Send the photos' : 'Keep photos back'}
        </Button>
      </HStack>
    </Box>
  )
}

const tense = (away: boolean) => (away ? 'waiting for signal' : 'on the way')
