'use client'

import { Box, Button, Heading, HStack, Table, Text } from '@chakra-ui/react'
import { Suspense } from 'react'
import { GoLink } from '../kit/go'
import { MOST_AT_ONCE } from '@/core/assess'
import { PLANNED_STAGES } from '@/core/findings'
import { PIN_SCHEMES, SEALING_POLICIES } from '@/core/job'
import { inSentence, printReading } from '@/core/units'
import { EquipmentRows, RunRows } from '../board/EquipmentRows'
import { useAssessed, useJob } from '../job/JobProvider'
import { Sentence } from '../kit/Page'
import { MARKS } from '../kit/Verdict'
import { DeviceRecord } from './DeviceRecord'
import { EquipmentRecord, RunRecord } from './EquipmentRecord'
import { PrintButton } from '../kit/PrintButton'
import { Signatures } from './Signatures'
import { SurveyRecords } from './SurveyRecords'

/** Downloads and print, in one row that paper does not show. */
export function RecordBar({ jobId, deviceId }: { jobId: string; deviceId?: string }) {
  return (
    <HStack className="no-print" gap={3} mb={5} flexWrap="wrap">
      <Button colorPalette="copper" minH="44px" onClick={() => window.print()}>
        Print
      </Button>
      <PrintButton
        jobId={jobId}
        order={{ deviceId: deviceId ?? null }}
        label="PDF"
        counted="devices"
        without="Print works without it."
      />
      {deviceId ? null : (
        <Button asChild variant="outline" colorPalette="inky" minH="44px">
          <a href={`/api/jobs/${jobId}/job-file`} download>
            Job file (JSON)
          </a>
        </Button>
      )}
    </HStack>
  )
}

/**
 * The record of the whole job: how things stand, a table of devices, then each device in full, unless there
 * are more than a page can hold.
 */
export function HandOver() {
  const { job } = useJob()
  const assessment = useAssessed()
  const large = job.devices.length > MOST_AT_ONCE
  const open = job.faults.filter(({ state }) => state !== 'closed')
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next={`${job.address}${job.headEnd ? ` · head end: ${job.headEnd}` : ''}`}>
        {job.name}: {inSentence(assessment.sentence)}
      </Sentence>
      <RecordBar jobId={job.id} />
      <Text mb={4}>
        Pin scheme {PIN_SCHEMES[job.policies.pinScheme]} at both ends. Sealing:{' '}
        {SEALING_POLICIES[job.policies.sealing].toLowerCase()}.{' '}
        {open.length === 0
          ? 'Nothing is open on the punch list.'
          : `${open.length} still open: ${open.map(({ title }) => title).join('; ')}.`}
      </Text>
      <Table.ScrollArea mb={8}>
        <Table.Root
          size="sm"
          bg="transparent"
          css={{ '& th, & td': { borderColor: 'rule', whiteSpace: 'nowrap' } }}
        >
          <Table.Header>
            <Table.Row bg="transparent">
              {['Device', ...PLANNED_STAGES, 'log', 'address'].map((head) => (
                <Table.ColumnHeader key={head} color="ink" textTransform="capitalize" ps={1}>
                  {head}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {assessment.devices.map((device, index) => (
              <Table.Row key={device.deviceId} bg="transparent">
                <Table.Cell ps={1}>
                  <GoLink href={`/jobs/${job.id}/record/${device.deviceId}`}>
                    <Text as="span" fontFamily="mono" fontSize="sm">
                      {device.mark}
                    </Text>{' '}
                    <Text as="span" textDecoration="underline">
                      {device.name}
                    </Text>
                  </GoLink>
                </Table.Cell>
                {PLANNED_STAGES.map((stage) => {
                  const state = device.stages?.[stage]
                  return (
                    <Table.Cell key={stage} ps={1} className="figures">
                      {state?.planned
                        ? `${MARKS[state.mark].sign} ${printReading(state.result.headline, job.units)}`
                        : '–'}
                    </Table.Cell>
                  )
                })}
                <Table.Cell ps={1} className="figures">
                  {device.log.done}/{device.log.total}
                </Table.Cell>
                <Table.Cell ps={1} fontFamily="mono" fontSize="xs">
                  {job.devices[index]!.details.networkAddress || '–'}
                </Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Table.ScrollArea>
      <EquipmentRows home={`/jobs/${job.id}`} equipment={assessment.equipment} units={job.units} />
      <RunRows home={`/jobs/${job.id}`} runs={assessment.runs} units={job.units} />
      <SurveyRecords />
      <Signatures deviceId={null} />
      {large ? (
        <Text>Each device’s record opens from the table. The PDF has all of them, one after the other.</Text>
      ) : (
        assessment.devices.map(({ deviceId }) => (
          <Suspense key={deviceId}>
            <Box css={{ breakBefore: 'page' }}>
              <DeviceRecord deviceId={deviceId} />
            </Box>
          </Suspense>
        ))
      )}
      {job.equipment.map(({ id }) => (
        <EquipmentRecord key={id} equipmentId={id} />
      ))}
      {job.runs.map(({ id }) => (
        <RunRecord key={id} runId={id} />
      ))}
    </Box>
  )
}

export function OneRecord({ deviceId }: { deviceId: string }) {
  const { job } = useJob()
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Heading as="h1" fontSize="lg" mb={3}>
        {job.name}: record of one device
      </Heading>
      <RecordBar jobId={job.id} deviceId={deviceId} />
      <DeviceRecord deviceId={deviceId} />
      <Signatures deviceId={deviceId} />
    </Box>
  )
}
