'use client'

import { Box, Button, Grid, Heading, HStack, SimpleGrid, Table, Text, VisuallyHidden } from '@chakra-ui/react'
import { memo } from 'react'
import type { DeviceAssessment, Mark } from '@/core/assess'
import { PLANNED_STAGES, worstOf, type PlannedStage } from '@/core/findings'
import type { State } from '@/core/job'
import { STAGE_TABLE } from '@/core/stages'
import { printReading, type UnitSystem } from '@/core/units'
import { useAssessed, useJob } from '../job/JobProvider'
import { arranged, FILTERS, ORDERS, type Filter, type Order } from './arranged'
import { EquipmentRows } from './EquipmentRows'
import { Choose, optionsOf } from '../kit/Choose'
import { useDraft } from '../kit/draft'
import { FindingNote } from '../kit/Findings'
import { go, GoLink } from '../kit/go'
import { Nothing, Sentence } from '../kit/Page'
import { Brackets, MARKS } from '../kit/Verdict'
import { useWide } from '../kit/wide'
import { useWindowed } from '../kit/windowed'

const TITLES: Record<PlannedStage | 'log', string> = {
  ...(Object.fromEntries(PLANNED_STAGES.map((stage) => [stage, STAGE_TABLE[stage].title])) as Record<
    PlannedStage,
    string
  >),
  log: 'Log',
}

/**
 * The job board: devices down, stages across. A cell shows its mark, and what is wrong or the one figure
 * that matters there.
 */
export function Board() {
  const { job } = useJob()
  const assessment = useAssessed()
  const wide = useWide()
  const [filter, setFilter] = useKept('board-filter', FILTERS, 'all')
  const [order, setOrder] = useKept('board-order', ORDERS, 'added')
  const shown = arranged(assessment.devices, filter, order)
  const trouble = [
    ...assessment.devices.flatMap((device) =>
      device.findings.map((finding) => ({ device, finding, key: `${device.deviceId}/${finding.id}` })),
    ),
    ...assessment.equipment.flatMap((device) =>
      device.findings.map((finding) => ({ device, finding, key: `${device.deviceId}/${finding.id}` })),
    ),
  ].filter(({ finding }) => finding.verdict !== 'good')
  const inTheWay = [
    ...trouble.filter(({ finding }) => finding.verdict === 'stop'),
    ...trouble.filter(({ finding }) => finding.verdict === 'check'),
  ]
  const proposals = [...assessment.devices, ...assessment.equipment].reduce(
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
            {wide === false ? null : <Wide home={home} devices={shown} units={job.units} />}
            {wide ? null : <Narrow home={home} devices={shown} units={job.units} />}
          </>
        )}
        <EquipmentRows home={home} equipment={assessment.equipment} units={job.units} />
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
    <Button
      asChild
      hideFrom="md"
      colorPalette="copper"
      w="100%"
      minH="60px"
      mb={3}
      justifyContent="flex-start"
      textAlign="left"
      whiteSpace="normal"
    >
      <GoLink href={`${home}/devices/${begun.deviceId}/log`}>
        Continue at step {index + 1} of {begun.mark}: {begun.steps[index]!.step.title}
      </GoLink>
    </Button>
  )
}

/** Heights of a row of either list, px. */
const WIDE_PX = 45
const NARROW_PX = 189

/** What the rows out of view take. */
const Space = ({ px }: { px: number }) =>
  px > 0 ? (
    <tr aria-hidden>
      <td style={{ height: px, padding: 0 }} />
    </tr>
  ) : null

interface ListProps {
  readonly home: string
  readonly devices: readonly DeviceAssessment[]
  readonly units: UnitSystem
}

interface RowProps {
  readonly home: string
  readonly device: DeviceAssessment
  readonly units: UnitSystem
}

