'use client'

import { Box, Button, Field, Input, SimpleGrid, Text } from '@chakra-ui/react'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import { Details, type Device, type DeviceChoice } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { useDraft } from '../kit/draft'
import { Part, Sentence } from '../kit/Page'
import { Tick } from '../kit/Tick'
import { DeviceChoiceForm } from './DeviceChoiceForm'

/** What the device is made of, and what is written on it. */
export function DevicePage({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job, send } = useJob()
  const router = useRouter()
  const [message, setMessage] = useState<string | null>(null)
  const { mark, name, cameraId, mountIds, surfaceId, exposure, cableId, accessoryIds } = device
  const start: DeviceChoice = { mark, name, cameraId, mountIds, surfaceId, exposure, cableId, accessoryIds }
  return (
    <Box px={{ base: 3, md: 5 }} py={4} maxW="1000px">
      <Sentence next={assessed.sentence}>{mark} {name}</Sentence>
      <Part title="Written on it and given to it"><DetailFields device={device} /></Part>
      <Part title="Parts and place">
        <DeviceChoiceForm key={device.id} start={start} draftKey={`device:${job.id}:${device.id}`} action="Keep these parts" onSay={(choice) => {
          const said = send({ type: 'editDevice', deviceId: device.id, choice })
          setMessage(said.ok ? '✓ Kept.' : null)
          return said.ok ? [] : said.reasons
        }} />
        {message ? <Text role="status" mt={2}>{message}</Text> : null}
      </Part>
      <Button variant="outline" colorPalette="inky" minH="44px" onClick={() => {
        const said = send({ type: 'removeDevice', deviceId: device.id })
        if (said.ok) router.push(`/jobs/${job.id}`)
        else setMessage(said.reasons.map(({ message }) => message).join(' '))
      }}>Take this device out of the job</Button>
    </Box>
  )
}

const FIELDS: { key: 'serial' | 'hardwareAddress' | 'networkAddress' | 'firmware'; label: string; example: string }[] = [
  { key: 'serial', label: 'Serial number', example: '' }, { key: 'hardwareAddress', label: 'Hardware address', example: '02:00:5e:10:00:01' },
  { key: 'networkAddress', label: 'Network address', example: '192.168.10.21' }, { key: 'firmware', label: 'Firmware', example: '' },
]

/** Details of the device, each kept when its field is left; words that are refused stay in the field with the reason. */
export function DetailFields({ device }: { device: Device }) {
  const { send } = useJob()
  const { details } = device
  return (
    <SimpleGrid columns={{ base: 1, sm: 2 }} gap={3}>
      {FIELDS.map(({ key, label, example }) => (
        <DetailField key={`${device.id}:${key}`} draftKey={`detail:${device.id}:${key}`} label={label} example={example} value={details[key]} onKeep={(words) => {
          const parsed = Details.shape[key].safeParse(words)
          if (!parsed.success) return parsed.error.issues[0]!.message
          const said = send({ type: 'setDetails', deviceId: device.id, details: { ...details, [key]: parsed.data } })
          return said.ok ? null : said.reasons.map(({ message }) => message).join(' ')
        }} />
      ))}
      <Tick checked={details.passwordReplaced} onTick={(passwordReplaced) => send({ type: 'setDetails', deviceId: device.id, details: { ...details, passwordReplaced } })}>Default password replaced (never write it here)</Tick>
    </SimpleGrid>
  )
}

function DetailField({ label, example, value, draftKey, onKeep }: { label: string; example: string; value: string; draftKey: string; onKeep: (words: string) => string | null }) {
  const [words, setWords] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  return (
    <Field.Root invalid={error !== null}>
      <Field.Label fontWeight={400} color="soft">{label}</Field.Label>
      <Input value={words ?? value} placeholder={example} autoComplete="off" autoCapitalize="none" spellCheck={false} bg="sheet" borderColor="ink" minH="44px" fontFamily="mono"
        onChange={(event) => {
          setWords(event.target.value)
        }}
        onBlur={() => {
          if (words === null || words === value) return
          const refused = onKeep(words)
          setError(refused)
          if (refused === null) setWords(null)
        }} />
      <Field.ErrorText role="alert">{error}</Field.ErrorText>
    </Field.Root>
  )
}
