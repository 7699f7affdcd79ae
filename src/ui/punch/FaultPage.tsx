'use client'

import { Box, Button, Field, HStack, Input, SimpleGrid, Text, Textarea } from '@chakra-ui/react'
import { GoLink } from '../kit/go'
import { useState } from 'react'
import { everyOne, SEVERITIES, type Change, type Fault } from '@/core/job'
import { dueDay } from '@/core/test'
import { useJob } from '../job/JobProvider'
import { useDraft } from '../kit/draft'
import { refusal } from '../kit/LineField'
import { Nothing, Part, Sentence } from '../kit/Page'
import { PhotoButton, PhotoStrip } from '../log/Photos'
import { FaultForm } from './FaultForm'

const SIGNS: Record<Fault['state'], string> = {
  'open': '■',
  'temporary fix': '▲',
  'fixed': '▲',
  'closed': '✓',
}
const SENTENCES: Record<Fault['state'], string> = {
  'open': 'Open: nothing has been done about it yet.',
  'temporary fix': 'A temporary fix holds; the lasting one is still to come.',
  'fixed': 'Fixed; someone must check it again.',
  'closed': 'Closed: fixed and checked.',
}

/** One fault: what was seen, what was done, what is next. */
export function FaultPage({ faultId }: { faultId: string }) {
  const { job, send } = useJob()
  const [editing, edit] = useState(false)
  const fault = job.faults.find(({ id }) => id === faultId)
  if (!fault)
    return (
      <Box p={5}>
        <Nothing
          action={
            <Button asChild>
              <GoLink href={`/jobs/${job.id}/punch-list`}>To the punch list</GoLink>
            </Button>
          }
        >
          There is no fault here with this address.
        </Nothing>
      </Box>
    )
  const device = everyOne(job).find(({ id }) => id === fault.deviceId)
  const photos = job.photos.filter((photo) => photo.faultId === faultId)
  const due = dueDay(fault)
  const { id: _, state, raisedAt, raisedBy, events, ...facts } = fault
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="760px">
      <Sentence
        next={
          `${device ? `${device.mark} ${device.name}` : 'The whole job'} · ` +
          `${SEVERITIES[fault.severity]} · ${fault.cause}${due ? ` · by ${due}` : ''}`
        }
      >
        {fault.title}
      </Sentence>
      <Text fontWeight={600} mb={3} role="status">
        {SIGNS[state]} {SENTENCES[state]}
      </Text>
      <Text mb={4} whiteSpace="pre-wrap">
        {fault.note}
      </Text>
      <Part
        title="Photos"
        aside={
          <Text color="soft" fontSize="sm">
            before and after
          </Text>
        }
      >
        <PhotoStrip
          photos={photos}
          onRemove={state === 'closed' ? undefined : ({ id }) => send({ type: 'removePhoto', photoId: id })}
        />
        <Box mt={2}>
          <PhotoButton
            about={{
              deviceId: fault.deviceId,
              stepId: null,
              faultId,
              caption: `${state === 'open' ? 'Before' : 'After'}: ${fault.title}`.slice(0, 200),
            }}
          />
        </Box>
      </Part>
      <Part title="What happened">
        <Text py={1}>
          {raisedAt.slice(0, 10)} raised by {raisedBy}
        </Text>
        {events.map((event, index) => (
          <Text key={index} py={1} borderTopWidth="1px" borderColor="rule">
            {event.at.slice(0, 10)}{' '}
            {event.event === 'fix'
              ? `${event.fix.kind} fix by ${event.by}: ` +
                `${event.fix.what}${event.fix.kind === 'temporary' ? ` (until ${event.fix.until})` : ''}`
              : `${event.passed ? 're-check passed' : 're-check failed'}, ` +
                `${event.by}${event.note ? `: ${event.note}` : ''}`}
          </Text>
        ))}
      </Part>
      {state === 'fixed' ? <Recheck fault={fault} /> : null}
      {state === 'open' || state === 'temporary fix' ? <FixForm fault={fault} /> : null}
      {editing && state !== 'closed' ? (
        <Part title="Change it">
          <FaultForm
            start={facts}
            draftKey={`fault-edit:${faultId}`}
            action="Keep the change"
            onSay={async (changed) => {
              const said = await send({ type: 'editFault', faultId, change: changed })
              if (said.ok) edit(false)
              return said.ok ? [] : said.reasons
            }}
          />
        </Part>
      ) : null}
      {!editing && state !== 'closed' ? (
        <Button variant="ghost" colorPalette="inky" minH="44px" onClick={() => edit(true)}>
          Change what is written
        </Button>
      ) : null}
    </Box>
  )
}

