'use client'

import { Circle, Group, Line, Rect } from 'react-konva'
import { along, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Floor } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import type { Spot } from '@/drawings/labels/place'
import { Corners } from './furniture'
import { beside, onSpots, RANK, type Naming } from './naming'
import { Caption, type Inks } from './shapes/marks'
import { toScreen, type ViewBox } from './view'

interface DevicesProps {
  readonly devices: readonly Device[]
  readonly floor: Floor
  readonly view: ViewBox
  readonly ink: Inks
  readonly selected: ReadonlySet<string>
  /** The one that is selected by itself: it has its handles. */
  readonly aimed: string | null
  /** Half the picture's width, in degrees, by device. */
  readonly halfFov: (device: Device) => number
  readonly verdict: (deviceId: string) => 'good' | 'check' | 'stop'
  /** Where the marks stand: on their spot, or beside it where that is covered. */
  readonly stand: ReadonlyMap<string, Spot>
  /** Open faults by device; empty where they are not shown. */
  readonly faults: ReadonlyMap<string, number>
  /** How far each device's infrared reaches, m; nought where none is shown. */
  readonly infraredM: (device: Device) => number
  /** Of the selected device: where its dead zone ends. */
  readonly nearEdge: readonly PlanPoint[]
  /** How far out its picture's upper edge meets the ground, m; null where it looks over the horizon. */
  readonly farM: number | null
  /** Whether its lens can be set. */
  readonly zooms: boolean
}

/** Devices that stand on the floor, with the way they look; the selected one with its handles. */
export function Devices({
  devices,
  floor,
  view,
  ink,
  selected,
  aimed,
  halfFov,
  verdict,
  stand,
  faults,
  infraredM,
  nearEdge,
  farM,
  zooms,
}: DevicesProps) {
  return devices.map((device) => {
    const place = placeOn(device, floor)
    if (!place) return null
    return (
      <Placed
        key={device.id}
        device={device}
        place={place}
        view={view}
        ink={ink}
        selected={selected.has(device.id)}
        aimed={device.id === aimed}
        half={halfFov(device)}
        verdict={verdict(device.id)}
        faults={faults.get(device.id) ?? 0}
        stands={stand.get(device.id) ?? toScreen(view, place)}
        infraredM={infraredM(device)}
        nearEdge={nearEdge}
        farM={farM}
        zooms={zooms}
      />
    )
  })
}

type Place = NonNullable<NonNullable<Device['sight']>['place']>

/** Where a device stands on this floor; null where it does not, or is taken away. */
export const placeOn = ({ sight, state }: Device, floor: Floor): Place | null =>
  sight?.place?.floor === floor && state !== 'taken away' ? sight.place : null

interface PlacedProps extends Pick<DevicesProps, 'view' | 'ink' | 'nearEdge' | 'farM' | 'zooms'> {
  readonly device: Device
  readonly place: Place
  readonly stands: Spot
  readonly faults: number
  readonly infraredM: number
  readonly selected: boolean
  readonly aimed: boolean
  readonly half: number
  readonly verdict: 'good' | 'check' | 'stop'
}

