'use client'

import { Circle, Group, Line } from 'react-konva'
import { along } from '@/core/geometry'
import type { Device, Floor, Place } from '@/core/job'
import type { Spot } from '@/drawings/labels/place'
import { Aim, type AimProps } from './Aim'
import { Corners } from './furniture'
import { MARK_PX, placeOn } from './placed'
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
  /** Of the one with handles: what its edges are drawn and taken by. */
  readonly edges: Pick<AimProps, 'nearEdge' | 'farM' | 'zooms'>
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
  edges,
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
        edges={edges}
      />
    )
  })
}

interface PlacedProps extends Pick<DevicesProps, 'view' | 'ink' | 'edges'> {
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
  edges,
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
        <Aim device={device} place={place} view={view} ink={ink} half={fan} {...edges} />
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