function useSay(): [string | null, (change: Change) => Promise<boolean>] {
  const { send } = useJob()
  const [error, setError] = useState<string | null>(null)
  return [
    error,
    async (change) => {
      const said = await send(change)
      setError(refusal(said))
      return said.ok
    },
  ]
}

function FixForm({ fault }: { fault: Fault }) {
  const { job } = useJob()
  const [draft, setWhat] = useDraft(`fix:${job.id}:${fault.id}`)
  const what = draft ?? ''
  const [until, setUntil] = useState('')
  const [error, say] = useSay()
  return (
    <Part title="Put it right">
      <Field.Root invalid={error !== null}>
        <Field.Label fontWeight={400} color="soft">
          What was done
        </Field.Label>
        <Textarea
          value={what}
          onChange={(event) => setWhat(event.target.value)}
          bg="sheet"
          borderColor="ink"
          rows={2}
          autoresize
        />
        <Field.ErrorText role="alert">{error}</Field.ErrorText>
      </Field.Root>
      <HStack mt={3} gap={3} align="end" flexWrap="wrap">
        <Button
          colorPalette="copper"
          minH="48px"
          onClick={() =>
            void say({ type: 'fixFault', faultId: fault.id, fix: { kind: 'lasting', what } }).then(
              (kept) => kept && setWhat(null),
            )
          }
        >
          Lasting fix made
        </Button>
        <Field.Root w="170px">
          <Field.Label fontWeight={400} color="soft">
            Temporary, holds until
          </Field.Label>
          <Input
            type="date"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
            bg="sheet"
            borderColor="ink"
            minH="44px"
          />
        </Field.Root>
        <Button
          variant="outline"
          colorPalette="inky"
          minH="48px"
          onClick={() =>
            void say({ type: 'fixFault', faultId: fault.id, fix: { kind: 'temporary', what, until } }).then(
              (kept) => kept && setWhat(null),
            )
          }
        >
          Temporary fix made
        </Button>
      </HStack>
    </Part>
  )
}

function Recheck({ fault }: { fault: Fault }) {
  const { job } = useJob()
  const [draft, setNote] = useDraft(`recheck:${job.id}:${fault.id}`)
  const note = draft ?? ''
  const [error, say] = useSay()
  const answer = (passed: boolean) =>
    void say({ type: 'recheckFault', faultId: fault.id, passed, note }).then((kept) => kept && setNote(null))
  return (
    <Part title="Check it again">
      <Field.Root invalid={error !== null}>
        <Field.Label fontWeight={400} color="soft">
          What was found
        </Field.Label>
        <Textarea
          value={note}
          onChange={(event) => setNote(event.target.value)}
          bg="sheet"
          borderColor="ink"
          rows={2}
        />
        <Field.ErrorText role="alert">{error}</Field.ErrorText>
      </Field.Root>
      <SimpleGrid columns={2} gap={3} mt={3}>
        <Button colorPalette="copper" minH="52px" onClick={() => answer(true)}>
          ✓ It holds: close it
        </Button>
        <Button variant="outline" colorPalette="inky" minH="52px" onClick={() => answer(false)}>
          ■ Not right: open again
        </Button>
      </SimpleGrid>
    </Part>
  )
}
