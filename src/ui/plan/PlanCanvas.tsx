'use client'

import { memo, useMemo } from 'react'
import { Circle, Group, Layer, Line, Stage } from 'react-konva'
import { boundsOf, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Sight } from '@/core/job'
import {
  backgroundCorners,
  eachSeen,
  gridOver,
  nearEdge,
  occludersOf,
  scratchFor,
  type Survey,
  type WalkCamera,
} from '@/core/sight'
import { densityBands, paint } from './bands'
import { Devices } from './DevicesLayer'
import type { Editor } from './editor'
import { Cross, Grid, North, ScaleBar } from './furniture'
import { BackgroundPicture, Cells, SurveyPicture, type SurveyLayer } from './GroundLayer'
import { useCatalogue } from '../job/JobProvider'
import { useInk } from '../kit/ink'
import { ontoEdge, snap, type Snapped } from './snap'
import { Handles, Sides } from './shapes/Handles'
import { labelOf, Things } from './shapes/Things'
import { useHand } from './useHand'
import { usePlanView } from './usePlanView'
import { toPlan, toScreen } from './view'
import { METRES_PER_FOOT, print, type UnitSystem } from '@/core/units'
import { pointsOf } from '@/core/plan'

interface PlanCanvasProps {
  readonly editor: Editor
  readonly width: number
  readonly height: number
  readonly survey: Survey | null
  readonly layer: SurveyLayer
  readonly planeM: number
  readonly cameras: readonly WalkCamera[]
  readonly sightOf: (device: Device) => Sight | null
  readonly halfFov: (device: Device) => number
  readonly verdict: (deviceId: string) => 'good' | 'check' | 'stop'
  /** The point that is asked about; a pointer passing over says where it is. */
  readonly asked: PlanPoint | null
  readonly onAsk: (at: PlanPoint, pinned: boolean) => void
  readonly onScale: (from: PlanPoint, to: PlanPoint) => void
  readonly walkAt: PlanPoint | null
}

/** Pixels a metre from which on the grid is finer. */
const NEAR = 60
const FARTHER = 12
const NAMES_FROM_PER_METRE = 5
const SNAP_PX = 10

/**
 * The plan: everything on it to scale, drawn and moved by hand. Remembered, so that what goes on beside it
 * does not draw it again.
 */
