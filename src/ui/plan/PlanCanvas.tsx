'use client'

import { memo, useCallback, useEffect, useMemo } from 'react'
import { Circle, Group, Layer, Line, Stage } from 'react-konva'
import { along, boundsOf, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Sight } from '@/core/job'
import type { Camera } from '@/core/parts'
import type { Bundle } from '@/core/pathway'
import { boundsOfThing, pointsOf } from '@/core/plan'
import {
  aheadOf,
  backgroundCorners,
  farthestGroundM,
  focalFor,
  nearEdge,
  type Setting,
  whoSees,
  type SunOnPlan,
  type Survey,
  type WalkCamera,
} from '@/core/sight'
import { METRES_PER_FOOT, print, type UnitSystem } from '@/core/units'
import type { Spot } from '@/drawings/labels/place'
import { densityBands, placeOn, standOf, toPlan, toScreen, writtenOn, type Room } from '@/drawings/plan'
import { useCatalogue } from '../job/JobProvider'
import { useInk } from '../kit/ink'
import { boundsOfPicked } from './changes'
import { CableLayer } from './CableLayer'
import { Devices, DevicesBeyond } from './DevicesLayer'
import type { Editor } from './editor'
import { Corners, Grid, North, ScaleBar } from './furniture'
import { BackgroundPicture, Cells, SurveyPicture } from './GroundLayer'
import { HandTag } from './HandTag'
import { hoverWords, sightWords } from './handWords'
import { Labels } from './Labels'
import { layerOf, type Layers } from './layers'
import { Handles } from './shapes/Handles'
import { Things } from './shapes/Things'
import { ontoEdge, snap, type Snapped } from './snap'
import { Shade } from './SunLayer'
import { UnderHand } from './UnderHand'
import { useFootprint } from './useFootprint'
import { DRAWN_BEYOND_PX, useHand } from './useHand'
import { useLettering } from './useLettering'
import { usePlanView, type Eye } from './usePlanView'
import { pickedWithin, reachingInto } from './within'

interface PlanCanvasProps {
  readonly editor: Editor
  readonly width: number
  readonly height: number
  /** What lies over the edges of the sheet: names and what is fitted keep off it. */
  readonly room: Room
  /** Told how the view is changed from beside the sheet. */
  readonly onEye: (eye: Eye) => void
  readonly survey: Survey | null
  readonly layers: Layers
  readonly sun: SunOnPlan | null
  readonly planeM: number
  readonly setting: Setting
  readonly cameras: readonly WalkCamera[]
  readonly sightOf: (device: Device) => Sight | null
  readonly halfFov: (device: Device) => number
  readonly verdict: (deviceId: string) => 'good' | 'check' | 'stop'
  /** Open faults by device. */
  readonly faults: ReadonlyMap<string, number>
  /** The point that is asked about; a pointer passing over says where it is. */
  readonly asked: PlanPoint | null
  readonly onAsk: (at: PlanPoint, pinned: boolean) => void
  readonly onScale: (from: PlanPoint, to: PlanPoint) => void
  readonly walkAt: PlanPoint | null
  readonly bundles: readonly Bundle[]
}

/** Pixels a metre from which on the grid is finer. */
const NEAR = 60
const FARTHER = 12
const SNAP_PX = 10
const NO_BUNDLES: readonly Bundle[] = []
const NO_FAULTS: ReadonlyMap<string, number> = new Map()
/** Other floors lie under this one so faint. */
const FAINT = 0.22

/** The plan: everything on it to scale, drawn and moved by hand. */
export function PlanCanvas(props: PlanCanvasProps) {
  return useLettering() ? <Drawn {...props} /> : null
}

