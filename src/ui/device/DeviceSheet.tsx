'use client'

import { Box, Button, Grid, HStack, IconButton, Stack, Text } from '@chakra-ui/react'
import { PanelLeftClose, PanelLeftOpen } from 'lucide-react'
import { memo, useRef, useState } from 'react'
import type { DeviceAssessment, Mark } from '@/core/assess'
import { PLANNED_STAGES, worstOf, type Finding, type PlannedStage } from '@/core/findings'
import { STAGE_TABLE } from '@/core/stages'
import type { Device } from '@/core/job'
import { InstallLog } from '../log/InstallLog'
import { useAssessed, useDevice, useJob } from '../job/JobProvider'
import { useDraft } from '../kit/draft'
import { unread } from '../kit/unread'
import { go, GoLink, intoView } from '../kit/go'
import { refusal } from '../kit/LineField'
import { FigureList, FindingList, FindingNote, Judged } from '../kit/Findings'
import { Beside, Nothing, Sentence } from '../kit/Page'
import { MARKS } from '../kit/Verdict'
import { DevicePage } from './DevicePage'
import { planChange } from './plan'
import { SHEETS } from './sheets'
import { TABS, type Tab } from './tabs'

const title = (tab: Tab) => tab[0]!.toUpperCase() + tab.slice(1)

/** One device: its parts, a sheet a stage, its install log. */
export function DeviceSheet({ deviceId, tab }: { deviceId: string; tab: Tab }) {
  const { job } = useJob()
  const assessment = useAssessed()
  const found = useDevice(deviceId)
  const home = `/jobs/${job.id}`
  const [folded, fold] = useDraft('devices-folded')
  if (!found) {
    return (
      <Box p={5}>
        <Nothing
          action={
            <Button asChild>
              <GoLink href={home}>To the board</GoLink>
            </Button>
          }
        >
          There is no device here with this address. It may have been taken out.
        </Nothing>
      </Box>
    )
  }
  const { device, assessed } = found
  const marks: Partial<Record<Tab, Mark>> = assessed.pending ? {} : { log: assessed.log.mark }
  if (!assessed.pending)
    for (const stage of PLANNED_STAGES) marks[stage] = assessed.stages?.[stage]?.mark ?? 'not planned'
  return (
    <Grid
      templateColumns={{
        base: 'minmax(0,1fr)',
        lg: folded === null ? '184px minmax(0, 1fr)' : '52px minmax(0, 1fr)',
      }}
      minH="calc(100vh - 60px)"
    >
      <Box
        as="nav"
        aria-label="Devices"
        className="no-print"
        display={{ base: 'none', lg: 'block' }}
        borderRightWidth="1px"
        borderColor="rule"
        py={1}
      >
        <IconButton
          aria-label={folded === null ? 'Fold the list of devices away' : 'Show the list of devices'}
          variant="ghost"
          colorPalette="inky"
          minW="44px"
          minH="44px"
          mx={1}
          onClick={() => fold(folded === null ? 'folded' : null)}
        >
          {folded === null ? <PanelLeftClose size={18} /> : <PanelLeftOpen size={18} />}
        </IconButton>
        {nearby(assessment.devices, deviceId).map((one) => {
          const current = one.deviceId === deviceId
          return (
            <Box
              key={one.deviceId}
              asChild
              display="flex"
              gap={2.5}
              px={3.5}
              py={2}
              bg={current ? 'inky.solid' : undefined}
              color={current ? 'inky.contrast' : undefined}
              _hover={current ? {} : { bg: 'sheet' }}
            >
              <GoLink
                href={`${home}/devices/${one.deviceId}/${tab}`}
                title={`${one.mark} ${one.name}`}
                aria-current={current ? 'page' : undefined}
              >
                <Text as="span" fontFamily="mono" fontSize="sm">
                  {one.mark}
                </Text>
                {folded === null ? (
                  <Text as="span" truncate>
                    {one.name}
                  </Text>
                ) : null}
              </GoLink>
            </Box>
          )
        })}
      </Box>
      <Box minW={0}>
        <HStack
          px={{ base: 3, md: 5 }}
          pt={2}
          gap={2}
          justify="space-between"
          display={{ base: 'flex', lg: 'none' }}
        >
          <Text fontWeight={600} truncate>
            <Text as="span" fontFamily="mono" fontSize="sm">
              {device.mark}
            </Text>{' '}
            {device.name}
          </Text>
        </HStack>
        <HStack
          as="nav"
          aria-label="Stages"
          gap={0}
          px={{ base: 1, md: 5 }}
          pt={{ base: 0, md: 2 }}
          borderBottomWidth="1.5px"
          borderColor="ink"
          overflowX="auto"
        >
          {TABS.map((name) => {
            const current = name === tab
            const mark = marks[name]
            const number = PLANNED_STAGES.indexOf(name as PlannedStage) + 1
            return (
              <Box
                key={name}
                asChild
                px={3}
                minH="44px"
                display="flex"
                alignItems="center"
                gap={1.5}
                whiteSpace="nowrap"
                fontWeight={current ? 600 : 400}
                mb="-1.5px"
                borderWidth="1.5px"
                borderColor={current ? 'ink' : 'transparent'}
                borderBottomColor={current ? 'sheet' : 'transparent'}
                bg={current ? 'sheet' : undefined}
                color={current ? 'ink' : 'soft'}
              >
                <GoLink
                  href={`${home}/devices/${deviceId}/${name}`}
                  title={name in STAGE_TABLE ? STAGE_TABLE[name as PlannedStage].question : undefined}
                  aria-current={current ? 'page' : undefined}
                  ref={current ? intoView : undefined}
                >
                  {number > 0 ? (
                    <Text as="span" fontSize="sm">
                      {number}
                    </Text>
                  ) : null}
                  {title(name)}
                  {mark ? (
                    <Text as="span" color={MARKS[mark].color} aria-label={MARKS[mark].word} role="img">
                      {MARKS[mark].sign}
                    </Text>
                  ) : null}
                </GoLink>
              </Box>
            )
          })}
        </HStack>
        <Body device={device} assessed={assessed} tab={tab} />
      </Box>
    </Grid>
  )
}

