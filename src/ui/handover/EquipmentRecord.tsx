'use client'

import { Box, Text } from '@chakra-ui/react'
import { equipmentRecord } from '@/core/handover'
import { printReading } from '@/core/units'
import { useEquipment, useJob } from '../job/JobProvider'
import { VERDICTS } from '../kit/Verdict'
import { RecordEnd, RecordFacts, RecordHead, RecordLog } from './RecordParts'

/** One piece of equipment as it is handed over. */
export function EquipmentRecord({ equipmentId }: { equipmentId: string }) {
  const { job } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return null
  const { equipment, assessed } = found
  const record = equipmentRecord(job, equipment, assessed)
  return (
    <Box as="article" mb={8}>
      <RecordHead marked={equipment} aside={assessed.kind} />
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