function Placed({
  device,
  place,
  view,
  ink,
  selected,
  aimed,
  half,
  verdict,
  stands: [x, y],
  faults,
  infraredM,
  nearEdge,
  farM,
  zooms,
}: PlacedProps) {
  const [px, py] = toScreen(view, place)
  const aside = Math.hypot(x - px, y - py) > 1
  const look = (turn: number, px: number) =>
    toScreen(view, along(place, place.panDeg + turn, px / view.perMetre))
  const sight = device.sight!
  const wish = sight.wish.at
  const fan = Math.min(half, 88)
  return (
    <Group>
      {wish ? <Wish device={device} at={wish} view={view} ink={ink} selected={selected} /> : null}
      {aimed ? (
        <Aim
          device={device}
          place={place}
          view={view}
          ink={ink}
          half={fan}
          nearEdge={nearEdge}
          farM={farM}
          zooms={zooms}
        />
      ) : (
        <Line
          points={[...look(-fan, 26), px, py, ...look(fan, 26)]}
          stroke={ink.ink}
          strokeWidth={1}
          listening={false}
        />
      )}
      {infraredM > 0 ? <Infrared place={place} view={view} ink={ink} half={fan} reachM={infraredM} /> : null}
      {aside ? (
        <Group listening={false}>
          <Line points={[px, py, x, y]} stroke={selected ? ink.copper : ink.ink} strokeWidth={1} />
          <Circle x={px} y={py} radius={2.5} fill={selected ? ink.copper : ink.ink} />
        </Group>
      ) : null}
      <Circle
        id={`device:${device.id}`}
        x={x}
        y={y}
        radius={MARK_PX}
        fill={selected ? ink.copper : ink.ink}
        stroke={ink.sheet}
        strokeWidth={1.5}
        hitStrokeWidth={16}
      />
      <Caption words={device.mark} at={[x - 16, y - 5.5]} width={32} size={11} colour={ink.sheet} />
      {verdict === 'good' ? null : (
        <Badge
          sign={verdict === 'stop' ? '■' : '▲'}
          at={[x + 9, y - 10]}
          colour={verdict === 'stop' ? ink.stop : ink.check}
          ink={ink}
        />
      )}
      {faults > 0 ? (
        <Badge sign={String(faults)} at={[x + 9, y + 10]} colour={ink.stop} ink={ink} ringed />
      ) : null}
      {selected ? <Corners from={[x - 12, y - 12]} to={[x + 12, y + 12]} colour={ink.copper} /> : null}
    </Group>
  )
}

/** How large a device's mark is, and how far apart two stand at least, px. */
export const MARK_PX = 11
export const MARKS_APART_PX = 2 * MARK_PX + 4

/** What else a mark says, at its shoulder: its verdict, its open faults. */
function Badge({
  sign,
  at: [x, y],
  colour,
  ink,
  ringed = false,
}: {
  sign: string
  at: Spot
  colour: string
  ink: Inks
  ringed?: boolean
}) {
  return (
    <Group listening={false}>
      <Circle
        x={x}
        y={y}
        radius={7}
        fill={ink.sheet}
        {...(ringed ? { stroke: colour, strokeWidth: 1.4 } : {})}
      />
      <Caption words={sign} at={[x - 8, y - 5]} width={16} size={10} colour={colour} />
    </Group>
  )
}

/** How far its own light reaches. */
function Infrared({
  place,
  view,
  ink,
  half,
  reachM,
}: Pick<PlacedProps, 'place' | 'view' | 'ink' | 'half'> & { readonly reachM: number }) {
  return (
    <Line
      points={Array.from({ length: 13 }, (_, i) =>
        toScreen(view, along(place, place.panDeg - half + (half * i) / 6, reachM)),
      ).flat()}
      stroke={ink.soft}
      strokeWidth={1}
      dash={[2, 4]}
      listening={false}
    />
  )
}

/** A dead zone smaller than this on screen would only clutter it. */
const DEAD_ZONE_PX = 50

/** Where its far limit lies farther out than so many times its target, the handle for it stands there. */
const FAR_HANDLE = 1.9

/** What the hand takes an edge of the picture by. */
function Handle({ id, at: [x, y], ink }: { id: string; at: Spot; ink: Inks }) {
  return (
    <Rect
      id={id}
      x={x}
      y={y}
      offsetX={5}
      offsetY={5}
      width={10}
      height={10}
      rotation={45}
      fill={ink.sheet}
      stroke={ink.copper}
      strokeWidth={2}
      hitStrokeWidth={18}
    />
  )
}

/** How far a camera does not see before itself, where that is worth showing; else null. */
function deadZone(place: Place, nearEdge: readonly PlanPoint[], view: ViewBox): number | null {
  if (nearEdge.length < 2) return null
  const nearM = distanceM(place, nearEdge[6]!)
  return nearM * view.perMetre > DEAD_ZONE_PX ? nearM : null
}

