'use client'

import { Box, Button, Heading, HStack, Text } from '@chakra-ui/react'
import { equipmentStanding, type EquipmentAssessment } from '@/core/assess'
import { worstOf } from '@/core/findings'
import { STANDS, STATES, type Equipment, type Stand } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import { RunRows } from '../board/EquipmentRows'
import { useAssessed, useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'
import { MARKS, VERDICTS } from '../kit/Verdict'
import { loadWords } from './loadWords'
import { PortTable } from './PortTable'

/** Recorder, switches, plates, supplies: each with its runs by port and its steps, by where it stands. */
export function EquipmentPage() {
  const { job } = useJob()
  const { equipment, runs } = useAssessed()
  const { sentence, next } = equipmentStanding(equipment, runs)
  const home = `/jobs/${job.id}/equipment`
  const standing = (stand: Stand) => job.equipment.flatMap((one, i) => (one.stands === stand ? [i] : []))
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next={next}>{sentence}</Sentence>
      <Button asChild minH="44px" colorPalette="copper" mb={5} className="no-print">
        <GoLink href={`${home}/new`}>Add equipment</GoLink>
      </Button>
      {job.devices.length + job.equipment.length < 2 ? null : (
        <Button asChild minH="44px" variant="outline" colorPalette="inky" mb={5} ms={3} className="no-print">
          <GoLink href={`/jobs/${job.id}/runs/new`}>Add a run</GoLink>
        </Button>
      )}
      {equipment.length === 0 ? (
        <Nothing>Every run ends somewhere: say where, and its port and its steps stand here.</Nothing>
      ) : null}
      {(Object.keys(STANDS) as Stand[]).map((stand) => {
        const indices = standing(stand)
        if (indices.length === 0) return null
        return (
          <Part
            key={stand}
            title={stand === 'head end' && job.headEnd ? `${STANDS[stand]}: ${job.headEnd}` : STANDS[stand]}
          >
            {indices.map((index) => (
              <Piece
                key={equipment[index]!.deviceId}
                jobId={job.id}
                equipment={job.equipment[index]!}
                assessed={equipment[index]!}
                units={job.units}
              />
            ))}
          </Part>
        )
      })}
      <RunRows home={`/jobs/${job.id}`} runs={runs} units={job.units} />
    </Box>
  )
}

function Piece({
  jobId,
  equipment,
  assessed,
  units,
}: {
  jobId: string
  equipment: Equipment
  assessed: EquipmentAssessment
  units: UnitSystem
}) {
  const { log, uses, findings } = assessed
  const worst = worstOf(findings)
  const home = `/jobs/${jobId}/equipment/${equipment.id}`
  return (
    <Box mb={5}>
      <HStack gap={3} flexWrap="wrap" minH="48px" mb={2}>
        <Heading as="h3" fontSize="md" flex="1" minW="220px">
          <GoLink href={home} style={{ display: 'flex', alignItems: 'center', gap: 10, minHeight: 48 }}>
            <Text as="span" fontFamily="mono" fontSize="sm">
              {assessed.mark}
            </Text>
            <Text as="span" textDecoration="underline">
              {assessed.name}
            </Text>
          </GoLink>
        </Heading>
        <Text color="soft">
          {assessed.partName}
          {equipment.state === 'new' ? '' : ` · ${STATES[equipment.state].toLowerCase()}`}
        </Text>
        <Text className="figures">{loadWords(assessed, units)}</Text>
        <Button asChild size="sm" minH="48px" variant="outline" colorPalette="inky">
          <GoLink href={`${home}/log`}>
            <Text as="span" color={MARKS[log.mark].color} role="img" aria-label={MARKS[log.mark].word}>
              {MARKS[log.mark].sign}
            </Text>
            Log {log.done}/{log.total}
          </GoLink>
        </Button>
      </HStack>
      {worst ? (
        <Text color={VERDICTS[worst.verdict].color} fontWeight={500}>
          {VERDICTS[worst.verdict].sign} {worst.title}.{' '}
          <Text as="span" color="ink" fontWeight={400}>
            {worst.advice}
          </Text>
        </Text>
      ) : null}
      {uses.length > 0 ? <PortTable jobId={jobId} uses={uses} /> : null}
    </Box>
  )
}
