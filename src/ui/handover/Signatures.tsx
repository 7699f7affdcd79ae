'use client'

import { Box, Button, Field, Heading, HStack, Input, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import { differences, frozenRecord, sealed, unsealed } from '@/core/handover'
import type { SignedRecord } from '@/core/job'
import { useAssessed, useJob } from '../job/JobProvider'
import { refusal } from '../kit/LineField'

const SHOWN = 12

/**
 * Signing the record of the job, or of one device: what is signed is frozen, and told from what is computed
 * now.
 */
export function Signatures({ deviceId }: { deviceId: string | null }) {
  const { job, latest, send } = useJob()
  const assessment = useAssessed()
  const [name, setName] = useState('')
  const [error, setError] = useState<string | null>(null)
  const signed = job.signed.filter((record) => record.deviceId === deviceId)
  const sign = async () => {
    if (name.trim() === '') return setError('Write who signs.')
    const facts = sealed(
      frozenRecord(latest(), assessment, CATALOGUE, deviceId),
      CATALOGUE,
      name.trim(),
      deviceId,
    )
    const said = await send({ type: 'signRecord', recordId: uuid(), facts })
    setError(refusal(said))
    if (said.ok) setName('')
  }
  return (
    <Box as="section" aria-label="Signatures" borderTopWidth="1px" borderColor="rule" pt={4} mb={6}>
      <Heading as="h2" fontSize="md" mb={2}>
        Signed
      </Heading>
      {signed.length === 0 ? <Text color="soft">Nobody has signed yet.</Text> : null}
      {signed.map((record) => (
        <Signed key={record.id} record={record} />
      ))}
      <HStack className="no-print" align="end" gap={3} mt={3} flexWrap="wrap">
        <Field.Root invalid={error !== null} maxW="320px">
          <Field.Label fontWeight={400} color="soft">
            Who signs
          </Field.Label>
          <Input
            value={name}
            onChange={(event) => setName(event.target.value)}
            minH="48px"
            bg="sheet"
            borderColor="ink"
            maxLength={80}
          />
          <Field.ErrorText role="alert">{error}</Field.ErrorText>
        </Field.Root>
        <Button variant="outline" colorPalette="inky" minH="48px" onClick={() => void sign()}>
          Sign the record as it stands
        </Button>
      </HStack>
    </Box>
  )
}

function Signed({ record }: { record: SignedRecord }) {
  const { job } = useJob()
  const assessment = useAssessed()
  const { signedBy, at, by, versions, sha256, deviceId } = record
  const frozen = useMemo(() => unsealed(record), [record])
  const lines = useMemo(
    () => (frozen ? differences(frozen, frozenRecord(job, assessment, CATALOGUE, deviceId)) : []),
    [frozen, job, assessment, deviceId],
  )
  const same = lines.length === 0
  return (
    <Box mb={4}>
      <Text>
        <strong>{signedBy}</strong>, {at.slice(0, 16).replace('T', ' ')}, kept by {by}.{' '}
        {frozen ? null : '■ It is not what was signed: its hash does not fit.'}
      </Text>
      <Text color="soft" fontSize="sm" fontFamily="mono" overflowWrap="anywhere">
        SHA-256 {sha256} · limits {versions.limits} · catalogue {versions.catalogue}
      </Text>
      {frozen && same ? <Text color="good">✓ What is computed now is what was signed.</Text> : null}
      {frozen && !same ? (
        <Box as="details" mt={1}>
          <Box as="summary" minH="44px" cursor="pointer" color="check" alignContent="center">
            ▲ {lines.length} {lines.length === 1 ? 'thing is' : 'things are'} otherwise now. What was signed
            stands.
          </Box>
          <Box as="ul" ps={5} fontSize="sm">
            {lines.slice(0, SHOWN).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {lines.length > SHOWN ? <li>and {lines.length - SHOWN} more</li> : null}
          </Box>
        </Box>
      ) : null}
    </Box>
  )
}
