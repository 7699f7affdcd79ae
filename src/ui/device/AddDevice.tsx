'use client'

import { Box } from '@chakra-ui/react'
import { v4 as uuid } from 'uuid'
import type { DeviceChoice } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { go } from '../kit/go'
import { Sentence } from '../kit/Page'
import { DeviceChoiceForm } from './DeviceChoiceForm'

/** The next free mark: one above the highest number in use. */
function nextMark(marks: readonly string[]): string {
  const highest = marks.reduce((most, mark) => Math.max(most, Number(mark) || 0), 0)
  return String(highest + 1).padStart(2, '0')
}

export function AddDevice() {
  const { job, send } = useJob()
  const start: DeviceChoice = {
    mark: nextMark(job.devices.map(({ mark }) => mark)),
    name: '',
    state: 'new',
    replaces: null,
    cameraId: 'bullet-4mp-vf',
    mountIds: ['junction-box'],
    surfaceId: 'brick',
    exposure: 'open weather',
    cableId: 'cat6-outdoor',
    accessoryIds: [],
  }
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next="Then sight it: height, distance, lens, tilt.">Add a device.</Sentence>
      <DeviceChoiceForm
        start={start}
        draftKey={`add:${job.id}`}
        action="Add it and sight it"
        onSay={async (choice) => {
          const deviceId = uuid()
          const said = await send({ type: 'addDevice', deviceId, choice })
          if (!said.ok) return said.reasons
          go(`/jobs/${job.id}/devices/${deviceId}/sight`)
          return []
        }}
      />
    </Box>
  )
}
