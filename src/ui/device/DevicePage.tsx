'use client'

import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Device, DeviceChoice } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { go } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Part } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { AssemblySheet } from './AssemblySheet'
import { DetailFields } from './DetailFields'
import { DeviceChoiceForm } from './DeviceChoiceForm'

/** What the device is made of, and what is written on it. */
export function DevicePage({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job, send } = useJob()
  const [message, setMessage] = useState<string | null>(null)
  const { mark, name, state, replaces } = device
  const { cameraId, mountIds, partsKept, surfaceId, exposure, cableId, accessoryIds } = device
  const parts = { cameraId, mountIds, partsKept, surfaceId, exposure, cableId, accessoryIds }
  const start: DeviceChoice = { mark, name, state, replaces, ...parts }
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
            ofId={device.id}
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
