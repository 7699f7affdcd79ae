'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { CloudOff, RefreshCw } from 'lucide-react'
import { calledOf } from '@/core/job'
import { Removal } from '../kit/Removal'
import { outbox, type Waiting } from '../outbox/outbox'
import { download } from '../kit/download'
import { useOutbox } from './JobProvider'

/** Says how what was entered stands with the server; silent while everything is there. */
export function Sent() {
  const { waiting, signal, says, holdsPhotos } = useOutbox()
  const kept = waiting.filter(
    ({ reasons, command }) => reasons === null && !(holdsPhotos && command.type === 'addPhoto'),
  ).length
  if (kept === 0 && signal !== 'no signal') return null
  const away = signal === 'no signal'
  const held = kept > 0 ? `, ${kept} kept` : ''
  const words = away ? `${says ? 'waiting' : 'no signal'}${held}` : `sending ${kept}`
  return (
    <HStack gap={1.5} fontSize="sm" role="status" whiteSpace="nowrap" title={says ?? undefined}>
      {away ? <CloudOff size={16} aria-hidden /> : <RefreshCw size={16} aria-hidden />}
      {words}
    </HStack>
  )
}

/** Saves everything that waits as a file. */
async function saveFile(): Promise<void> {
  download(`waiting-work-${new Date().toISOString().slice(0, 10)}.json`, await outbox().file())
}

/**
 * What needs a person: work that the server refused or puts off, and a device that is full. Nothing goes
 * without being asked.
 */
export function Refused() {
  const { waiting, full, says, signal } = useOutbox()
  const refused = waiting.filter(({ reasons }) => reasons !== null)
  const put = signal === 'no signal' ? says : null
  if (refused.length === 0 && !full && !put) return null
  return (
    <Box role="alert" borderLeftWidth="4px" borderColor="stop" bg="sheet" px={4} py={3} className="no-print">
      {full ? (
        <Text mb={2}>
          <strong>This device is full.</strong> What you enter now cannot be kept on it. Save the waiting work
          as a file, make room, and try again.
        </Text>
      ) : null}
      {put ? (
        <Text mb={2}>
          <strong>Kept here, not sent yet:</strong> {put}
        </Text>
      ) : null}
      {refused.map((one) => (
        <RefusedLine key={one.id} one={one} />
      ))}
      <HStack gap={3} flexWrap="wrap">
        <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => void saveFile()}>
          Save the waiting work as a file
        </Button>
        {put ? (
          <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => outbox().sendNow()}>
            Send now
          </Button>
        ) : null}
      </HStack>
    </Box>
  )
}

function RefusedLine({ one: { id, command, reasons } }: { one: Waiting }) {
  return (
    <HStack gap={3} alignItems="center" flexWrap="wrap" mb={2}>
      <Text flex="1" minW="220px">
        <strong>Not taken over: {calledOf(command)}.</strong>{' '}
        {reasons!.map(({ message }) => message).join(' ')}
      </Text>
      <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => void outbox().retry(id)}>
        Try again
      </Button>
      <Removal
        label="Drop it"
        asks={`Drop ${calledOf(command)}? It is nowhere else.`}
        onRemove={() => outbox().drop(id)}
      />
    </HStack>
  )
}
