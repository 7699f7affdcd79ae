'use client'

import { Box, Button, Heading, Stack, Text } from '@chakra-ui/react'
import { memo, useEffect, useRef } from 'react'
import type { Assessment } from '@/core/assess'
import type { PlanPoint } from '@/core/geometry'
import { SPACES, type Job } from '@/core/job'
import type { CableWithPulls } from '@/core/pathway'
import { notLooking, type judgeSurvey, type Survey, type WalkCamera } from '@/core/sight'
import { print } from '@/core/units'
import { FindingList } from '../kit/Findings'
import { BackgroundPanel } from './BackgroundPanel'
import { CablePanel } from './CablePanel'
import { ConduitPanel } from './ConduitPanel'
import { ComparePlaces } from './ComparePlaces'
import { DeviceForm } from './DeviceForm'
import type { Editor } from './editor'
import { HeadEndSpots } from './HeadEndSpots'
import { LedHere } from './LedHere'
import { FloorsPanel } from './FloorsPanel'
import { Fold } from '../kit/Fold'
import { NotLooking } from './NotLooking'
import { OnIt } from './OnIt'
import type { Layers } from './layers'
import { PositionHelper } from './PositionHelper'
import { PrintPanel } from './PrintPanel'
import { SeveralPanel } from './SeveralPanel'
import { SitePanel } from './SitePanel'
import { TakeInPanel } from './TakeInPanel'
import { ThingForm } from './ThingForm'
import { WalkPanel } from './WalkPanel'
import { WayPanel } from './WayPanel'

interface PanelProps {
  readonly editor: Editor
  readonly assessment: Assessment
  readonly layers: Layers
  readonly survey: Survey | null
  /** Whether the survey is of how things stand now. */
  readonly settled: boolean
  readonly verdict: ReturnType<typeof judgeSurvey> | null
  readonly cameras: readonly WalkCamera[]
  readonly scaling: readonly [PlanPoint, PlanPoint] | null
  readonly onScaled: () => void
  /** The state of the job that the cables are of. */
  readonly led: Job
  readonly cables: readonly CableWithPulls[]
  readonly onWalk: (at: PlanPoint | null) => void
  readonly onBlindSpot: (middle: PlanPoint) => void
}

/** What is selected, what was promised, and everything that lies on the plan, as lists and fields. */
export const Panel = memo(function Panel(props: PanelProps) {
  const { editor, assessment, layers, survey, verdict, cameras, scaling } = props
  const { job, selected, selection } = editor
  const top = useRef<HTMLDivElement>(null)
  useEffect(() => {
    top.current?.parentElement?.scrollTo({ top: 0 })
  }, [selection])
  const thing = selection?.is === 'thing' ? (job.things.find(({ id }) => id === selection.id) ?? null) : null
  const device =
    selection?.is === 'device' ? (job.devices.find(({ id }) => id === selection.id) ?? null) : null
  const assessed = device && assessment.devices.find(({ deviceId }) => deviceId === device.id)
  const promised = (device ? [] : (verdict?.findings ?? [])).filter(
    ({ id }) => !thing || id.endsWith(`:${thing.id}`),
  )
  const stillLooking =
    props.led === job ? null : (
      <Text role="status" color="soft">
        As it was before the last change: ways are being looked for.
      </Text>
    )
  const drawn = job.things.some(({ kind }) => kind === 'pathway')
  return (
    <Stack gap={4} ref={top} px={4} py={3}>
      {selected.length > 1 ? <SeveralPanel editor={editor} /> : null}
      {thing ? <ThingForm key={thing.id} thing={thing} editor={editor} /> : null}
      {thing?.kind === 'pathway' && SPACES[thing.space].sized ? (
        <Box>
          <Heading as="h2" fontSize="md" mb={1}>
            What lies in it
          </Heading>
          {stillLooking}
          <ConduitPanel pathway={thing} led={props.led} cables={props.cables} editor={editor} />
        </Box>
      ) : null}
      {thing?.kind === 'equipment' ? (
        <Box>
          <Heading as="h2" fontSize="md" mb={1}>
            Cables that end at it
          </Heading>
          <LedHere
            thingId={thing.id}
            equipmentId={thing.equipmentId}
            cables={props.cables}
            units={job.units}
          />
        </Box>
      ) : null}
      {thing?.kind === 'walk' ? (
        <WalkPanel thing={thing} job={job} cameras={cameras} onAt={props.onWalk} />
      ) : null}
      {thing?.kind === 'area' ? (
        <Fold title="Where could a camera stand?">
          <PositionHelper key={thing.id} area={thing} editor={editor} assessed={assessment.devices} />
        </Fold>
      ) : null}
      {device && assessed ? (
        <DeviceForm key={device.id} device={device} assessed={assessed} editor={editor} />
      ) : null}
      {device && assessed && drawn ? (
        <Fold title="The way of its cable">
          <WayPanel device={device} assessed={assessed} editor={editor} />
        </Fold>
      ) : null}
      {device && assessed ? (
        <Fold title="Compare two places">
          <ComparePlaces
            device={device}
            assessed={assessed}
            survey={survey}
            settled={props.settled && !editor.trying}
            editor={editor}
          />
        </Fold>
      ) : null}
      {promised.length > 0 ? (
        <Box>
          <Heading as="h2" fontSize="md" mb={1}>
            What was promised
          </Heading>
          <FindingList findings={promised} units={job.units} />
          {thing ? null : <NotLooking apart={notLooking(job, editor.floor)} />}
        </Box>
      ) : null}
      <Box>
        {survey && survey.blindSpots.length > 0 && selected.length === 0 ? (
          <Fold title={`Blind spots: ${survey.blindSpots.length}`}>
            {survey.blindSpots.slice(0, 12).map(({ sizeM2, middle }, i) => (
              <Button
                key={i}
                display="flex"
                w="100%"
                data-row
                justifyContent="space-between"
                minH="44px"
                variant="ghost"
                colorPalette="inky"
                onClick={() => props.onBlindSpot(middle)}
              >
                <span>{i + 1}</span>
                <span className="figures">{print({ value: sizeM2, kind: 'ground' }, job.units)}</span>
              </Button>
            ))}
          </Fold>
        ) : null}
        <OnIt editor={editor} />
        {drawn ? (
          <Fold title="Ways of all cables">
            {stillLooking}
            <CablePanel cables={props.cables} led={props.led} />
          </Fold>
        ) : null}
        {drawn ? (
          <Fold title="Where else could the head end be?">
            <HeadEndSpots editor={editor} />
          </Fold>
        ) : null}
        <Fold title="Print and hand over">
          <PrintPanel editor={editor} layers={layers} />
        </Fold>
        <Fold title="Take in from a file">
          <TakeInPanel editor={editor} />
        </Fold>
        <Fold title="Drawing under it">
          <BackgroundPanel editor={editor} scaling={scaling} onScaled={props.onScaled} />
        </Fold>
        <Fold title="How high the floors lie">
          <FloorsPanel editor={editor} />
        </Fold>
        <Fold title="Where it lies">
          <SitePanel editor={editor} />
        </Fold>
      </Box>
    </Stack>
  )
})