/** What is written at a device beside its mark. */
export function deviceNamings(
  device: Device,
  place: Place,
  view: ViewBox,
  units: UnitSystem,
  shown: { readonly infraredM: number; readonly nearEdge: readonly PlanPoint[]; readonly selected: boolean },
): Naming[] {
  const { infraredM, nearEdge, selected } = shown
  const soft = { colour: 'soft' as const, rank: RANK.wishes }
  const wish = device.sight!.wish.at
  const nearM = selected ? deadZone(place, nearEdge, view) : null
  const printed = (value: number) => print({ value, kind: 'length' }, units)
  const on = (point: PlanPoint) => onSpots([toScreen(view, point)])
  return [
    ...(wish
      ? [
          {
            id: `${device.id}:wish`,
            words: `wish ${device.mark}`,
            ...beside(toScreen(view, wish), 11),
            ...soft,
          },
        ]
      : []),
    ...(infraredM > 0
      ? [
          {
            id: `${device.id}:infrared`,
            words: `infrared ${printed(infraredM)}`,
            ...on(along(place, place.panDeg, infraredM)),
            ...soft,
          },
        ]
      : []),
    ...(nearM === null
      ? []
      : [
          {
            id: `${device.id}:near`,
            words: `not seen nearer than ${printed(nearM)}`,
            ...beside(toScreen(view, nearEdge.at(-1)!), 4),
            colour: 'ink' as const,
            rank: RANK.aim,
          },
        ]),
  ]
}

/** Where the picture looks: its sides, its axis, and a handle at the target to aim by. */
function Aim({
  device,
  place,
  view,
  ink,
  half,
  nearEdge,
  farM,
  zooms,
}: Pick<PlacedProps, 'device' | 'place' | 'view' | 'ink' | 'half' | 'nearEdge' | 'farM' | 'zooms'>) {
  const sight = device.sight!
  const reach = sight.targetDistanceM * 1.5
  const target = along(place, place.panDeg, sight.targetDistanceM)
  const [x, y] = toScreen(view, place)
  const [tx, ty] = toScreen(view, target)
  const out = sight.targetDistanceM * FAR_HANDLE
  const far = toScreen(view, along(place, place.panDeg, Math.min(farM ?? out, out)))
  return (
    <Group>
      {[-half, half].map((turn) => (
        <Line
          key={turn}
          points={[x, y, ...toScreen(view, along(place, place.panDeg + turn, reach))]}
          stroke={ink.copper}
          strokeWidth={1.4}
          listening={false}
        />
      ))}
      <Line
        points={[x, y, tx, ty]}
        stroke={ink.copper}
        strokeWidth={1}
        dash={[10, 3, 2, 3]}
        listening={false}
      />
      {deadZone(place, nearEdge, view) ? (
        <Line
          points={nearEdge.flatMap((p) => toScreen(view, p))}
          stroke={ink.ink}
          strokeWidth={1.4}
          dash={[5, 3]}
          listening={false}
        />
      ) : null}
      {zooms
        ? [-half, half].map((turn) => (
            <Handle
              key={turn}
              id={`lens:${device.id}`}
              at={toScreen(view, along(place, place.panDeg + turn, reach))}
              ink={ink}
            />
          ))
        : null}
      <Handle id={`far:${device.id}`} at={far} ink={ink} />
      <Circle
        id={`aim:${device.id}`}
        x={tx}
        y={ty}
        radius={9}
        fill={ink.sheet}
        stroke={ink.copper}
        strokeWidth={2}
        hitStrokeWidth={20}
      />
      <Circle x={tx} y={ty} radius={2.5} fill={ink.copper} listening={false} />
    </Group>
  )
}

/** The customer's wish: an open ring, joined to where the device stands instead. */
function Wish({
  device,
  at,
  view,
  ink,
  selected,
}: {
  device: Device
  at: { x: number; y: number }
  view: ViewBox
  ink: Inks
  selected: boolean
}) {
  const place = device.sight!.place!
  const [wx, wy] = toScreen(view, at)
  const [x, y] = toScreen(view, place)
  return (
    <Group>
      <Line points={[wx, wy, x, y]} stroke={ink.soft} strokeWidth={1} dash={[3, 4]} listening={false} />
      <Circle
        id={`wish:${device.id}`}
        x={wx}
        y={wy}
        radius={9}
        stroke={selected ? ink.copper : ink.soft}
        strokeWidth={1.6}
        dash={[4, 3]}
        hitStrokeWidth={16}
        fill={ink.sheet}
      />
    </Group>
  )
}
