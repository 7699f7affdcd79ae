'use client'

import { Box } from '@chakra-ui/react'
import { useSearchParams } from 'next/navigation'
import { v4 as uuid } from 'uuid'
import { allAssessed } from '@/core/assess'
import type { FaultFacts } from '@/core/job'
import { proposalOf } from '@/core/test'
import { useAssessed, useJob } from '../job/JobProvider'
import { go } from '../kit/go'
import { Sentence } from '../kit/Page'
import { FaultForm } from './FaultForm'

/** Raises a fault: from a finding, from a measured step, or freely. */
export function NewFault() {
  const { job, send } = useJob()
  const assessment = useAssessed()
  const query = useSearchParams()
  const [deviceId, findingId, stepId] = [query.get('device'), query.get('finding'), query.get('step')]
  const device = allAssessed(assessment).find((one) => one.deviceId === deviceId)
  const finding = device?.findings.find(({ id }) => id === findingId)
  const proposal =
    finding && device
      ? proposalOf(device.deviceId, finding, job.units)
      : device?.proposedFaults.find(({ origin }) => origin === `step:${stepId}`)
  const start: FaultFacts = proposal
    ? { ...proposal, title: proposal.title.slice(0, 160), due: null }
    : {
        deviceId: device?.deviceId ?? null,
        stage: null,
        origin: null,
        title: '',
        severity: 'below standard',
        cause: 'other',
        note: '',
        due: null,
      }
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="720px">
      <Sentence
        next={
          proposal
            ? 'Filled in from what was computed; change what you know better. Photos come next.'
            : 'Say what you saw. Photos come next.'
        }
      >
        Raise a fault{device ? ` on ${device.mark} ${device.name}` : ''}.
      </Sentence>
      <FaultForm
        start={start}
        draftKey={`fault:${job.id}:${query.toString()}`}
        action="Raise it"
        onSay={async (facts) => {
          const faultId = uuid()
          const said = await send({ type: 'raiseFault', faultId, facts })
          if (!said.ok) return said.reasons
          go(`/jobs/${job.id}/punch-list/${faultId}`, { replace: true })
          return []
        }}
      />
    </Box>
  )
}