/** What is shown of the device: drawn again only when something of it has changed. */
const Body = memo(function Body({
  device,
  assessed,
  tab,
}: {
  device: Device
  assessed: DeviceAssessment
  tab: Tab
}) {
  if (tab === 'device') return <DevicePage device={device} assessed={assessed} />
  if (assessed.stages === null)
    return (
      <Box p={5}>
        <Sentence>{assessed.sentence}</Sentence>
      </Box>
    )
  if (tab === 'log') return <DeviceLog device={device} assessed={assessed} />
  if (device.state === 'taken away') return <TakenAway device={device} />
  return <StagePage key={`${device.id}:${tab}`} device={device} assessed={assessed} stage={tab} />
})

function DeviceLog({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job } = useJob()
  const home = `/jobs/${job.id}/devices/${device.id}`
  const record = `/jobs/${job.id}/record/${device.id}`
  return <InstallLog device={device} assessed={assessed} home={home} plan={`${home}/sight`} record={record} />
}

/** What goes is not planned: its log says how. */
function TakenAway({ device }: { device: Device }) {
  const { job } = useJob()
  return (
    <Box p={5}>
      <Nothing
        action={
          <Button asChild minH="44px" colorPalette="copper">
            <GoLink href={`/jobs/${job.id}/devices/${device.id}/log`}>To its log</GoLink>
          </Button>
        }
      >
        It was there and is taken away: nothing is planned of it, and nothing judged.
      </Nothing>
    </Box>
  )
}

