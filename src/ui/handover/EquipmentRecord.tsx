'use client'

import { Box, Text } from '@chakra-ui/react'
import type { EquipmentAssessment, RunAssessment } from '@/core/assess'
import { equipmentRecord, runRecord, type DeviceRecord } from '@/core/handover'
import { printReading } from '@/core/units'
import { useEquipment, useJob, useRun } from '../job/JobProvider'
import { VERDICTS } from '../kit/Verdict'
import { RecordEnd, RecordFacts, RecordHead, RecordLog } from './RecordParts'

/** One piece of equipment as it is handed over. */
export function EquipmentRecord({ equipmentId }: { equipmentId: string }) {
  const { job } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return null
  const { equipment, assessed } = found
  return (
    <MarkedRecord
      assessed={assessed}
      aside={assessed.kind}
      record={equipmentRecord(job, equipment, assessed)}
    />
  )
}

/** One run as it is handed over. */
export function RunRecord({ runId }: { runId: string }) {
  const { job } = useJob()
  const found = useRun(runId)
  if (!found) return null
  const { run, assessed } = found
  return <MarkedRecord assessed={assessed} aside={assessed.carries} record={runRecord(job, run, assessed)} />
}

function MarkedRecord({
  assessed,
  aside,
  record,
}: {
  assessed: EquipmentAssessment | RunAssessment
  aside: string
  record: DeviceRecord
}) {
  const { job } = useJob()
  return (
    <Box as="article" mb={8}>
      <RecordHead marked={assessed} aside={aside} />
      <Text mb={3}>{assessed.sentence}</Text>
      <RecordFacts record={record} />
      {assessed.findings
        .filter(({ verdict }) => verdict !== 'good')
        .map(({ id, verdict, title, figure, advice }) => (
          <Text key={id} color={VERDICTS[verdict].color} mt={2}>
            {VERDICTS[verdict].sign} {VERDICTS[verdict].word} {title}: {printReading(figure, job.units)}.{' '}
            <Text as="span" color="ink">
              {advice}
            </Text>
          </Text>
        ))}
      {assessed.unjudged.length > 0 ? (
        <Text color="soft" fontSize="sm" mt={2}>
          Not judged: {assessed.unjudged.join(' ')}
        </Text>
      ) : null}
      <RecordLog assessed={assessed} />
      <RecordEnd record={record} />
    </Box>
  )
}
