'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { CloudOff, RefreshCw } from 'lucide-react'
import { useOutbox } from './JobProvider'
import { outbox } from './outbox'

/** Says how what was entered stands with the server; silent while everything is there. */
export function Sent() {
  const { waiting, signal } = useOutbox()
  const kept = waiting.filter(({ reasons }) => reasons === null).length
  if (kept === 0 && signal !== 'no signal') return null
  return (
    <HStack gap={1.5} fontSize="sm" role="status" whiteSpace="nowrap">
      {signal === 'no signal' ? <CloudOff size={16} aria-hidden /> : <RefreshCw size={16} aria-hidden />}
      {signal === 'no signal' ? `no signal, ${kept} kept` : `sending ${kept}`}
    </HStack>
  )
}

/** Commands that the server refused: said plainly, with what to do, never dropped in silence. */
export function Refused() {
  const { waiting } = useOutbox()
  const refused = waiting.filter(({ reasons }) => reasons !== null)
  if (refused.length === 0) return null
  return (
    <Box role="alert" borderLeftWidth="4px" borderColor="stop" bg="sheet" px={4} py={3} className="no-print">
      {refused.map(({ id, command, reasons }) => (
        <HStack key={id} gap={3} alignItems="baseline" flexWrap="wrap">
          <Text><strong>Not taken over ({command.type}):</strong> {reasons!.map(({ message }) => message).join(' ')}</Text>
          <Button size="xs" variant="outline" onClick={() => void outbox().discard(id)}>Put aside</Button>
        </HStack>
      ))}
    </Box>
  )
}
