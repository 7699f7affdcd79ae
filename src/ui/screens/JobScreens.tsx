'use client'

import { Box, Progress } from '@chakra-ui/react'
import { useSearchParams } from 'next/navigation'
import { useEffect, useState, type ReactNode } from 'react'
import { Board } from '../board/Board'
import { AddDevice } from '../device/AddDevice'
import { DeviceSheet } from '../device/DeviceSheet'
import type { Tab } from '../device/tabs'
import { AddEquipment } from '../equipment/AddEquipment'
import { EquipmentPage } from '../equipment/EquipmentPage'
import { EquipmentLog, EquipmentSheet } from '../equipment/EquipmentSheet'
import { HandOver, OneRecord } from '../handover/HandOver'
import { useAssessed, useJob } from '../job/JobProvider'
import { RememberScreen } from '../kept/RememberScreen'
import { useWay } from '../kit/go'
import { Missing } from '../kit/Missing'
import { Sentence } from '../kit/Page'
import { LabelsPage } from '../labels/LabelsPage'
import { PartForm } from '../parts/PartForm'
import { OnePart, PartsPage } from '../parts/PartsPage'
import { equip, PlanPage } from '../plan/PlanPage'
import { PullSheetPage } from '../pull/PullSheetPage'
import { FaultPage } from '../punch/FaultPage'
import { NewFault } from '../punch/NewFault'
import { PunchList } from '../punch/PunchList'
import { JobSettings } from '../settings/JobSettings'
import { RoundPage } from '../round/RoundPage'
import { AddRun } from '../runs/AddRun'
import { RunLog, RunSheet } from '../runs/RunSheet'
import { screenAt, titleOf, type Screen, type ScreenName } from './address'

const SHOWS: Record<ScreenName, (words: Screen['words'], query: URLSearchParams) => ReactNode> = {
  'board': () => <Board />,
  'add': () => <AddDevice />,
  'plan': (_, query) => <PlanPage key={query.get('device')} deviceId={query.get('device')} />,
  'device': ({ device, tab }) => <DeviceSheet deviceId={device!} tab={tab as Tab} />,
  'equipment': () => <EquipmentPage />,
  'add equipment': () => <AddEquipment />,
  'equipment log': ({ device }) => <EquipmentLog key={device} equipmentId={device!} />,
  'one piece': ({ device }) => <EquipmentSheet key={device} equipmentId={device!} />,
  'add run': () => <AddRun />,
  'run log': ({ device }) => <RunLog key={device} runId={device!} />,
  'one run': ({ device }) => <RunSheet key={device} runId={device!} />,
  'parts': () => <PartsPage />,
  'new part': () => <PartForm held={null} />,
  'own part': ({ part }) => <OnePart partId={part!} />,
  'round': () => <RoundPage />,
  'pull sheet': () => <PullSheetPage />,
  'labels': () => <LabelsPage />,
  'punch list': () => <PunchList />,
  'new fault': () => <NewFault />,
  'fault': ({ fault }) => <FaultPage key={fault} faultId={fault!} />,
  'hand-over': () => <HandOver />,
  'record': ({ device }) => <OneRecord deviceId={device!} />,
  'job': () => <JobSettings />,
}

/**
 * The screen of a job that the address names. All of them are in the page already: going from one to
 * another asks nobody. `kept`: opened out of what is on this device.
 */
export function JobScreens({ kept = false }: { kept?: boolean }) {
  const { job } = useJob()
  const screen = screenAt(useWay(job.id))
  const query = useSearchParams()
  const title = screen ? titleOf(screen, job) : 'Nothing at this address'
  useEffect(() => {
    document.title = `${title} · Neat Bracket`
  }, [title])
  // What other screens want later is fetched while there is signal.
  useEffect(() => {
    equip()
  }, [])
  if (!screen) return <Missing />
  const shown = SHOWS[screen.name](screen.words, new URLSearchParams(query))
  const early = SHOWN_EARLY.has(screen.name)
  return (
    <>
      {early ? shown : <AddsUp key={screen.name}>{shown}</AddsUp>}
      <RememberScreen
        title={title}
        query={query.toString()}
        device={screen.words.device}
        early={early}
        kept={kept}
      />
    </>
  )
}

/**
 * A screen that adds all devices up: while some are being computed it is not shown. Once it has been open it
 * is only hidden meanwhile, so that what is typed there stays.
 */
function AddsUp({ children }: { children: ReactNode }) {
  const pending = useAssessed().counts.pending > 0
  const [opened, open] = useState(!pending)
  if (!pending && !opened) open(true)
  return (
    <>
      {pending ? <Computing /> : null}
      {opened ? <Box hidden={pending}>{children}</Box> : null}
    </>
  )
}

/** What shows one device at a time, or what is not computed. The rest adds devices up: it waits for all. */
const SHOWN_EARLY: ReadonlySet<ScreenName> = new Set([
  'board',
  'add',
  'device',
  'plan',
  'equipment',
  'add equipment',
  'equipment log',
  'one piece',
  'add run',
  'run log',
  'one run',
  'labels',
  'parts',
  'new part',
  'own part',
])

/** How far the computing of a large job is. */
function Computing() {
  const { sentence, counts } = useAssessed()
  return (
    <Box p={5} maxW="560px" role="status">
      <Sentence next="This screen adds all devices up, so it waits for the last.">{sentence}</Sentence>
      <Progress.Root value={counts.devices - counts.pending} max={counts.devices} colorPalette="inky">
        <Progress.Track>
          <Progress.Range />
        </Progress.Track>
      </Progress.Root>
    </Box>
  )
}