/** Remembered, so that what goes on beside it does not draw it again. */
const Drawn = memo(function Drawn(props: PlanCanvasProps) {
  const {
    editor,
    width,
    height,
    room,
    survey,
    layers,
    planeM,
    setting,
    cameras,
    sightOf,
    halfFov,
    asked,
    bundles,
    onEye,
  } = props
  const { job, floor, tool, selected, selection, draft, snapping } = editor
  const { ink, shades } = useInk()
  const catalogue = useCatalogue()
  const things = useMemo(() => job.things.filter((thing) => thing.floor === floor), [job.things, floor])
  const others = useMemo(() => job.things.filter((thing) => thing.floor !== floor), [job.things, floor])
  const background = job.backgrounds.find((one) => one.floor === floor) ?? null
  const whole = useMemo(
    () =>
      boundsOf([
        ...things.flatMap(pointsOf),
        ...(background ? backgroundCorners(background) : []),
        ...job.devices.flatMap(({ sight }) => (sight?.place?.floor === floor ? [sight.place] : [])),
      ]),
    [things, background, job.devices, floor],
  )
  const plan = usePlanView(whole, floor, width, height, room)
  const { view, eye, stage, still, taken } = plan
  useEffect(() => {
    onEye(eye)
  })
  const ids = useMemo(() => new Set(selected.map(({ id }) => id)), [selected])
  const selectedThing =
    selection?.is === 'thing' ? (things.find(({ id }) => id === selection.id) ?? null) : null
  const selectedDevice =
    selection?.is === 'device' ? (job.devices.find(({ id }) => id === selection.id) ?? null) : null

  const gridM = gridOf(view.perMetre, job.units)
  const options = { things: job.things, floor, reachM: SNAP_PX / view.perMetre, gridM }
  const snapped = (at: PlanPoint, from?: PlanPoint, before?: PlanPoint, except = ''): Snapped =>
    snapping ? snap(at, { ...options, from, before, except }) : { at, to: 'nothing' }
  const framed = (a: PlanPoint, b: PlanPoint) =>
    pickedWithin(a, b, { things, devices: job.devices, floor, except: ids })

  const cameraOf = (device: Device) => catalogue.cameras.get(device.cameraId) ?? null

  const hand = useHand(
    {
      editor,
      snapped,
      edgeAt: (at) => (snapping ? ontoEdge(at, options) : null),
      apartPx: (p, q) => distanceM(p, q) * view.perMetre,
      framed,
      sightOf,
      cameraOf,
      onAsk: props.onAsk,
      onScale: props.onScale,
    },
    plan,
  )
  const { hover } = hand

  const lone = selectedDevice
    ? (cameras.find(({ deviceId }) => deviceId === selectedDevice.id) ?? null)
    : null
  const footprint = useFootprint(lone, view, width, height, {
    setting,
    planeM,
    bands: useMemo(() => densityBands(job.policies.edition, shades), [job.policies.edition, shades]),
    coarse: hand.carrying !== null,
  })
  const alone = layers.seen === 'density' ? footprint : null
  const surveyed = !alone && survey?.floor === floor ? survey : null

  const drawnFor = useMemo(() => {
    const [low, high] = [toPlan(view, [-BEYOND, height + BEYOND]), toPlan(view, [width + BEYOND, -BEYOND])]
    return { left: low.x, right: high.x, bottom: low.y, top: high.y }
  }, [view, width, height])
  const shownThings = useMemo(() => {
    const reaching = reachingInto(things, boundsOfThing, drawnFor)
    return reaching.filter(({ kind, id }) => layers[layerOf(kind)] || ids.has(id))
  }, [things, drawnFor, layers, ids])
  const othersShown = useMemo(
    () => (layers.floors ? reachingInto(others, boundsOfThing, drawnFor) : []),
    [others, drawnFor, layers.floors],
  )
  const shownBundles = useMemo(() => {
    const here = layers.cable ? bundles.filter((bundle) => bundle.floor === floor) : NO_BUNDLES
    return reachingInto(here, ({ points }) => boundsOf(points)!, drawnFor)
  }, [layers.cable, bundles, floor, drawnFor])
  const drawing = tool.does === 'draw' || tool.does === 'scale' || tool.does === 'measure'
  const trail = useMemo(
    () => (drawing && hover && draft.length > 0 ? [...draft, hover.at] : draft),
    [drawing, hover, draft],
  )
  const infraredM = useCallback(
    (device: Device) =>
      layers.infrared || device.id === selectedDevice?.id
        ? (catalogue.cameras.get(device.cameraId)?.infraredReachM ?? 0)
        : 0,
    [layers.infrared, selectedDevice?.id, catalogue],
  )
  const stand = useMemo(
    () => standOf(job.devices, floor, view, selected),
    [job.devices, floor, view, selected],
  )
  const edge = useMemo(() => (lone ? nearEdge(lone.eye, 0) : []), [lone])
  const ahead = aheadOn(selectedDevice?.sight ?? null, selectedDevice && cameraOf(selectedDevice))
  const dazzled = props.sun?.inPictureOf ?? NOBODY
  const written = useMemo(
    () =>
      writtenOn({
        things: shownThings,
        devices: job.devices,
        floor,
        units: job.units,
        view,
        layers,
        selected,
        survey: surveyed,
        furniture: [
          { minX: width - 150, minY: height - 44, maxX: width, maxY: height },
          { minX: width - 48, minY: 4, maxX: width, maxY: 62 },
        ],
        stand,
        bundles: shownBundles,
        infraredM,
        nearEdge: edge,
        dazzled,
        trail,
      }),
    [
      shownThings,
      job.devices,
      floor,
      job.units,
      view,
      layers,
      selected,
      surveyed,
      width,
      height,
      stand,
      infraredM,
      edge,
      dazzled,
      trail,
      shownBundles,
    ],
  )
  const sheet = useMemo(() => ({ minX: 6, minY: 6, maxX: width - 6, maxY: height - 6 }), [width, height])
  const bounds = selected.length > 1 ? boundsOfPicked({ things, devices: job.devices }, selected) : null
  const place = selectedDevice ? placeOn(selectedDevice, floor) : null
  let tag: readonly string[] = []
  if (tool.does !== 'select') tag = hoverWords(hover, draft.at(-1) ?? null, job.units)
  else if (hand.carrying && place && lone) {
    const sight = selectedDevice!.sight!
    const target = along(place, place.panDeg, sight.targetDistanceM)
    const [seen] = whoSees(target, planeM, [lone], setting, job.policies.edition).seen
    tag = sightWords(place, target, sight, seen?.densityPxM ?? null, job.units)
  }
  const tagAt = hand.carrying ?? hover?.at ?? null
  const at = (point: PlanPoint): Spot => toScreen(view, point)

  return (
    <Stage
      ref={stage}
      width={width}
      height={height}
      onPointerDown={hand.down}
      onPointerMove={hand.move}
      onPointerUp={hand.up}
      onPointerCancel={hand.up}
      style={{ cursor: hand.cursor, touchAction: 'none' }}
    >
      <Layer listening={false}>
        {background && layers.background ? (
          <BackgroundPicture background={background} view={view} shades={shades} />
        ) : null}
        {layers.grid ? (
          <Grid view={view} width={width} height={height} beyond={BEYOND} colour={ink.rule} />
        ) : null}
        {layers.floors ? (
          <Group opacity={FAINT}>
            <Things things={othersShown} view={view} ink={ink} selected={NONE} />
            <DevicesBeyond devices={job.devices} floor={floor} view={view} ink={ink} halfFov={halfFov} />
          </Group>
        ) : null}
        {alone ? <Cells grid={alone.grid} canvas={alone.canvas} view={view} /> : null}
        {surveyed ? (
          <SurveyPicture
            survey={surveyed}
            seen={layers.seen}
            view={view}
            ink={ink}
            shades={shades}
            edition={job.policies.edition}
          />
        ) : null}
        {props.sun ? <Shade sun={props.sun} view={view} colour={ink.ink} /> : null}
        <CableLayer bundles={shownBundles} view={view} ink={ink} />
      </Layer>
      <Layer ref={taken}>
        <Things things={shownThings} view={view} ink={ink} selected={ids} />
        <Devices
          devices={job.devices}
          floor={floor}
          view={view}
          ink={ink}
          selected={ids}
          aimed={selectedDevice?.id ?? null}
          halfFov={halfFov}
          verdict={props.verdict}
          stand={stand}
          faults={layers.faults ? props.faults : NO_FAULTS}
          edges={{ nearEdge: edge, ...ahead }}
          infraredM={infraredM}
        />
        {selectedThing ? <Handles thing={selectedThing} view={view} ink={ink} /> : null}
        {bounds ? (
          <Corners
            from={at({ x: bounds.left, y: bounds.top })}
            to={at({ x: bounds.right, y: bounds.bottom })}
            colour={ink.copper}
          />
        ) : null}
      </Layer>
      <Layer listening={false}>
        {trail.length > 0 ? (
          <Group>
            <Line points={trail.flatMap(at)} stroke={ink.copper} strokeWidth={2} dash={[6, 4]} />
            {draft.map((p, i) => (
              <Circle key={i} x={at(p)[0]} y={at(p)[1]} radius={4} fill={ink.copper} />
            ))}
          </Group>
        ) : null}
        <Labels
          namings={written.namings}
          taken={written.taken}
          lines={written.lines}
          sheet={sheet}
          ink={ink}
        />
        <UnderHand
          hover={tool.does === 'select' ? null : hover}
          asked={asked}
          walkAt={props.walkAt}
          framed={hand.framed}
          view={view}
          ink={ink}
        />
        {tagAt ? <HandTag at={at(tagAt)} words={tag} width={width} ink={ink} /> : null}
      </Layer>
      <Layer listening={false} ref={still}>
        <ScaleBar
          view={view}
          right={width - 14}
          bottom={height - 14}
          colour={ink.ink}
          paper={ink.sheet}
          words={(m) => print({ value: m, kind: 'length' }, job.units).replace(/\.00(?= m$)/, '')}
        />
        {job.site ? <North bearing={-job.site.upBearingDeg} at={[width - 26, 36]} colour={ink.ink} /> : null}
      </Layer>
    </Stage>
  )
})

/** What the handles of a sight need to know. */
function aheadOn(sight: Sight | null, camera: Camera | null) {
  if (!sight || !camera) return { farM: null, zooms: false }
  const { halfDeg } = aheadOf(camera, sight)
  const far = farthestGroundM(sight.heightM, sight.tiltDeg, 2 * halfDeg)
  return {
    farM: typeof far === 'number' ? far : null,
    zooms: focalFor(camera, sight.portrait, halfDeg) !== null,
  }
}

const BEYOND = DRAWN_BEYOND_PX + 40
const NOBODY: readonly string[] = []
const NONE: ReadonlySet<string> = new Set()

/** How fine the grid is to which a hand's spots are drawn (m), by how near one looks. */
function gridOf(perMetre: number, units: UnitSystem): number {
  if (units === 'imperial') return perMetre > NEAR ? METRES_PER_FOOT / 4 : METRES_PER_FOOT
  if (perMetre > NEAR) return 0.05
  return perMetre > FARTHER ? 0.25 : 1
}
