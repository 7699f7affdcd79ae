'use client'

import { Box, Button, Flex, Heading, HStack, Progress, Stack, Text } from '@chakra-ui/react'
import dynamic from 'next/dynamic'
import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { Device } from '@/core/job'
import {
  camerasOn,
  imagerOf,
  judgeSurvey,
  occludersOf,
  SIGHT_LIMITS,
  surveyRequest,
  whoSees,
} from '@/core/sight'
import { print } from '@/core/units'
import { useAssessed, useCatalogue } from '../job/JobProvider'
import { fetchCharts } from '../kit/Chart'
import { FindingList } from '../kit/Findings'
import { Sentence } from '../kit/Page'
import { Ask } from './Ask'
import { BackgroundPanel } from './BackgroundPanel'
import { DeviceForm } from './DeviceForm'
import { useEditor } from './editor'
import { Fold } from './Fold'
import { pressOn, type Keyboard } from './keys'
import { OnIt } from './OnIt'
import type { SurveyLayer } from './GroundLayer'
import { Legend } from './Legend'
import { PositionHelper } from './PositionHelper'
import { SitePanel } from './SitePanel'
import { ThingForm } from './ThingForm'
import { LayerChoice, ToolHelp, Tools } from './Tools'
import { WalkPanel } from './WalkPanel'
import { useSurvey, warm } from './worker'

const KEYS_OF_PLAN =
  'Site plan. Arrow keys move what is selected, or the point that is asked about; [ and ] turn a device; ' +
  'Delete removes; Ctrl Z undoes.'

/** Fetches the sheet; without signal since the job was opened, what stands in its place says so. */
const fetchSheet = () =>
  import('./PlanCanvas').then(
    (module) => module.PlanCanvas,
    () => NotHere,
  )

