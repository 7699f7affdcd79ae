'use client'

import { Box, SimpleGrid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import { Details, type Device, type DeviceChoice } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { go } from '../kit/go'
import { LineField, refusal, refusalOf } from '../kit/LineField'
import { Part } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { Tick } from '../kit/Tick'
import { AssemblySheet } from './AssemblySheet'
import { DeviceChoiceForm } from './DeviceChoiceForm'

/** What the device is made of, and what is written on it. */
export function DevicePage({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job, send } = useJob()
  const [message, setMessage] = useState<string | null>(null)
  const { mark, name, cameraId, mountIds, surfaceId, exposure, cableId, accessoryIds } = device
  const start: DeviceChoice = { mark, name, cameraId, mountIds, surfaceId, exposure, cableId, accessoryIds }
  return (
    <Box px={{ base: 3, md: 5 }} py={4}>
      <AssemblySheet device={device} assessed={assessed} />
      <Box maxW="1000px">
        <Part title="Written on it and given to it">
          <DetailFields device={device} />
        </Part>
        <Part title="Parts and place">
          <DeviceChoiceForm
            key={device.id}
            start={start}
            draftKey={`device:${job.id}:${device.id}`}
            action="Keep these parts"
            onSay={async (choice) => {
              const said = await send({ type: 'editDevice', deviceId: device.id, change: choice })
              setMessage(said.ok ? '✓ Kept.' : null)
              return said.ok ? [] : said.reasons
            }}
          />
          {message ? (
            <Text role="status" mt={2}>
              {message}
            </Text>
          ) : null}
        </Part>
        <Removal
          label="Take this device out of the job"
          asks={`Take ${mark} ${name} out, with everything planned for it?`}
          onRemove={async () => {
            const said = await send({ type: 'removeDevice', deviceId: device.id })
            if (said.ok) go(`/jobs/${job.id}`)
            else setMessage(refusal(said))
          }}
        />
      </Box>
    </Box>
  )
}

const FIELDS: {
  key: 'serial' | 'hardwareAddress' | 'networkAddress' | 'firmware'
  label: string
  example: string
}[] = [
  { key: 'serial', label: 'Serial number', example: '' },
  { key: 'hardwareAddress', label: 'Hardware address', example: '02:00:5e:10:00:01' },
  { key: 'networkAddress', label: 'Network address', example: '192.168.10.21' },
  { key: 'firmware', label: 'Firmware', example: '' },
]

/**
 * Details of the device, each kept when its field is left; words that are refused stay in the field with
 * the reason.
 */
export function DetailFields({ device }: { device: Device }) {
  const { job, send } = useJob()
  const { details } = device
  return (
    <SimpleGrid columns={{ base: 1, sm: 2 }} gap={3}>
      {FIELDS.map(({ key, label, example }) => (
        <LineField
          key={key}
          mono
          draftKey={`detail:${job.id}:${device.id}:${key}`}
          label={label}
          example={example}
          value={details[key]}
          onKeep={async (words) => {
            const parsed = Details.shape[key].safeParse(words)
            if (!parsed.success) return parsed.error.issues[0]!.message
            return refusalOf(
              send({ type: 'editDetails', deviceId: device.id, change: { [key]: parsed.data } }),
            )
          }}
        />
      ))}
      <Tick
        checked={details.passwordReplaced}
        onTick={(passwordReplaced) =>
          void send({ type: 'editDetails', deviceId: device.id, change: { passwordReplaced } })
        }
      >
        Default password replaced (never write it here)
      </Tick>
    </SimpleGrid>
  )
}
