'use client'

import { SimpleGrid } from '@chakra-ui/react'
import { Details, type Device } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { LineField, refusalOf } from '../kit/LineField'
import { Tick } from '../kit/Tick'

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
export function DetailFields({ device }: { device: Pick<Device, 'id' | 'details'> }) {
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