function StagePage({
  device,
  assessed,
  stage,
}: {
  device: Device
  assessed: DeviceAssessment
  stage: PlannedStage
}) {
  const { job, send } = useJob()
  const sheet = useRef<HTMLDivElement>(null)
  const [error, setError] = useState<string | null>(null)
  const state = assessed.stages?.[stage] ?? null
  if (!state) {
    return (
      <Box p={5}>
        <Nothing
          action={
            <Button asChild minH="44px">
              <GoLink href={`/jobs/${job.id}/equipment`}>To the equipment</GoLink>
            </Button>
          }
        >
          No equipment of this job can feed this camera. Add a switch, injector or supply.
        </Nothing>
      </Box>
    )
  }
  const Sheet = SHEETS[stage]
  const worst = worstOf(state.result.findings)
  const next = PLANNED_STAGES[PLANNED_STAGES.indexOf(stage) + 1]
  const nextHref = `/jobs/${job.id}/devices/${device.id}/${next ?? 'log'}`
  const raise = (finding: Finding) =>
    go(`/jobs/${job.id}/punch-list/new?device=${device.id}&finding=${encodeURIComponent(finding.id)}`)
  const keepAndGo = async () => {
    const wrong = unread(sheet.current)
    if (wrong) return setError(wrong)
    const said = state.planned
      ? ({ ok: true } as const)
      : await send(planChange(stage, device.id, state.input as never))
    if (said.ok) go(nextHref)
    else setError(refusal(said))
  }
  return (
    <Grid
      templateColumns={{ base: 'minmax(0, 1fr)', xl: 'minmax(0, 1fr) 296px' }}
      minH={{ xl: 'calc(100vh - 112px)' }}
    >
      <Box ref={sheet} px={{ base: 3, md: 5 }} pt={3} minW={0} onChange={() => setError(null)}>
        <Sentence
          next={
            state.planned
              ? undefined
              : 'Proposed start values: nothing is kept until you change one or keep them.'
          }
        >
          {sentenceOf(state.result.findings)}
        </Sentence>
        {worst ? (
          <Box as="ul" hideFrom="xl" mb={3}>
            <FindingNote finding={worst} units={job.units} />
          </Box>
        ) : null}
        <Sheet device={device} assessed={assessed} />
        <HStack
          className="no-print"
          data-foot
          mt={3}
          mx={{ base: -3, md: -5 }}
          px={{ base: 3, md: 5 }}
          py={2}
          gap={3}
          flexWrap="wrap"
          position="sticky"
          bottom={0}
          zIndex={4}
          bg="paper"
          borderTopWidth="1px"
          borderColor="rule"
        >
          {error ? (
            <Text role="alert" color="stop" w="100%">
              {error}
            </Text>
          ) : null}
          <Button colorPalette="copper" minH="48px" px={6} onClick={() => void keepAndGo()}>
            {state.planned ? `Next: ${title(next ?? 'log')}` : `Keep these, next: ${title(next ?? 'log')}`}
          </Button>
        </HStack>
      </Box>
      <Beside title={STAGE_TABLE[stage].heading}>
        <FigureList figures={state.result.figures} units={job.units} />
        <Stack mt={4}>
          <FindingList findings={state.result.findings} units={job.units} onRaise={raise} />
          <Judged judged={STAGE_TABLE[stage].judged} unjudged={state.unjudged} />
        </Stack>
      </Beside>
    </Grid>
  )
}

function sentenceOf(findings: readonly Finding[]): string {
  const worst = worstOf(findings)
  if (worst) return `${worst.title}. ${worst.advice}`
  return findings.length === 0 ? 'Nothing to object to, as far as it is judged.' : `${findings[0]!.title}.`
}

/**
 * Rows of the list of devices: of a long list the ones about the device that is open; find leads to the
 * rest.
 */
const MOST_LISTED = 100

function nearby(devices: readonly DeviceAssessment[], deviceId: string): readonly DeviceAssessment[] {
  if (devices.length <= MOST_LISTED) return devices
  const at = devices.findIndex((one) => one.deviceId === deviceId)
  const from = Math.min(Math.max(0, at - MOST_LISTED / 2), devices.length - MOST_LISTED)
  return devices.slice(from, from + MOST_LISTED)
}
