'use client'

import { Box, Grid, Heading, Text } from '@chakra-ui/react'
import { CATALOGUE } from '@/catalogue'
import { EXPOSURES } from '@/core/job'
import { PLANNED_STAGES } from '@/core/findings'
import { deviceRecord } from '@/core/handover'
import { printReading } from '@/core/units'
import { DrawingView, Sized } from '../kit/DrawingView'
import { useDevice, useJob } from '../job/JobProvider'
import { MARKS, VERDICTS } from '../kit/Verdict'
import { drawingsOf } from '@/drawings'
import { RecordEnd, RecordFacts, RecordHead, RecordLog } from './RecordParts'

/** The printable record of one device: what the next person needs, years later. */
export function DeviceRecord({ deviceId }: { deviceId: string }) {
  const { job } = useJob()
  const found = useDevice(deviceId)
  if (!found || !found.assessed.stages) return <Text>There is no such device.</Text>
  const { device, assessed } = found
  const record = deviceRecord(job, device, assessed, CATALOGUE)
  return (
    <Box as="article" css={{ breakInside: 'auto' }} mb={8}>
      <RecordHead marked={device} aside={EXPOSURES[device.exposure].name} />
      <Text mb={3}>{assessed.sentence}</Text>
      <RecordFacts record={record} />
      {PLANNED_STAGES.map((stage) => {
        const state = assessed.stages![stage]
        if (!state?.planned) return null
        return (
          <Box key={stage} mt={4} css={{ breakInside: 'avoid' }}>
            <Heading as="h3" fontSize="md" textTransform="capitalize">
              {stage}{' '}
              <Text as="span" color={MARKS[state.mark].color} fontSize="sm">
                {MARKS[state.mark].sign} {MARKS[state.mark].word}
              </Text>
            </Heading>
            <Grid templateColumns={{ base: '1fr', md: '1.3fr 1fr' }} gap={4}>
              <Sized most={520}>
                {(width) => <DrawingView drawing={drawingsOf(assessed, job.units, width)[stage]!} />}
              </Sized>
              <Box className="figures" fontSize="sm">
                {state.result.figures.map(({ label, reading }) => (
                  <Box key={label} display="flex" justifyContent="space-between" gap={3}>
                    <Text color="soft">{label.replace('· ', '')}</Text>
                    <Text fontWeight={500} textAlign="right">
                      {printReading(reading, job.units)}
                    </Text>
                  </Box>
                ))}
              </Box>
            </Grid>
            {state.result.findings
              .filter(({ verdict }) => verdict !== 'good')
              .map((finding) => (
                <Text key={finding.id} color={VERDICTS[finding.verdict].color}>
                  {VERDICTS[finding.verdict].sign} {VERDICTS[finding.verdict].word} {finding.title}:{' '}
                  {printReading(finding.figure, job.units)}.{' '}
                  <Text as="span" color="ink">
                    {finding.advice}
                  </Text>
                </Text>
              ))}
            <Text color="soft" fontSize="sm">
              Not judged: {state.unjudged.join(' ')}
            </Text>
          </Box>
        )
      })}
      <RecordLog assessed={assessed} />
      <RecordEnd record={record} />
    </Box>
  )
}
