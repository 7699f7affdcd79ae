'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { CloudOff, RefreshCw } from 'lucide-react'
import type { Command } from '@/core/job'
import { Removal } from '../kit/Removal'
import { outbox, type Waiting } from '../outbox/outbox'
import { useOutbox } from './JobProvider'

/** Says how what was entered stands with the server; silent while everything is there. */
export function Sent() {
  const { waiting, signal, says } = useOutbox()
  const kept = waiting.filter(({ reasons }) => reasons === null).length
  if (kept === 0 && signal !== 'no signal') return null
  const away = signal === 'no signal'
  const words = away ? `${says ? 'waiting' : 'no signal'}, ${kept} kept` : `sending ${kept}`
  return (
    <HStack gap={1.5} fontSize="sm" role="status" whiteSpace="nowrap" title={says ?? undefined}>
      {away ? <CloudOff size={16} aria-hidden /> : <RefreshCw size={16} aria-hidden />}
      {words}
    </HStack>
  )
}

/** What each command is called by those who gave it. */
const CALLED: Readonly<Record<Command['type'], string>> = {
  createJob: 'a new job',
  editJob: 'the job’s facts',
  putSupply: 'a supply',
  removeSupply: 'a supply taken out',
  setSite: 'where the site lies',
  setBackground: 'the drawing under the plan',
  putThing: 'something on the plan',
  removeThing: 'something taken off the plan',
  addDevice: 'a new device',
  editDevice: 'a device’s parts',
  removeDevice: 'a device taken out',
  setSight: 'a sight plan',
  setMount: 'a mount plan',
  setRoute: 'a route plan',
  setTerminate: 'the ends of a cable',
  setSeal: 'the seals',
  setPower: 'the power plan',
  setDetails: 'what stands on a label',
  recordStep: 'a recorded step',
  clearStep: 'a step taken back',
  addPhoto: 'a photo',
  removePhoto: 'a photo taken out',
  raiseFault: 'a fault',
  editFault: 'a changed fault',
  fixFault: 'a fix',
  recheckFault: 'a re-check',
}

/** Saves everything that waits as a file. */
async function saveFile(): Promise<void> {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await outbox().file())
  link.download = `waiting-work-${new Date().toISOString().slice(0, 10)}.json`
  link.click()
  URL.revokeObjectURL(link.href)
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
        <strong>Not taken over: {CALLED[command.type]}.</strong>{' '}
        {reasons!.map(({ message }) => message).join(' ')}
      </Text>
      <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => void outbox().retry(id)}>
        Try again
      </Button>
      <Removal
        label="Drop it"
        asks={`Drop ${CALLED[command.type]}? It is nowhere else.`}
        onRemove={() => outbox().drop(id)}
      />
    </HStack>
  )
}
