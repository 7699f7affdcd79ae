'use client'

import { memo, useCallback, useEffect, useMemo } from 'react'
import { Circle, Group, Layer, Line, Rect, Stage } from 'react-konva'
import { along, bearingDeg, boundsOf, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Sight } from '@/core/job'
import type { Camera } from '@/core/parts'
import { pointsOf } from '@/core/plan'
import {
  aheadOf,
  backgroundCorners,
  eachSeen,
  farthestGroundM,
  focalFor,
  gridOver,
  nearEdge,
  occludersOf,
  scratchFor,
  whoSees,
  type SunOnPlan,
  type Survey,
  type WalkCamera,
} from '@/core/sight'
import { METRES_PER_FOOT, print, type UnitSystem } from '@/core/units'
import type { Spot } from '@/drawings/labels/place'
import { useCatalogue } from '../job/JobProvider'
import { useInk } from '../kit/ink'
import { densityBands, paint } from './bands'
import { boundsOfPicked } from './changes'
import { Devices, placeOn } from './DevicesLayer'
import type { Editor, Picked } from './editor'
import { Corners, Cross, Grid, North, ScaleBar } from './furniture'
import { BackgroundPicture, Cells, SurveyPicture } from './GroundLayer'
import { HandTag } from './HandTag'
import { Labels } from './Labels'
import type { Layers } from './layers'
import { Handles } from './shapes/Handles'
import { Things } from './shapes/Things'
import { ontoEdge, snap, type Snapped, type SnappedTo } from './snap'
import { Shade } from './SunLayer'
import { DRAWN_BEYOND_PX, useHand } from './useHand'
import { useLettering } from './useLettering'
import { usePlanView, type Eye } from './usePlanView'
import { toPlan, toScreen, type Room } from './view'
import { standOf, writtenOn } from './written'

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
}

/** Pixels a metre from which on the grid is finer. */
const NEAR = 60
const FARTHER = 12
const SNAP_PX = 10
/** How large on the screen the cells of one camera's footprint are, px; coarser while a hand carries it. */
const FINE_PX = 2
const COARSE_PX = 6
const NO_FAULTS: ReadonlyMap<string, number> = new Map()
/** Other floors lie under this one so faint. */
const FAINT = 0.22

const SNAPPED: Record<SnappedTo, string> = {
  'end': 'on an end',
  'edge': 'on an edge',
  'right angle': 'square to the side before',
  'grid': 'on the grid',
  'nothing': '',
}

/** The plan: everything on it to scale, drawn and moved by hand. */
export function PlanCanvas(props: PlanCanvasProps) {
  return useLettering() ? <Drawn {...props} /> : null
}

