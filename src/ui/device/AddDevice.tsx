'use client'

import { Box } from '@chakra-ui/react'
import { v4 as uuid } from 'uuid'
import { KITS } from '@/catalogue'
import type { DeviceChoice } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { go } from '../kit/go'
import { Sentence } from '../kit/Page'
import { DeviceChoiceForm } from './DeviceChoiceForm'

/** What a new device is until another kit is chosen. */
const FIRST = KITS[0]!

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
    ...FIRST.choice,
    mountIds: [...FIRST.choice.mountIds],
    partsKept: 0,
    accessoryIds: [...FIRST.choice.accessoryIds],
  }
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next="Begin with a kit and change what differs; then sight it.">Add a device.</Sentence>
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
