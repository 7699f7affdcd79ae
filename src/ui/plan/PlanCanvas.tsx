'use client'

import type { KonvaEventObject } from 'konva/lib/Node'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Circle, Group, Layer, Line, Stage, Text } from 'react-konva'
import { CATALOGUE } from '@/catalogue'
import { bearingDeg, boundsOf, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Sight } from '@/core/job'
import {
  backgroundCorners,
  eachSeen,
  gridOver,
  nearEdge,
  occludersOf,
  pointsOf,
  scratchFor,
  type Survey,
  type WalkCamera,
} from '@/core/sight'
import { densityBands, paint } from './bands'
import { Devices } from './DevicesLayer'
import { clicksOf, type Editor } from './editor'
import { BackgroundPicture, Cells, SurveyPicture, type SurveyLayer } from './GroundLayer'
import { useInk } from '../kit/ink'
import { moved, withCorner } from './move'
import { ontoEdge, snap, type Snapped } from './snap'
import { FONT, Handles, labelPoint, Sides, Things } from './ThingsLayer'
import { fit, scaleBarM, toPlan, toScreen, zoom, type ViewBox } from './view'
import { print } from '@/core/units'

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

/** What the hand has hold of. */
type Hold =
  | {
      readonly on: 'sheet'
      readonly from: readonly [number, number]
      readonly view: ViewBox
      readonly moved: boolean
    }
  | {
      readonly on: 'pinch'
      readonly apart: number
      readonly middle: readonly [number, number]
      readonly view: ViewBox
    }
  | {
      readonly on: 'thing' | 'corner' | 'device' | 'aim' | 'wish'
      readonly id: string
      readonly index: number
      readonly from: PlanPoint
      readonly moved: boolean
    }

