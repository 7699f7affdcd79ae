'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { useMutation, useQuery } from '@tanstack/react-query'
import { formatDistanceToNow } from 'date-fns'
import { useEffect, useState } from 'react'
import { z } from 'zod'
import { Nothing, Part, Sentence } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { Code } from '../kit/Code'
import { Frame } from '../kit/Frame'

const Phones = z.object({
  phones: z.array(z.object({ id: z.string(), name: z.string(), pairedAt: z.string(), seenAt: z.string() })),
})
const Started = z.object({ address: z.string(), lapsesAt: z.string() })

async function told<T>(answer: Promise<Response>, as: z.ZodType<T>): Promise<T> {
  const response = await answer
  const body: unknown = await response.json()
  if (!response.ok) throw new Error((body as { detail?: string }).detail ?? 'The server refused it.')
  return as.parse(body)
}

interface Trust {
  readonly address: string
  readonly fingerprint: string
}

const ASKED = { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }

/** Which phones reach this machine, and how another is paired. */
export function PhonesPage({ open, trust }: { open: boolean; trust: Trust | null }) {
  const list = useQuery({
    queryKey: ['phones'],
    queryFn: () => told(fetch('/api/phones'), Phones),
    refetchInterval: 3_000,
  })
  const phones = list.data?.phones ?? []
  const end = (id: string) => fetch(`/api/phones/${id}`, { method: 'DELETE' }).then(() => list.refetch())
  return (
    <Frame>
      <Sentence
        next={
          open
            ? 'A phone is paired once, to the person who works with it.'
            : 'Start it with npm run demo -- --lan to let paired phones in.'
        }
      >
        {open ? 'Open to paired phones on this network.' : 'Open to this machine alone.'}
      </Sentence>
      {open ? <PairAnother trust={trust} /> : null}
      <Part title="Paired phones">
        {list.error ? (
          <Text role="alert" color="stop">
            {list.error.message}
          </Text>
        ) : null}
        {phones.length === 0 && !list.error ? <Nothing>No phone is paired.</Nothing> : null}
        {phones.map(({ id, name, pairedAt, seenAt }) => (
          <HStack key={id} borderTopWidth="1px" borderColor="rule" py={2} gap={3} flexWrap="wrap">
            <Box flex="1" minW="200px">
              <Text fontWeight={600}>{name}</Text>
              <Text color="soft" fontSize="sm">
                paired {ago(pairedAt)}, seen {ago(seenAt)}
              </Text>
            </Box>
            <Removal
              label={`End ${name}`}
              asks={`End ${name}? What that phone has not sent yet stays on it, and is not let in.`}
              onRemove={() => end(id)}
            />
          </HStack>
        ))}
      </Part>
    </Frame>
  )
}

const ago = (moment: string) => formatDistanceToNow(new Date(moment), { addSuffix: true })

function PairAnother({ trust }: { trust: Trust | null }) {
  const start = useMutation({
    mutationFn: () => told(fetch('/api/pairings', ASKED), Started),
  })
  const [lapsed, setLapsed] = useState<string | null>(null)
  const shown = start.data && start.data.lapsesAt !== lapsed ? start.data : null
  return (
    <Part title="Pair another">
      <Box display="grid" gridTemplateColumns={{ base: '1fr', md: '1fr 1fr' }} gap={6}>
        {trust ? (
          <Box>
            <Text mb={2}>
              <strong>1.</strong> The phone must trust this laptop, once. It reads this code and does as it is
              told there.
            </Text>
            <Code words={trust.address} label="Code of the page that tells how to trust this laptop" />
            <Text mt={2} fontSize="sm" color="soft" overflowWrap="anywhere">
              {trust.address}
              <br />
              Fingerprint {trust.fingerprint}
            </Text>
          </Box>
        ) : null}
        <Box>
          <Text mb={2}>
            {trust ? <strong>2.</strong> : null} It reads this code, which pairs one phone, within five
            minutes.
          </Text>
          {shown ? (
            <PairingCode key={shown.lapsesAt} {...shown} onLapse={setLapsed} />
          ) : (
            <Button
              minH="48px"
              colorPalette="copper"
              loading={start.isPending}
              onClick={() => start.mutate()}
            >
              {start.data ? 'It has lapsed: show a new code' : 'Show the code'}
            </Button>
          )}
          {start.error ? (
            <Text role="alert" color="stop" mt={2}>
              {start.error.message}
            </Text>
          ) : null}
        </Box>
      </Box>
    </Part>
  )
}

interface PairingCodeProps extends z.infer<typeof Started> {
  readonly onLapse: (at: string) => void
}

function PairingCode({ address, lapsesAt, onLapse }: PairingCodeProps) {
  const [now, setNow] = useState(() => Date.now())
  const left = Math.max(0, Math.ceil((Date.parse(lapsesAt) - now) / 1000))
  useEffect(() => {
    const ticks = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(ticks)
  }, [])
  useEffect(() => {
    if (left === 0) onLapse(lapsesAt)
  }, [left, lapsesAt, onLapse])
  return (
    <>
      <Code words={address} label="Code that pairs one phone" />
      <Text mt={2} fontSize="sm" color="soft" overflowWrap="anywhere" data-testid="pairing-address">
        {address}
      </Text>
      <Text mt={1} className="figures" role="timer">
        Lapses in {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
      </Text>
    </>
  )
}