export const PlanCanvas = memo(function PlanCanvas({
  editor,
  width,
  height,
  survey,
  layer,
  planeM,
  cameras,
  sightOf,
  halfFov,
  verdict,
  asked,
  onAsk,
  onScale,
  walkAt,
}: PlanCanvasProps) {
  const { job, floor, tool, selection, draft, snapping } = editor
  const { ink, shades } = useInk()
  const things = useMemo(() => job.things.filter((thing) => thing.floor === floor), [job.things, floor])
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
  const plan = usePlanView(whole, floor, width, height)
  const { view } = plan
  const selectedThing =
    selection?.is === 'thing' ? (things.find(({ id }) => id === selection.id) ?? null) : null
  const catalogue = useCatalogue()
  const selectedDevice =
    selection?.is === 'device' ? (job.devices.find(({ id }) => id === selection.id) ?? null) : null

  const gridM = gridOf(view.perMetre, job.units)
  const options = { things: job.things, floor, reachM: SNAP_PX / view.perMetre, gridM }
  const snapped = (at: PlanPoint, from?: PlanPoint, before?: PlanPoint, except = ''): Snapped =>
    snapping ? snap(at, { ...options, from, before, except }) : { at, to: 'nothing' }

  const hand = useHand(
    {
      editor,
      snapped,
      edgeAt: (at) => (snapping ? ontoEdge(at, options) : null),
      apartPx: (p, q) => distanceM(p, q) * view.perMetre,
      sightOf,
      onAsk,
      onScale,
    },
    plan,
  )
  const { hover } = hand

  const lone = selectedDevice
    ? (cameras.find(({ deviceId }) => deviceId === selectedDevice.id) ?? null)
    : null
  const footprint = useMemo(() => {
    if (!lone) return null
    const corner = [toPlan(view, [0, height]), toPlan(view, [width, 0])] as const
    const grid = gridOver(
      { left: corner[0].x, right: corner[1].x, bottom: corner[0].y, top: corner[1].y },
      Math.max(0.1, 2 / view.perMetre),
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
  }, [lone, view, width, height, job.things, floor, planeM, job.policies.edition, shades])

  const alone = layer === 'density' ? footprint : null
  // What lies off the window need not be drawn: a plan may hold thousands of walls.
  const [low, high] = [toPlan(view, [-40, height + 40]), toPlan(view, [width + 40, -40])]
  const inSight = things.filter((thing) => {
    const box = boundsOf(pointsOf(thing))!
    return box.right >= low.x && box.left <= high.x && box.top >= low.y && box.bottom <= high.y
  })
  const named = view.perMetre >= NAMES_FROM_PER_METRE // farther off, names would only hide the plan
  const taken = [
    ...job.devices.flatMap(({ sight }) =>
      sight?.place?.floor === floor ? [toScreen(view, sight.place)] : [],
    ),
    ...things.flatMap((thing) => {
      const label = labelOf(thing)
      return label ? labelRoom(toScreen(view, label.at), label.over) : []
    }),
  ]
  const drawing = tool.does === 'draw' || tool.does === 'scale'
  const trail = drawing && hover && draft.length > 0 ? [...draft, hover.at] : draft
  return (
    <Stage
      ref={plan.stage}
      width={width}
      height={height}
      onPointerDown={hand.down}
      onPointerMove={hand.move}
      onPointerUp={hand.up}
      onPointerCancel={hand.up}
      style={{ cursor: hand.cursor, touchAction: 'none' }}
    >
      <Layer listening={false}>
        {background ? <BackgroundPicture background={background} view={view} shades={shades} /> : null}
        <Grid view={view} width={width} height={height} colour={ink.rule} />
        {alone ? <Cells grid={alone.grid} canvas={alone.canvas} view={view} /> : null}
        {!alone && survey?.floor === floor ? (
          <SurveyPicture
            survey={survey}
            layer={layer}
            view={view}
            ink={ink}
            shades={shades}
            edition={job.policies.edition}
            units={job.units}
            taken={taken}
            valued={named}
          />
        ) : null}
      </Layer>
      <Layer>
        <Things things={inSight} view={view} ink={ink} selectedId={selection?.id ?? null} named={named} />
        <Devices
          devices={job.devices}
          floor={floor}
          view={view}
          ink={ink}
          selectedId={selectedDevice?.id ?? null}
          halfFov={halfFov}
          verdict={verdict}
          nearEdge={lone ? nearEdge(lone.eye, 0) : []}
          infraredM={
            selectedDevice ? (catalogue.cameras.get(selectedDevice.cameraId)?.infraredReachM ?? 0) : 0
          }
          units={job.units}
        />
        {selectedThing ? <Handles thing={selectedThing} view={view} ink={ink} units={job.units} /> : null}
      </Layer>
      <Layer listening={false}>
        {trail.length > 0 ? (
          <Group>
            <Line
              points={trail.flatMap((p) => toScreen(view, p))}
              stroke={ink.copper}
              strokeWidth={2}
              dash={[6, 4]}
            />
            <Sides points={trail} closed={false} view={view} ink={ink} units={job.units} />
            {draft.map((p, i) => (
              <Circle
                key={i}
                x={toScreen(view, p)[0]}
                y={toScreen(view, p)[1]}
                radius={4}
                fill={ink.copper}
              />
            ))}
          </Group>
        ) : null}
        {tool.does !== 'select' && hover ? (
          <Cross
            at={toScreen(view, hover.at)}
            colour={ink.copper}
            ring={hover.to === 'end' || hover.to === 'edge'}
          />
        ) : null}
        {asked ? <Cross at={toScreen(view, asked)} colour={ink.ink} ring /> : null}
        {walkAt ? (
          <Circle
            x={toScreen(view, walkAt)[0]}
            y={toScreen(view, walkAt)[1]}
            radius={6}
            fill={ink.copper}
            stroke={ink.sheet}
            strokeWidth={2}
          />
        ) : null}
        <ScaleBar
          view={view}
          height={height}
          colour={ink.ink}
          paper={ink.sheet}
          words={(m) => print({ value: m, kind: 'length' }, job.units).replace(/\.00(?= m$)/, '')}
        />
        {job.site ? <North bearing={-job.site.upBearingDeg} x={width - 26} colour={ink.ink} /> : null}
      </Layer>
    </Stage>
  )
})

/** Room that a name takes: round its point, or to the right of it over an outline. */
const labelRoom = ([x, y]: readonly [number, number], over: boolean): (readonly [number, number])[] =>
  over
    ? [
        [x + 40, y - 10],
        [x + 110, y - 10],
      ]
    : [[x, y + 10]]

/** How fine the grid is to which a hand's spots are drawn (m), by how near one looks. */
function gridOf(perMetre: number, units: UnitSystem): number {
  if (units === 'imperial') return perMetre > NEAR ? METRES_PER_FOOT / 4 : METRES_PER_FOOT
  if (perMetre > NEAR) return 0.05
  return perMetre > FARTHER ? 0.25 : 1
}