function Wide({ home, devices, units }: ListProps) {
  const { list, shown, abovePx, belowPx } = useWindowed(devices, WIDE_PX)
  return (
    <Table.ScrollArea hideBelow="md" ref={list}>
      <Table.Root
        size="sm"
        variant="line"
        css={{ '& th, & td': { borderColor: 'rule', whiteSpace: 'nowrap' } }}
        bg="transparent"
      >
        <Table.Header>
          <Table.Row bg="transparent">
            <Table.ColumnHeader fontFamily="heading" fontWeight={600} color="ink" ps={1}>
              Device
            </Table.ColumnHeader>
            {Object.entries(TITLES).map(([key, title]) => (
              <Table.ColumnHeader key={key} fontFamily="heading" fontWeight={600} color="ink" px={1}>
                {title}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          <Space px={abovePx} />
          {shown.map(({ item }) => (
            <WideRow key={item.deviceId} home={home} device={item} units={units} />
          ))}
          <Space px={belowPx} />
        </Table.Body>
      </Table.Root>
    </Table.ScrollArea>
  )
}

/** What was there before says whether it stays or goes. */
function Standing({ state }: { state: State }) {
  if (state === 'new') return null
  return (
    <Text as="span" color="soft" fontWeight={400} fontSize="sm">
      {state === 'kept' ? 'stays' : 'goes'}
    </Text>
  )
}

/** One device: drawn again only when something of it has changed. */
const WideRow = memo(function WideRow({ home, device, units }: RowProps) {
  return (
    <Table.Row
      bg="transparent"
      _hover={{ bg: 'sheet' }}
      cursor="pointer"
      onClick={(event) => event.isDefaultPrevented() || go(`${home}/devices/${device.deviceId}/sight`)}
    >
      <Table.Cell ps={1} py={0}>
        <HStack asChild gap={2.5} minH="44px">
          <GoLink href={`${home}/devices/${device.deviceId}/sight`}>
            <Text as="span" fontFamily="mono" fontSize="sm">
              {device.mark}
            </Text>
            {device.name}
            <Standing state={device.state} />
          </GoLink>
        </HStack>
      </Table.Cell>
      {cellsOf(device, units).map((cell) => (
        <Table.Cell key={cell.tab} py={0} px={1}>
          <Cell href={`${home}/devices/${device.deviceId}/${cell.tab}`} cell={cell} mark={device.mark} />
        </Table.Cell>
      ))}
    </Table.Row>
  )
})

/** One device a block, its stages in two columns: nothing to scroll sideways for. */
function Narrow({ home, devices, units }: ListProps) {
  const { list, shown, abovePx, belowPx } = useWindowed(devices, NARROW_PX)
  return (
    <Box
      as="ul"
      listStyleType="none"
      hideFrom="md"
      aria-label="Devices"
      ref={list}
      pt={`${abovePx}px`}
      pb={`${belowPx}px`}
    >
      {shown.map(({ item }) => (
        <NarrowRow key={item.deviceId} home={home} device={item} units={units} />
      ))}
    </Box>
  )
}

const NarrowRow = memo(function NarrowRow({ home, device, units }: RowProps) {
  return (
    <Box as="li" borderTopWidth="1px" borderColor="ink" py={1}>
      <HStack asChild gap={2.5} minH="48px" fontWeight={600}>
        <GoLink href={`${home}/devices/${device.deviceId}/log`}>
          <Text as="span" fontFamily="mono" fontSize="sm">
            {device.mark}
          </Text>
          <Text as="span" flex="1">
            {device.name} <Standing state={device.state} />
          </Text>
          <Text as="span" className="figures" fontWeight={400}>
            {device.log.total === 0 ? '' : `${device.log.done}/${device.log.total}`}
          </Text>
        </GoLink>
      </HStack>
      <Grid templateColumns="1fr 1fr" columnGap={3}>
        {cellsOf(device, units)
          .filter(({ tab }) => tab !== 'log')
          .map((cell) => (
            <Cell
              key={cell.tab}
              href={`${home}/devices/${device.deviceId}/${cell.tab}`}
              cell={cell}
              mark={device.mark}
              titled
            />
          ))}
      </Grid>
    </Box>
  )
})

interface CellState {
  readonly tab: PlannedStage | 'log'
  /** Null while it is being computed. */
  readonly mark: Mark | null
  readonly says: string
}

/** What each cell says: the trouble where there is one, otherwise the figure of the stage. */
function cellsOf(device: DeviceAssessment, units: UnitSystem): CellState[] {
  if (device.pending) return [...PLANNED_STAGES, 'log' as const].map((tab) => ({ tab, mark: null, says: '' }))
  const stages = PLANNED_STAGES.map((tab): CellState => {
    const state = device.stages?.[tab] ?? null
    const trouble = state?.planned ? worstOf(state.result.findings) : null
    return {
      tab,
      mark: state?.mark ?? 'not planned',
      says: state?.planned ? (trouble?.short ?? printReading(state.result.headline, units)) : '–',
    }
  })
  const { done, total, mark } = device.log
  return [...stages, { tab: 'log', mark, says: total === 0 ? '–' : `${done}/${total}` }]
}

function Cell({
  href,
  cell: { tab, mark: state, says },
  mark,
  titled = false,
}: {
  href: string
  cell: CellState
  mark: string
  titled?: boolean
}) {
  const { sign, color, word } = state === null ? COMPUTING : MARKS[state]
  return (
    <Box
      asChild
      position="relative"
      display="flex"
      alignItems="center"
      gap={1.5}
      minH="44px"
      color={color}
      fontWeight={500}
      _hover={{ textDecoration: 'underline' }}
      className="group"
      _focusVisible={{ outline: 'none', bg: 'sheet' }}
    >
      <GoLink href={href}>
        <Text as="span" aria-hidden w="14px">
          {sign}
        </Text>
        <VisuallyHidden>{titled ? mark : `${mark} ${tab}`}</VisuallyHidden>
        {titled ? (
          <Text as="span" color="soft" fontWeight={400} fontSize="sm">
            {TITLES[tab]}
          </Text>
        ) : null}
        <VisuallyHidden>{`: ${word}, `}</VisuallyHidden>
        <Text as="span" truncate maxW={titled ? '120px' : '134px'} className="figures">
          {says}
        </Text>
        <Box
          display="none"
          _groupHover={{ display: 'block' }}
          _groupFocusVisible={{ display: 'block' }}
          position="absolute"
          inset={0}
          pointerEvents="none"
        >
          <Brackets />
        </Box>
      </GoLink>
    </Box>
  )
}

const COMPUTING = { sign: '…', color: 'soft', word: 'being computed' }

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
