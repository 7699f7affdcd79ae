'use client'

import { Box, Button, Grid, Heading, HStack, SimpleGrid, Text } from '@chakra-ui/react'
import { allAssessed, type DeviceAssessment } from '@/core/assess'
import { useAssessed, useJob } from '../job/JobProvider'
import { arranged, FILTERS, ORDERS, type Filter, type Order } from './arranged'
import { DeviceRows } from './DeviceRows'
import { EquipmentRows, RunRows } from './EquipmentRows'
import { Choose, optionsOf } from '../kit/Choose'
import { useDraft } from '../kit/draft'
import { FindingNote } from '../kit/Findings'
import { GoLink } from '../kit/go'
import { GoOn } from '../kit/GoOn'
import { Nothing, Sentence } from '../kit/Page'
import { MARKS } from '../kit/Verdict'

/**
 * The job board: devices down, stages across. A cell shows its mark, and what is wrong or the one figure
 * that matters there.
 */
export function Board() {
  const { job } = useJob()
  const assessment = useAssessed()
  const [filter, setFilter] = useKept('board-filter', FILTERS, 'all')
  const [order, setOrder] = useKept('board-order', ORDERS, 'added')
  const shown = arranged(assessment.devices, filter, order)
  const trouble = allAssessed(assessment)
    .flatMap((device) =>
      device.findings.map((finding) => ({ device, finding, key: `${device.deviceId}/${finding.id}` })),
    )
    .filter(({ finding }) => finding.verdict !== 'good')
  const inTheWay = [
    ...trouble.filter(({ finding }) => finding.verdict === 'stop'),
    ...trouble.filter(({ finding }) => finding.verdict === 'check'),
  ]
  const proposals = allAssessed(assessment).reduce(
    (sum, { proposedFaults }) => sum + proposedFaults.length,
    0,
  )
  const home = `/jobs/${job.id}`

  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 296px' }} minH="calc(100vh - 60px)">
      <Box px={{ base: 3, md: 5 }} py={{ base: 3, md: 5 }} minW={0}>
        <Continue home={home} devices={assessment.devices} />
        <Sentence next={assessment.next}>{assessment.sentence}</Sentence>
        <HStack mb={3} gap={3} flexWrap="wrap" align="end" className="no-print">
          <Button asChild minH="44px" colorPalette="copper">
            <GoLink href={`${home}/add`}>Add a device</GoLink>
          </Button>
          {job.devices.length > 0 ? (
            <Arrange filter={filter} order={order} onFilter={setFilter} onOrder={setOrder} />
          ) : null}
          {proposals > 0 ? (
            <Button asChild minH="44px" variant="outline" colorPalette="inky">
              <GoLink href={`${home}/punch-list`}>{proposals} measured out of limits: look</GoLink>
            </Button>
          ) : null}
        </HStack>
        {job.devices.length === 0 ? (
          <Nothing>
            Nothing is planned here yet. A device carries its record from the first sighting to the signed
            hand-over.
          </Nothing>
        ) : (
          <>
            {shown.length === 0 ? <Nothing>None of the devices is like that.</Nothing> : null}
            <DeviceRows home={home} devices={shown} units={job.units} />
          </>
        )}
        <EquipmentRows home={home} equipment={assessment.equipment} units={job.units} />
        <RunRows home={home} runs={assessment.runs} units={job.units} />
        <Legend />
      </Box>
      <Box
        as="aside"
        aria-labelledby="in-the-way"
        bg="sheet"
        borderLeftWidth={{ lg: '1px' }}
        borderTopWidth={{ base: '1px', lg: 0 }}
        borderColor="rule"
        px={5}
        py={5}
      >
        <Heading as="h2" id="in-the-way" fontSize="md" mb={2}>
          What stands in the way
        </Heading>
        {inTheWay.length === 0 ? <Text color="soft">{clear(assessment.counts.pending)}</Text> : null}
        <Box as="ul">
          {inTheWay.slice(0, 12).map(({ device, finding, key }) => (
            <FindingNote
              key={key}
              finding={finding}
              units={job.units}
              where={`${device.mark} ${finding.stage}`}
            />
          ))}
        </Box>
        {inTheWay.length > 12 ? (
          <Text color="soft">and {inTheWay.length - 12} more on the device sheets.</Text>
        ) : null}
      </Box>
    </Grid>
  )
}

/** A choice of a table that this device remembers. */
function useKept<T extends string>(
  key: string,
  table: Readonly<Record<T, unknown>>,
  usual: T,
): [T, (value: string) => void] {
  const [kept, keep] = useDraft(key)
  const value = kept !== null && kept in table ? (kept as T) : usual
  return [value, (to) => keep(to === usual ? null : to)]
}

interface ArrangeProps {
  readonly filter: Filter
  readonly order: Order
  readonly onFilter: (filter: string) => void
  readonly onOrder: (order: string) => void
}

/** Which devices are shown, and in what order. */
const Arrange = ({ filter, order, onFilter, onOrder }: ArrangeProps) => (
  <SimpleGrid columns={2} gap={3} flex="1" minW="260px" maxW="420px">
    <Choose label="Show" value={filter} options={optionsOf(FILTERS)} onChoose={onFilter} />
    <Choose label="Order" value={order} options={optionsOf(ORDERS)} onChoose={onOrder} />
  </SimpleGrid>
)

/** Nothing stands in the way only once everything is computed. */
const clear = (pending: number) => (pending > 0 ? 'Nothing so far: the rest is being computed.' : 'Nothing.')

/** On a phone the board begins with the work that was begun: one tap back to the open step. */
function Continue({ home, devices }: { home: string; devices: readonly DeviceAssessment[] }) {
  const begun = devices.find(({ log }) => log.done > 0 && log.nextStepId !== null)
  if (!begun) return null
  const index = begun.steps.findIndex(({ step }) => step.id === begun.log.nextStepId)
  return (
    <GoOn>
      <GoLink href={`${home}/devices/${begun.deviceId}/log`}>
        Go on with {begun.mark} {begun.name}, step {index + 1}: {begun.steps[index]!.step.title}
      </GoLink>
    </GoOn>
  )
}

function Legend() {
  return (
    <HStack mt={4} gap={4} color="soft" fontSize="sm" flexWrap="wrap">
      {Object.values(MARKS).map(({ sign, word }) => (
        <Text key={word}>
          {sign} {word}
        </Text>
      ))}
    </HStack>
  )
}
