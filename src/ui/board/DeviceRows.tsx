'use client'

import { Box, Grid, HStack, Table, Text, VisuallyHidden } from '@chakra-ui/react'
import { memo } from 'react'
import type { DeviceAssessment, Mark } from '@/core/assess'
import { PLANNED_STAGES, worstOf, type PlannedStage } from '@/core/findings'
import type { State } from '@/core/job'
import { STAGE_TABLE } from '@/core/stages'
import { printReading, type UnitSystem } from '@/core/units'
import { go, GoLink } from '../kit/go'
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

/** Devices down, stages across; on a phone a block each. Both are there until the width is known. */
export function DeviceRows(props: ListProps) {
  const wide = useWide()
  return (
    <>
      {wide === false ? null : <Wide {...props} />}
      {wide ? null : <Narrow {...props} />}
    </>
  )
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
        <HStack asChild gap={2.5} minH="48px" data-row>
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
      <HStack asChild gap={2.5} minH="48px" data-row fontWeight={600}>
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
      minH="48px"
      data-row
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