const NAMES_FROM_PER_METRE = 5
const NUDGE_PX = 4
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
  // The view fits the floor until a hand moves it; another floor or size fits anew.
  const [held, setView] = useState<{
    readonly view: ViewBox
    readonly floor: string
    readonly width: number
    readonly height: number
  } | null>(null)
  const fitted = useMemo(
    () => fit(grow(whole ?? { left: -5, right: 15, bottom: -5, top: 10 }), width, height),
    [whole, width, height],
  )
  // while dragging, the sheet stands still even as its bounds change
  const [frozen, freeze] = useState<ViewBox | null>(null)
  const view =
    held && held.floor === floor && held.width === width && held.height === height
      ? held.view
      : (frozen ?? fitted)
  const setHeld = useCallback(
    (next: ViewBox) => setView({ view: next, floor, width, height }),
    [floor, width, height],
  )

  const [hover, setHover] = useState<Snapped | null>(null)
  const hold = useRef<Hold | null>(null)
  const pointers = useRef(new Map<number, readonly [number, number]>())
  const selectedThing =
    selection?.is === 'thing' ? (things.find(({ id }) => id === selection.id) ?? null) : null
  const selectedDevice =
    selection?.is === 'device' ? (job.devices.find(({ id }) => id === selection.id) ?? null) : null

  const gridM =
    job.units === 'metric'
      ? view.perMetre > 60
        ? 0.05
        : view.perMetre > 12
          ? 0.25
          : 1
      : 0.3048 * (view.perMetre > 60 ? 1 / 4 : 1)
  const options = { things: job.things, floor, reachM: SNAP_PX / view.perMetre, gridM }
  const snapped = (at: PlanPoint, from?: PlanPoint, before?: PlanPoint, except = ''): Snapped =>
    snapping ? snap(at, { ...options, from, before, except }) : { at, to: 'nothing' }

  const spotOf = (event: KonvaEventObject<PointerEvent>): readonly [number, number] => {
    const box = event.target.getStage()!.container().getBoundingClientRect()
    return [event.evt.clientX - box.left, event.evt.clientY - box.top]
  }

  const down = (event: KonvaEventObject<PointerEvent>) => {
    const spot = spotOf(event)
    const stage = event.target.getStage()!
    try {
      stage.content.setPointerCapture(event.evt.pointerId)
    } catch {
      // A pointer that is gone already has nothing to capture.
    }
    pointers.current.set(event.evt.pointerId, spot)
    if (pointers.current.size === 2) {
      editor.attempt(null)
      const [a, b] = [...pointers.current.values()]
      hold.current = {
        on: 'pinch',
        apart: Math.max(1, Math.hypot(a![0] - b![0], a![1] - b![1])),
        middle: [(a![0] + b![0]) / 2, (a![1] + b![1]) / 2],
        view,
      }
      return
    }
    const [on, id = '', index = '0'] = event.target.id().split(':')
    const from = toPlan(view, spot)
    const free = tool.does === 'select' && event.evt.button === 0
    if (free && (on === 'thing' || on === 'device')) {
      editor.select({ is: on, id })
      // A first touch selects; only what is selected already moves, so that a finger does not shift a wall.
      if (selection?.id === id || on === 'device') hold.current = { on, id, index: 0, from, moved: false }
      else hold.current = { on: 'sheet', from: spot, view, moved: false }
    } else if (free && (on === 'corner' || on === 'aim' || on === 'wish'))
      hold.current = { on, id, index: Number(index), from, moved: false }
    else hold.current = { on: 'sheet', from: spot, view, moved: false }
    freeze(view)
  }

  const move = (event: KonvaEventObject<PointerEvent>) => {
    const spot = spotOf(event)
    if (pointers.current.has(event.evt.pointerId)) pointers.current.set(event.evt.pointerId, spot)
    const at = toPlan(view, spot)
    const now = hold.current
    if (now === null) {
      if (tool.does === 'draw' || tool.does === 'scale')
        setHover(tool.does === 'scale' ? { at, to: 'nothing' } : snapped(at, draft.at(-1), draft.at(-2)))
      else if (tool.does === 'place')
        setHover(
          snapping
            ? { at: ontoEdge(at, options)?.at ?? snap(at, options).at, to: 'edge' }
            : { at, to: 'nothing' },
        )
      if (tool.does === 'select') onAsk(at, false)
      return
    }
    if (now.on === 'pinch') {
      const [a, b] = [...pointers.current.values()]
      if (!a || !b) return
      const middle = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2] as const
      setHeld(
        zoom(now.view, Math.hypot(a[0] - b[0], a[1] - b[1]) / now.apart, now.middle, [
          middle[0] - now.middle[0],
          middle[1] - now.middle[1],
        ]),
      )
      return
    }
    if (now.on === 'sheet') {
      const [dx, dy] = [spot[0] - now.from[0], spot[1] - now.from[1]]
      if (!now.moved && Math.hypot(dx, dy) < NUDGE_PX) return
      hold.current = { ...now, moved: true }
      setHeld({ ...now.view, x0: now.view.x0 + dx, y0: now.view.y0 + dy })
      return
    }
    if (!now.moved && distanceM(at, now.from) * view.perMetre < NUDGE_PX) return
    hold.current = { ...now, moved: true }
    const change = changeOf(now, at)
    if (change) editor.attempt(change)
  }

  const changeOf = (now: Extract<Hold, { id: string }>, at: PlanPoint) => {
    if (now.on === 'thing' || now.on === 'corner') {
      const thing = original.current ?? job.things.find(({ id }) => id === now.id)
      if (!thing) return null
      original.current = thing
      if (now.on === 'corner')
        return {
          type: 'putThing' as const,
          thing: withCorner(thing, now.index, snapped(at, undefined, undefined, thing.id).at),
        }
      const first = pointsOf(thing)[0]!
      const to = snapped(
        { x: first.x + at.x - now.from.x, y: first.y + at.y - now.from.y },
        undefined,
        undefined,
        thing.id,
      ).at
      return { type: 'putThing' as const, thing: moved(thing, to.x - first.x, to.y - first.y) }
    }
    const device = job.devices.find(({ id }) => id === now.id)
    const sight = device && sightOf(device)
    if (!device || !sight?.place) return null
    if (now.on === 'wish')
      return {
        type: 'setPlan' as const,
        deviceId: device.id,
        plan: { sight: { ...sight, wish: { ...sight.wish, at: snapped(at).at } } },
      }
    if (now.on === 'aim')
      return {
        type: 'setPlan' as const,
        deviceId: device.id,
        plan: {
          sight: {
            ...sight,
            ...aimed(sight.place, at),
            place: { ...sight.place, panDeg: round(bearingDeg(sight.place, at), 0.5) },
          },
        },
      }
    const to = snapping ? (ontoEdge(at, options)?.at ?? snapped(at).at) : at
    return {
      type: 'setPlan' as const,
      deviceId: device.id,
      plan: { sight: { ...sight, place: { ...sight.place, ...to } } },
    }
  }
  const original = useRef<(typeof job.things)[number] | null>(null)

  const up = (event: KonvaEventObject<PointerEvent>) => {
    const spot = spotOf(event)
    pointers.current.delete(event.evt.pointerId)
    const now = hold.current
    if (now?.on === 'pinch') {
      if (pointers.current.size === 0) hold.current = null
      return
    }
    hold.current = null
    if (frozen && !held) setHeld(frozen)
    freeze(null)
    if (!now) return
    if (now.on === 'sheet') {
      if (!now.moved) void click(toPlan(view, spot), event)
      return
    }
    const change = now.moved ? changeOf(now, toPlan(view, spot)) : null
    original.current = null
    if (change) void editor.commit(change)
    else editor.attempt(null)
  }

  const click = (at: PlanPoint, event: KonvaEventObject<PointerEvent>) => {
    if (tool.does === 'select') {
      if (event.target.id() === '') editor.select(null)
      onAsk(at, true)
      return
    }
    if (tool.does === 'scale') {
      const points = [...draft, at]
      if (points.length < 2) return editor.setDraft(points)
      onScale(points[0]!, points[1]!)
      return editor.setDraft([])
    }
    if (tool.does === 'place' || tool.does === 'wish') {
      const device = job.devices.find(({ id }) => id === tool.deviceId)
      const sight = device && sightOf(device)
      if (!device || !sight) return
      if (tool.does === 'wish')
        void editor.commit({
          type: 'setPlan',
          deviceId: device.id,
          plan: { sight: { ...sight, wish: { ...sight.wish, at: snapped(at).at } } },
        })
      else {
        const edge = snapping ? ontoEdge(at, options) : null
        const spot = edge?.at ?? snapped(at).at
        void editor.commit({
          type: 'setPlan',
          deviceId: device.id,
          plan: {
            sight: {
              ...sight,
              place: {
                floor,
                ...spot,
                panDeg: edge?.outDeg ?? sight.place?.panDeg ?? 0,
                rollDeg: sight.place?.rollDeg ?? 0,
              },
            },
          },
        })
      }
      editor.setTool({ does: 'select' })
      editor.select({ is: 'device', id: device.id })
      return
    }
    const point = snapped(at, draft.at(-1), draft.at(-2)).at
    const clicks = clicksOf(tool.kind)
    const closes =
      clicks === 'until ended' && draft.length > 2 && distanceM(point, draft[0]!) * view.perMetre < SNAP_PX
    const again =
      clicks === 'until ended' && draft.length > 1 && distanceM(point, draft.at(-1)!) * view.perMetre < 3
    if (closes || again) return editor.finish(draft)
    const points = [...draft, point]
    if (typeof clicks === 'number' && points.length >= clicks) void editor.finish(points)
    else editor.setDraft(points)
  }

  // A wheel over the plan zooms it and does not scroll the page: the listener must not be passive.
  const stage = useRef<{ container: () => HTMLDivElement } | null>(null)
  const latest = useRef({ view, setHeld })
  useEffect(() => {
    latest.current = { view, setHeld }
  })
  useEffect(() => {
    const box = stage.current?.container()
    if (!box) return
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      const { left, top } = box.getBoundingClientRect()
      latest.current.setHeld(
        zoom(latest.current.view, Math.exp(-event.deltaY * 0.0015), [
          event.clientX - left,
          event.clientY - top,
        ]),
      )
    }
    box.addEventListener('wheel', wheel, { passive: false })
    return () => box.removeEventListener('wheel', wheel)
  }, [])

  const own = selectedDevice ? (cameras.find(({ deviceId }) => deviceId === selectedDevice.id) ?? null) : null
  const footprint = useMemo(() => {
    if (!own) return null
    const corner = [toPlan(view, [0, height]), toPlan(view, [width, 0])] as const
    const grid = gridOver(
      { left: corner[0].x, right: corner[1].x, bottom: corner[0].y, top: corner[1].y },
      Math.max(0.1, 2 / view.perMetre),
    )
    const density = new Float32Array(grid.columns * grid.rows)
    eachSeen(own.eye, occludersOf(job.things, floor), grid, planeM, scratchFor(grid), (cell, pxM, hidden) => {
      if (!hidden) density[cell] = pxM
    })
    return { grid, canvas: paint(grid, density, densityBands(job.policies.edition, shades), 0.82) }
  }, [own, view, width, height, job.things, floor, planeM, job.policies.edition, shades])

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
    ...things.flatMap((thing) =>
      thing.name === '' || thing.kind === 'wall' || thing.kind === 'soffit' || thing.kind === 'premises'
        ? []
        : labelRoom(toScreen(view, labelPoint(thing)), 'outline' in thing),
    ),
  ]
  const drawing = tool.does === 'draw' || tool.does === 'scale'
  const trail = drawing && hover && draft.length > 0 ? [...draft, hover.at] : draft
  return (
    <Stage
      ref={(node) => {
        stage.current = node
      }}
      width={width}
      height={height}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      style={{ cursor: tool.does === 'select' ? 'default' : 'crosshair', touchAction: 'none' }}
    >
      <Layer listening={false}>
        {background ? <BackgroundPicture background={background} view={view} shades={shades} /> : null}
        <Grid view={view} width={width} height={height} colour={ink.rule} />
        {own && footprint && layer === 'density' ? (
          <Cells grid={footprint.grid} canvas={footprint.canvas} view={view} />
        ) : survey && survey.floor === floor ? (
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
          nearEdge={own ? nearEdge(own.eye, 0) : []}
          infraredM={
            selectedDevice ? (CATALOGUE.cameras.get(selectedDevice.cameraId)?.infraredReachM ?? 0) : 0
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

const round = (value: number, step: number) => Math.round(value / step) * step
const aimed = (place: PlanPoint, at: PlanPoint) => ({
  targetDistanceM: Math.min(500, Math.max(0.3, round(distanceM(place, at), 0.1))),
})

function grow({ left, right, bottom, top }: { left: number; right: number; bottom: number; top: number }) {
  return { left: left - 2, right: right + 2, bottom: bottom - 2, top: top + 2 }
}

function Cross({
  at: [x, y],
  colour,
  ring,
}: {
  at: readonly [number, number]
  colour: string
  ring: boolean
}) {
  return (
    <Group>
      <Line points={[x - 9, y, x + 9, y]} stroke={colour} strokeWidth={1.2} />
      <Line points={[x, y - 9, x, y + 9]} stroke={colour} strokeWidth={1.2} />
      {ring ? <Circle x={x} y={y} radius={6} stroke={colour} strokeWidth={1.4} /> : null}
    </Group>
  )
}

/** Thin lines every metre, five or ten, whichever leaves room. */
function Grid({
  view,
  width,
  height,
  colour,
}: {
  view: ViewBox
  width: number
  height: number
  colour: string
}) {
  const step = [1, 5, 10, 50, 100].find((m) => m * view.perMetre >= 22) ?? 500
  const [low, high] = [toPlan(view, [0, height]), toPlan(view, [width, 0])]
  const lines: number[][] = []
  for (let x = Math.ceil(low.x / step) * step; x <= high.x; x += step)
    lines.push([toScreen(view, { x, y: 0 })[0], 0, toScreen(view, { x, y: 0 })[0], height])
  for (let y = Math.ceil(low.y / step) * step; y <= high.y; y += step)
    lines.push([0, toScreen(view, { x: 0, y })[1], width, toScreen(view, { x: 0, y })[1]])
  return (
    <Group>
      {lines.map((points, i) => (
        <Line key={i} points={points} stroke={colour} strokeWidth={0.5} />
      ))}
    </Group>
  )
}

function ScaleBar({
  view,
  height,
  colour,
  paper,
  words,
}: {
  view: ViewBox
  height: number
  colour: string
  paper: string
  words: (m: number) => string
}) {
  const m = scaleBarM(view, 120)
  const [x, y, w] = [14, height - 16, m * view.perMetre]
  return (
    <Group>
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={paper} strokeWidth={5} />
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={colour} strokeWidth={1.5} />
      <Text
        text={words(m)}
        x={x}
        y={y - 20}
        width={Math.max(w, 60)}
        align="center"
        fontSize={12}
        fontStyle="600"
        fontFamily={FONT}
        fill={colour}
      />
    </Group>
  )
}

function North({ bearing, x, colour }: { bearing: number; x: number; colour: string }) {
  return (
    <Group x={x} y={30} rotation={bearing}>
      <Line points={[0, 16, 0, -16, -5, -6]} stroke={colour} strokeWidth={1.6} />
      <Text
        text="N"
        x={-6}
        y={-30}
        width={12}
        align="center"
        fontSize={13}
        fontStyle="600"
        fontFamily={FONT}
        fill={colour}
      />
    </Group>
  )
}