const PlanCanvas = dynamic(fetchSheet, {
  ssr: false,
  loading: () => (
    <Text p={4} color="soft">
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

/**
 * The site drawing: what stands where, what every camera sees of it, and who sees the point one asks about.
 * Opens with `deviceId` selected, when the job has it.
 */
export function PlanPage({ deviceId }: { deviceId: string | null }) {
  const catalogue = useCatalogue()
  const assessment = useAssessed()
  const editor = useEditor(deviceId)
  const { job, floor, selection } = editor
  const [layer, setLayer] = useState<SurveyLayer>('density')
  const [planeM, setPlane] = useState(0)
  const [pinned, setPinned] = useState<PlanPoint | null>(null)
  const [pointed, setPointed] = useState<PlanPoint | null>(null)
  const [scaling, setScaling] = useState<readonly [PlanPoint, PlanPoint] | null>(null)
  const [walkAt, setWalkAt] = useState<PlanPoint | null>(null)
  const lengthField = useRef<HTMLInputElement>(null)
  const aside = useRef<HTMLDivElement>(null)
  useEffect(() => {
    aside.current?.scrollTo({ top: 0 })
  }, [selection])

  const { things, backgrounds, devices, policies } = job
  const request = useMemo(
    () => surveyRequest({ things, backgrounds, devices, policies }, catalogue, floor, planeM),
    [things, backgrounds, devices, policies, catalogue, floor, planeM],
  )
  const { result: surveyed, progress, failed } = useSurvey(request)
  const survey = surveyed?.floor === floor ? surveyed : null
  const verdict = useMemo(() => survey && judgeSurvey(survey, job.units), [survey, job.units])
  const cameras = useMemo(() => camerasOn(devices, catalogue, floor), [devices, catalogue, floor])
  const at = pointed ?? pinned
  const asked = useMemo(
    () => at && whoSees(at, planeM, cameras, occludersOf(things, floor), policies.edition),
    [at, planeM, cameras, things, floor, policies.edition],
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
  const onAsk = useCallback((point: PlanPoint, pin: boolean) => {
    setPointed(point)
    if (pin) setPinned(point)
  }, [])
  const onScale = useCallback(
    (from: PlanPoint, to: PlanPoint) => {
      setScaling([from, to])
      editor.setTool({ does: 'select' })
    },
    [editor],
  )

  const thing = selection?.is === 'thing' ? (things.find(({ id }) => id === selection.id) ?? null) : null
  const device = selection?.is === 'device' ? (devices.find(({ id }) => id === selection.id) ?? null) : null
  const assessed = device && assessedOf(device.id)
  const promised = (device ? [] : (verdict?.findings ?? [])).filter(
    ({ id }) => !thing || id.endsWith(`:${thing.id}`),
  )
  const walked = thing?.kind === 'walk' ? thing : null
  return (
    <Flex direction={{ base: 'column', xl: 'row' }} align="stretch">
      <Box flex="1" minW="0" px={{ base: 2, md: 4 }} py={3}>
        <Sentence next={verdict?.next}>
          {verdict?.sentence ??
            (failed ? 'The survey failed; the plan is safe.' : 'Looking through every camera…')}
        </Sentence>
        <Tools editor={editor} />
        <ToolHelp editor={editor} lengthField={lengthField} />
        <Sheet keyboard={{ editor, pinned, setPinned: (point) => onAsk(point, true), lengthField }}>
          {(width, height) => (
            <PlanCanvas
              editor={editor}
              width={width}
              height={height}
              survey={survey}
              layer={layer}
              planeM={planeM}
              cameras={cameras}
              sightOf={sightOf}
              halfFov={halfFov}
              verdict={markOf}
              asked={pinned}
              onAsk={onAsk}
              onScale={onScale}
              walkAt={walkAt}
            />
          )}
        </Sheet>
        <Box minH="4px">
          {progress === null ? null : (
            <Progress.Root value={Math.round(progress * 100)} size="xs" aria-label="Surveying">
              <Progress.Track h="3px">
                <Progress.Range bg="copper.solid" />
              </Progress.Track>
            </Progress.Root>
          )}
        </Box>
        <Ask asked={asked} units={job.units} />
        <HStack mt={2} gap={4} flexWrap="wrap" justify="space-between">
          <LayerChoice
            layer={layer}
            onLayer={setLayer}
            planeM={planeM}
            faceM={SIGHT_LIMITS.faceHeightM.value}
            onPlane={setPlane}
          />
          <Legend layer={layer} job={job} />
        </HStack>
        {walked ? <WalkPanel thing={walked} job={job} cameras={cameras} onAt={setWalkAt} /> : null}
      </Box>
      <Box
        as="aside"
        aria-label="On this plan"
        w={{ base: '100%', xl: '330px' }}
        ref={aside}
        flexShrink={0}
        position={{ xl: 'sticky' }}
        top={0}
        alignSelf={{ xl: 'flex-start' }}
        h={{ xl: '100vh' }}
        overflowY={{ xl: 'auto' }}
        bg="sheet"
        borderLeftWidth={{ xl: '1px' }}
        borderTopWidth={{ base: '1px', xl: 0 }}
        borderColor="rule"
        px={4}
        py={3}
      >
        <Stack gap={4}>
          {thing ? <ThingForm key={thing.id} thing={thing} editor={editor} /> : null}
          {thing?.kind === 'area' ? (
            <Fold title="Where could a camera stand?">
              <PositionHelper key={thing.id} area={thing} editor={editor} assessed={assessment.devices} />
            </Fold>
          ) : null}
          {device && assessed ? (
            <DeviceForm key={device.id} device={device} assessed={assessed} editor={editor} />
          ) : null}
          {promised.length > 0 ? (
            <Box>
              <Heading as="h2" fontSize="md" mb={1}>
                What was promised
              </Heading>
              <FindingList findings={promised} units={job.units} />
            </Box>
          ) : null}
          <Box>
            {survey && survey.blindSpots.length > 0 && !selection ? (
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
                    onClick={() => {
                      setLayer('blind')
                      onAsk(middle, true)
                    }}
                  >
                    <span>{i + 1}</span>
                    <span className="figures">{print({ value: sizeM2, kind: 'ground' }, job.units)}</span>
                  </Button>
                ))}
              </Fold>
            ) : null}
            <OnIt editor={editor} />
            <Fold title="Drawing under it">
              <BackgroundPanel editor={editor} scaling={scaling} onScaled={() => setScaling(null)} />
            </Fold>
            <Fold title="Where it lies">
              <SitePanel editor={editor} />
            </Fold>
          </Box>
        </Stack>
      </Box>
    </Flex>
  )
}

interface SheetProps {
  readonly keyboard: Keyboard
  readonly children: (width: number, height: number) => ReactNode
}

/**
 * The sheet the plan lies on: as wide as there is room, with the keyboard's way of doing what a hand does.
 */
function Sheet({ keyboard, children }: SheetProps) {
  const box = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState<readonly [number, number]>([0, 0])
  useEffect(() => {
    if (!box.current) return
    const watch = new ResizeObserver(([entry]) => {
      const width = Math.floor(entry!.contentRect.width)
      setSize([
        width,
        Math.round(
          Math.max(
            width < 600 ? window.innerHeight * 0.5 : 320,
            Math.min(window.innerHeight * 0.55, width * 0.8),
          ),
        ),
      ])
    })
    watch.observe(box.current)
    return () => watch.disconnect()
  }, [])

  return (
    <Box
      ref={box}
      mt={1}
      bg="sheet"
      borderWidth="1px"
      borderColor="ink"
      overflow="hidden"
      data-testid="plan"
      tabIndex={0}
      role="application"
      aria-label={KEYS_OF_PLAN}
      onKeyDown={(event) => pressOn(keyboard, event)}
      _focusVisible={{ outline: '2px solid', outlineColor: 'copper.fg' }}
    >
      {size[0] > 0 ? children(...size) : <Box h="320px" />}
    </Box>
  )
}

function NotHere() {
  return (
    <Text p={4} role="alert" color="check">
      ▲ No signal: the plan’s sheet is not on this device yet. Everything else goes on; reload the page when
      the signal is back.
    </Text>
  )
}
