'use client'

import { Box, Button, Flex, Heading, HStack, Progress, Stack, Text } from '@chakra-ui/react'
import dynamic from 'next/dynamic'
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react'
import { CATALOGUE } from '@/catalogue'
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
import { useAssessed } from '../job/JobProvider'
import { fetchCharts } from '../kit/Chart'
import { FindingList } from '../kit/Findings'
import { Sentence } from '../kit/Page'
import { Ask } from './Ask'
import { BackgroundPanel } from './BackgroundPanel'
import { DeviceForm } from './DeviceForm'
import { useEditor, type Editor } from './editor'
import type { SurveyLayer } from './GroundLayer'
import { Legend } from './Legend'
import { PositionHelper } from './PositionHelper'
import { SitePanel } from './SitePanel'
import { ThingForm } from './ThingForm'
import { LayerChoice, ToolHelp, Tools } from './Tools'
import { WalkPanel } from './WalkPanel'
import { useSurvey, warm } from './worker'
import { moved, nameOf, wordOf } from '@/core/plan'

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
    () => surveyRequest({ things, backgrounds, devices, policies }, CATALOGUE, floor, planeM),
    [things, backgrounds, devices, policies, floor, planeM],
  )
  const { result: surveyed, progress, failed } = useSurvey(request)
  const survey = surveyed?.floor === floor ? surveyed : null
  const verdict = useMemo(() => survey && judgeSurvey(survey, job.units), [survey, job.units])
  const cameras = useMemo(() => camerasOn(devices, CATALOGUE, floor), [devices, floor])
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
  const halfFov = useCallback((device: Device) => {
    const camera = CATALOGUE.cameras.get(device.cameraId)
    return camera && device.sight
      ? imagerOf(camera, device.sight.focalMm, device.sight.portrait).horizontalFovDeg / 2
      : 30
  }, [])
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
        <Sheet
          editor={editor}
          pinned={pinned}
          setPinned={(point) => onAsk(point, true)}
          lengthField={lengthField}
        >
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

function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="details" borderTopWidth="1px" borderColor="rule" pt={1}>
      <Heading as="summary" fontSize="md" cursor="pointer" minH="44px" display="flex" alignItems="center">
        {title}
      </Heading>
      <Box pb={2}>{children}</Box>
    </Box>
  )
}

/** Everything on the floor as a list: the way to select without pointing. */
function OnIt({ editor: { job, floor, selection, select, setTool } }: { editor: Editor }) {
  const here = job.things.filter((thing) => thing.floor === floor)
  const off = job.devices.filter(({ sight }) => !sight?.place)
  const on = job.devices.filter(({ sight }) => sight?.place?.floor === floor)
  const row = (id: string, is: 'thing' | 'device', label: string, kind: string) => (
    <Button
      key={id}
      display="flex"
      w="100%"
      justifyContent="space-between"
      minH="44px"
      px={2}
      variant={selection?.id === id ? 'solid' : 'ghost'}
      colorPalette="inky"
      fontWeight={400}
      aria-pressed={selection?.id === id}
      onClick={() => {
        setTool({ does: 'select' })
        select(selection?.id === id ? null : { is, id })
      }}
    >
      <Text as="span" truncate>
        {label}
      </Text>
      <Text as="span" opacity={0.75} fontSize="sm">
        {kind}
      </Text>
    </Button>
  )
  return (
    <Box>
      <Fold title={`Devices: ${on.length} here${off.length > 0 ? `, ${off.length} not placed` : ''}`}>
        {on.map(({ id, mark, name }) => row(id, 'device', `${mark} ${name}`, ''))}
        {off.map(({ id, mark, name }) => (
          <HStack key={id} justify="space-between" px={2} minH="44px">
            <Text truncate>
              {mark} {name}
            </Text>
            <Button
              size="sm"
              minH="44px"
              variant="outline"
              colorPalette="inky"
              onClick={() => setTool({ does: 'place', deviceId: id })}
            >
              Place
            </Button>
          </HStack>
        ))}
      </Fold>
      <Fold title={`Drawn: ${here.length}`}>
        {here.map((thing) => row(thing.id, 'thing', nameOf(thing), wordOf(thing)))}
      </Fold>
    </Box>
  )
}

interface SheetProps {
  readonly editor: Editor
  readonly pinned: PlanPoint | null
  readonly setPinned: (at: PlanPoint) => void
  readonly lengthField: React.RefObject<HTMLInputElement | null>
  readonly children: (width: number, height: number) => ReactNode
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/**
 * The sheet the plan lies on: as wide as there is room, with the keyboard's way of doing what a hand does.
 */
function Sheet({ editor, pinned, setPinned, lengthField, children }: SheetProps) {
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

  const press = (event: KeyboardEvent) => {
    const { job, selection, commit, tool, draft, setDraft, setTool, finish, select, undo, redo } = editor
    const used = () => {
      event.preventDefault()
      event.stopPropagation()
    }
    const stepM = (job.units === 'metric' ? 0.1 : 0.0762) * (event.shiftKey ? 10 : 1)
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      used()
      return void (event.shiftKey ? redo : undo)?.()
    }
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'y') {
      used()
      return void redo?.()
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key === 'Escape') {
      used()
      if (tool.does === 'select') select(null)
      else setTool({ does: 'select' })
    } else if (event.key === 'Enter' && tool.does === 'draw') {
      used()
      if (draft.length > 1) void finish()
      else setTool({ does: 'select' })
    } else if (event.key === 'Backspace' && draft.length > 0) {
      used()
      setDraft(draft.slice(0, -1))
    } else if (/^[\d.]$/.test(event.key) && draft.length > 0) {
      lengthField.current?.focus() // the key that was pressed is typed there
    } else if (ARROWS[event.key]) {
      used()
      const [dx, dy] = ARROWS[event.key]!
      const thing = selection?.is === 'thing' ? job.things.find(({ id }) => id === selection.id) : undefined
      const device =
        selection?.is === 'device' ? job.devices.find(({ id }) => id === selection.id) : undefined
      if (thing) void commit({ type: 'putThing', thing: moved(thing, dx * stepM, dy * stepM) })
      else if (device?.sight?.place)
        void commit({
          type: 'setPlan',
          deviceId: device.id,
          plan: {
            sight: {
              ...device.sight,
              place: {
                ...device.sight.place,
                x: device.sight.place.x + dx * stepM,
                y: device.sight.place.y + dy * stepM,
              },
            },
          },
        })
      else setPinned({ x: (pinned?.x ?? 0) + dx * stepM * 5, y: (pinned?.y ?? 0) + dy * stepM * 5 })
    } else if ((event.key === '[' || event.key === ']') && selection?.is === 'device') {
      const device = job.devices.find(({ id }) => id === selection.id)
      if (!device?.sight?.place) return
      used()
      const turn = (event.key === '[' ? -1 : 1) * (event.shiftKey ? 10 : 1)
      void commit({
        type: 'setPlan',
        deviceId: device.id,
        plan: {
          sight: {
            ...device.sight,
            place: { ...device.sight.place, panDeg: (device.sight.place.panDeg + turn + 360) % 360 },
          },
        },
      })
    } else if (event.key === 'Delete' && selection?.is === 'thing') {
      used()
      void commit({ type: 'removeThing', thingId: selection.id })
      select(null)
    }
  }
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
      aria-label="Site plan. Arrow keys move what is selected, or the point that is asked about; [ and ] turn a device; Delete removes; Ctrl Z undoes."
      onKeyDown={press}
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
