'use client'

import { Box, Flex, Text } from '@chakra-ui/react'
import { PanelRightClose, PanelRightOpen } from 'lucide-react'
import dynamic from 'next/dynamic'
import { Suspense, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { Device } from '@/core/job'
import { bundlesOf, ledOn } from '@/core/pathway'
import {
  camerasOn,
  imagerOf,
  judgeSurvey,
  settingOf,
  SIGHT_LIMITS,
  surveyRequest,
  whoSees,
} from '@/core/sight'
import type { Room } from '@/drawings/plan'
import { useAssessed, useCatalogue } from '../job/JobProvider'
import { useLed } from '../job/cables'
import { fetchCharts } from '../kit/Chart'
import { useWide } from '../kit/wide'
import { Ask } from './Ask'
import { EDGES, FROM_BELOW } from './edges'
import { useEditor } from './editor'
import { Foot, type Open } from './Foot'
import { FromBelow } from './FromBelow'
import { IconPress } from './IconPress'
import { useLayers } from './layers'
import { LayersPanel } from './LayersPanel'
import { Legend } from './Legend'
import { Panel } from './Panel'
import { PlanMenu } from './PlanMenu'
import { Rail } from './Rail'
import { Sheet } from './Sheet'
import { ToolHelp } from './ToolHelp'
import { SurveyBar } from './SurveyBar'
import { sunWords } from './sunWords'
import { TopLine } from './TopLine'
import { useSun } from './useSun'
import type { Eye } from './usePlanView'
import { useSurvey, warm } from './worker'

/** Fetches the sheet; without signal since the job was opened, what stands in its place says so. */
const fetchSheet = () =>
  import('./PlanCanvas').then(
    (module) => module.PlanCanvas,
    () => NotHere,
  )

const PlanCanvas = dynamic(fetchSheet, {
  ssr: false,
  loading: () => (
    <Text p={4} pt={16} color="soft">
      Laying out the plan…
    </Text>
  ),
})

/** Fetches what the plan and the charts want while there is signal, so that it is there without. */
export const equip = (): void =>
  void fetchSheet()
    .then(warm)
    .then(fetchCharts)
    .catch(() => undefined) // whoever wants a chart then says that it is not here

/** What is fitted into the sheet keeps so far from its edges: north and the scale stand there. */
const ROOM: { readonly wide: Room; readonly narrow: Room } = {
  wide: { side: 28, top: 30, bottom: 44 },
  narrow: { side: 12, top: 24, bottom: 44 },
}

const marksById = (devices: readonly Device[]) => new Map(devices.map(({ id, mark }) => [id, mark]))

const edgesOf = (wide: boolean, covered: boolean) => {
  const { above, below } = wide ? EDGES.wide : EDGES.narrow
  const lifted = covered && !wide ? `calc(${FROM_BELOW} + ${below}px)` : `${below}px`
  return { above: `${above}px`, below: lifted }
}

/**
 * The site drawing: what stands where, what every camera sees of it, and who sees the point one asks about.
 * Opens with `deviceId` selected, when the job has it.
 */
export function PlanPage({ deviceId }: { deviceId: string | null }) {
  const catalogue = useCatalogue()
  const assessment = useAssessed()
  const editor = useEditor(deviceId)
  const { job, floor } = editor
  const wide = useWide() ?? true
  const { layers, show } = useLayers()
  const planeM = layers.faces ? SIGHT_LIMITS.faceHeightM.value : 0
  const [folded, fold] = useState(false)
  const [open, setOpen] = useState<Open>(null)
  const [pinned, setPinned] = useState<PlanPoint | null>(null)
  const [pointed, setPointed] = useState<PlanPoint | null>(null)
  const [scaling, setScaling] = useState<readonly [PlanPoint, PlanPoint] | null>(null)
  const [walkAt, setWalkAt] = useState<PlanPoint | null>(null)
  const lengthField = useRef<HTMLInputElement>(null)
  const eye = useRef<Eye | null>(null)
  const onEye = useCallback((next: Eye) => {
    eye.current = next
  }, [])

  const { things, floorHeightsM, backgrounds, devices, policies } = job
  const request = useMemo(
    () => surveyRequest({ things, floorHeightsM, backgrounds, devices, policies }, catalogue, floor, planeM),
    [things, floorHeightsM, backgrounds, devices, policies, catalogue, floor, planeM],
  )
  const { result: surveyed, of: surveyedOf, howFar, failed } = useSurvey(request)
  const survey = surveyed?.floor === floor ? surveyed : null
  const verdict = useMemo(() => survey && judgeSurvey(survey, job.units), [survey, job.units])
  const cameras = useMemo(
    () => camerasOn({ things, floorHeightsM, devices }, catalogue, floor),
    [things, floorHeightsM, devices, catalogue, floor],
  )
  // Fields and lists follow a hand when it lets them; what is said there is never said of what was.
  const later = useDeferredValue(editor)
  const beside = editor.trying ? later : editor
  const setting = useMemo(() => settingOf({ things, floorHeightsM }, floor), [things, floorHeightsM, floor])
  const led = useLed(beside.job)
  const cables = ledOn(led, catalogue)
  const bundles = useMemo(
    () => bundlesOf(cables.flatMap(({ found }) => ('way' in found ? [found.way] : []))),
    [cables],
  )
  const sun = useSun(layers.sun, job.site, cameras, setting)
  // A hand that only passes over is not held up by the answer.
  const passed = useDeferredValue(pointed)
  const at = pointed === pinned ? pinned : (passed ?? pinned)
  const asked = useMemo(
    () => at && whoSees(at, planeM, cameras, setting, policies.edition),
    [at, planeM, cameras, setting, policies.edition],
  )

  const assessedOf = useCallback(
    (id: string) => assessment.devices.find(({ deviceId }) => deviceId === id),
    [assessment],
  )
  const sightOf = useCallback(
    (device: Device) => device.sight ?? assessedOf(device.id)?.stages?.sight.input ?? null,
    [assessedOf],
  )
  const halfFov = useCallback(
    (device: Device) => {
      const camera = catalogue.cameras.get(device.cameraId)
      return camera && device.sight
        ? imagerOf(camera, device.sight.focalMm, device.sight.portrait).horizontalFovDeg / 2
        : 30
    },
    [catalogue],
  )
  const markOf = useCallback(
    (id: string) => {
      const mark = assessedOf(id)?.stages?.sight.mark
      return mark === 'stop' || mark === 'check' ? mark : 'good'
    },
    [assessedOf],
  )
  const faults = useMemo(() => {
    const counts = new Map<string, number>()
    for (const { deviceId, state } of job.faults)
      if (deviceId && state !== 'closed') counts.set(deviceId, (counts.get(deviceId) ?? 0) + 1)
    return counts
  }, [job.faults])
  const onAsk = useCallback((point: PlanPoint, pin: boolean) => {
    setPointed(point)
    if (pin) setPinned(point)
  }, [])
  const onScale = useCallback(
    (from: PlanPoint, to: PlanPoint) => {
      setScaling([from, to])
      editor.setTool({ does: 'select' })
      fold(false)
      setOpen('panel')
    },
    [editor],
  )
  const onScaled = useCallback(() => setScaling(null), [])
  const onBlindSpot = useCallback(
    (middle: PlanPoint) => {
      show({ seen: 'blind' })
      onAsk(middle, true)
    },
    [show, onAsk],
  )
  const toggle = (what: Exclude<Open, null>) => setOpen((now) => (now === what ? null : what))
  const sentence =
    verdict?.sentence ?? (failed ? 'The survey failed; the plan is safe.' : 'Looking through every camera…')

  const panel = (
    <Panel
      editor={beside}
      assessment={assessment}
      layers={layers}
      survey={survey}
      settled={surveyedOf === request}
      verdict={verdict}
      cameras={cameras}
      scaling={scaling}
      onScaled={onScaled}
      led={led}
      cables={cables}
      onWalk={setWalkAt}
      onBlindSpot={onBlindSpot}
    />
  )
  const layersPanel = <LayersPanel layers={layers} show={show} />
  return (
    <Flex position="absolute" inset={0} minH="420px">
      <Rail editor={editor} />
      <Box position="relative" flex="1" minW={0}>
        <PlanMenu editor={editor} at={pointed}>
          <Sheet
            edges={edgesOf(wide, open !== null)}
            keyboard={{
              editor,
              pinned,
              setPinned: (point) => onAsk(point, true),
              lengthField,
              eye,
              toggleLayers: () => toggle('layers'),
            }}
          >
            {(width, height) => (
              <PlanCanvas
                editor={editor}
                width={width}
                height={height}
                room={wide ? ROOM.wide : ROOM.narrow}
                onEye={onEye}
                survey={survey}
                layers={layers}
                sun={sun}
                planeM={planeM}
                setting={setting}
                cameras={cameras}
                sightOf={sightOf}
                halfFov={halfFov}
                verdict={markOf}
                faults={faults}
                asked={pinned}
                onAsk={onAsk}
                onScale={onScale}
                walkAt={walkAt}
                bundles={bundles}
              />
            )}
          </Sheet>
        </PlanMenu>
        <Box position="absolute" top={0} insetX={0} maxH="100%" overflowY="auto">
          <TopLine
            editor={editor}
            sentence={sentence}
            next={verdict?.next}
            end={
              wide ? (
                <IconPress
                  name={folded ? 'Unfold the panel' : 'Fold the panel away'}
                  icon={folded ? PanelRightOpen : PanelRightClose}
                  aria-expanded={!folded}
                  onPress={() => fold(!folded)}
                />
              ) : null
            }
          />
          <ToolHelp editor={editor} lengthField={lengthField} />
          <SurveyBar howFar={howFar} />
        </Box>
        <Foot
          editor={editor}
          eye={eye}
          open={open}
          onOpen={toggle}
          ask={<Ask asked={asked} units={job.units} />}
          sun={layers.sun ? sunWords(sun, marksById(devices), job.units) : null}
          legend={wide ? <Legend seen={layers.seen} job={job} /> : null}
        />
        {open === 'layers' && wide ? (
          <Box
            position="absolute"
            right={2}
            bottom={`${EDGES.wide.below}px`}
            w="342px"
            maxH="calc(100% - 120px)"
            overflowY="auto"
            bg="sheet"
            borderWidth="1px"
            borderColor="ink"
            p={3}
          >
            {layersPanel}
          </Box>
        ) : null}
        {open !== null && !wide ? (
          <FromBelow onClose={() => setOpen(null)}>
            {open === 'layers' ? (
              <Box px={4} py={3}>
                {layersPanel}
                <Box mt={3}>
                  <Legend seen={layers.seen} job={job} />
                </Box>
              </Box>
            ) : (
              panel
            )}
          </FromBelow>
        ) : null}
      </Box>
      {wide && !folded ? (
        <Box
          as="aside"
          aria-label="On this plan"
          hideBelow="md"
          position="relative"
          w="324px"
          flexShrink={0}
          overflowY="auto"
          bg="sheet"
          borderLeftWidth="1px"
          borderColor="rule"
        >
          <Suspense>{panel}</Suspense>
        </Box>
      ) : null}
    </Flex>
  )
}

function NotHere() {
  return (
    <Text p={4} pt={16} role="alert" color="check">
      ▲ No signal: the plan’s sheet is not on this device yet. Everything else goes on; reload the page when
      the signal is back.
    </Text>
  )
}