/** Remembered, so that what goes on beside it does not draw it again. */
const Drawn = memo(function Drawn(props: PlanCanvasProps) {
  const { editor, width, height, room, survey, layers, planeM, cameras, sightOf, halfFov, asked, onEye } =
    props
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
  const framed = (a: PlanPoint, b: PlanPoint): Picked[] => {
    const frame = boundsOf([a, b])!
    const within = (points: readonly PlanPoint[]) =>
      points.every(({ x, y }) => x >= frame.left && x <= frame.right && y >= frame.bottom && y <= frame.top)
    return [
      ...things.flatMap((thing): Picked[] =>
        !ids.has(thing.id) && within(pointsOf(thing)) ? [{ is: 'thing', id: thing.id }] : [],
      ),
      ...job.devices.flatMap((device): Picked[] => {
        const place = placeOn(device, floor)
        return place && !ids.has(device.id) && within([place]) ? [{ is: 'device', id: device.id }] : []
      }),
    ]
  }

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
  const cellPx = hand.carrying ? COARSE_PX : FINE_PX
  const footprint = useMemo(() => {
    if (!lone) return null
    const corner = [toPlan(view, [0, height]), toPlan(view, [width, 0])] as const
    const grid = gridOver(
      { left: corner[0].x, right: corner[1].x, bottom: corner[0].y, top: corner[1].y },
      Math.max(0.1, cellPx / view.perMetre),
    )
    const density = new Float32Array(grid.columns * grid.rows)
    eachSeen(
      lone.eye,
      occludersOf(job.things, floor),
      grid,
      planeM,
      scratchFor(grid),
      (cell, pxM, hidden) => {
        if (!hidden) density[cell] = pxM
      },
    )
    return { grid, canvas: paint(grid, density, densityBands(job.policies.edition, shades), 0.82) }
  }, [lone, view, width, height, cellPx, job.things, floor, planeM, job.policies.edition, shades])
  const alone = layers.seen === 'density' ? footprint : null
  const surveyed = !alone && survey?.floor === floor ? survey : null

  // What lies off the window need not be drawn: a plan may hold thousands of walls.
  const inSight = useCallback(
    (some: typeof things) => {
      const [low, high] = [toPlan(view, [-BEYOND, height + BEYOND]), toPlan(view, [width + BEYOND, -BEYOND])]
      return some.filter((thing) => {
        if (!layers.areas && AREAS.has(thing.kind) && !ids.has(thing.id)) return false
        const box = boundsOf(pointsOf(thing))!
        return box.right >= low.x && box.left <= high.x && box.top >= low.y && box.bottom <= high.y
      })
    },
    [view, width, height, layers.areas, ids],
  )
  const shownThings = useMemo(() => inSight(things), [inSight, things])
  const othersShown = useMemo(() => (layers.floors ? inSight(others) : []), [inSight, others, layers.floors])
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
  const ahead = selectedDevice?.sight ? aheadOn(selectedDevice.sight, cameraOf(selectedDevice)) : null
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
    ],
  )
  const sheet = useMemo(() => ({ minX: 6, minY: 6, maxX: width - 6, maxY: height - 6 }), [width, height])
  const bounds = selected.length > 1 ? boundsOfPicked({ things, devices: job.devices }, selected) : null
  const place = selectedDevice ? placeOn(selectedDevice, floor) : null
  const tag = ((): readonly string[] => {
    const length = (m: number) => print({ value: m, kind: 'length' }, job.units)
    const angle = (deg: number) => print({ value: deg, kind: 'angle' }, job.units)
    const side = (from: PlanPoint, to: PlanPoint) =>
      `${length(distanceM(from, to))} · ${angle(bearingDeg(from, to))}`
    if (tool.does !== 'select' && hover) {
      const from = draft.at(-1)
      return [from ? side(from, hover.at) : '', SNAPPED[hover.to]].filter(Boolean)
    }
    if (!hand.carrying || !place || !lone || !selectedDevice) return []
    const target = along(place, place.panDeg, selectedDevice.sight!.targetDistanceM)
    const [seen] = whoSees(target, planeM, [lone], occludersOf(job.things, floor), job.policies.edition).seen
    const density = seen ? print({ value: seen.densityPxM, kind: 'density' }, job.units) : 'not seen'
    const { focalMm, tiltDeg } = selectedDevice.sight!
    const lens = print({ value: focalMm, kind: 'focal' }, job.units)
    return [`${density} at the target`, side(place, target), `lens ${lens}, tilt ${angle(tiltDeg)}`]
  })()
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
          nearEdge={edge}
          farM={ahead && typeof ahead.far === 'number' ? ahead.far : null}
          zooms={ahead?.zooms ?? false}
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
        {tool.does !== 'select' && hover ? (
          <Cross at={at(hover.at)} colour={ink.copper} ring={hover.to === 'end' || hover.to === 'edge'} />
        ) : null}
        {asked ? <Cross at={at(asked)} colour={ink.ink} ring /> : null}
        {props.walkAt ? (
          <Circle
            x={at(props.walkAt)[0]}
            y={at(props.walkAt)[1]}
            radius={6}
            fill={ink.copper}
            stroke={ink.sheet}
            strokeWidth={2}
          />
        ) : null}
        {hand.framed ? (
          <Rect
            x={hand.framed.from[0]}
            y={hand.framed.from[1]}
            width={hand.framed.to[0] - hand.framed.from[0]}
            height={hand.framed.to[1] - hand.framed.from[1]}
            stroke={ink.copper}
            strokeWidth={1.2}
            dash={[5, 4]}
          />
        ) : null}
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
function aheadOn(sight: Sight, camera: Camera | null) {
  if (!camera) return null
  const { halfDeg } = aheadOf(camera, sight)
  return {
    far: farthestGroundM(sight.heightM, sight.tiltDeg, 2 * halfDeg),
    zooms: focalFor(camera, sight.portrait, halfDeg) !== null,
  }
}

const BEYOND = DRAWN_BEYOND_PX + 40
const NOBODY: readonly string[] = []
const NONE: ReadonlySet<string> = new Set()
const AREAS: ReadonlySet<string> = new Set(['area', 'privacy', 'premises', 'target', 'walk'])

/** How fine the grid is to which a hand's spots are drawn (m), by how near one looks. */
function gridOf(perMetre: number, units: UnitSystem): number {
  if (units === 'imperial') return perMetre > NEAR ? METRES_PER_FOOT / 4 : METRES_PER_FOOT
  if (perMetre > NEAR) return 0.05
  return perMetre > FARTHER ? 0.25 : 1
}
