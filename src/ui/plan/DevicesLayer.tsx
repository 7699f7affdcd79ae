'use client'

import { Circle, Group, Line, Text } from 'react-konva'
import { along, distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Floor } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import type { Ink } from '../theme'
import { Caption, Label } from './shapes/marks'
import { toScreen, type ViewBox } from './view'

type Inks = Readonly<Record<Ink, string>>

interface DevicesProps {
  readonly devices: readonly Device[]
  readonly floor: Floor
  readonly view: ViewBox
  readonly ink: Inks
  readonly selectedId: string | null
  /** Half the picture's width, in degrees, by device. */
  readonly halfFov: (device: Device) => number
  readonly verdict: (deviceId: string) => 'good' | 'check' | 'stop'
  /** Of the selected device: where its dead zone ends, and how far its infrared reaches. */
  readonly nearEdge: readonly PlanPoint[]
  readonly infraredM: number
  readonly units: UnitSystem
}

/** Devices that stand on the floor, with the way they look; the selected one with its handles. */
export function Devices({
  devices,
  floor,
  view,
  ink,
  selectedId,
  halfFov,
  verdict,
  nearEdge,
  infraredM,
  units,
}: DevicesProps) {
  return devices.map((device) => {
    const place = device.sight?.place
    if (!place || place.floor !== floor || device.state === 'taken away') return null
    return (
      <Placed
        key={device.id}
        device={device}
        place={place}
        view={view}
        ink={ink}
        selected={device.id === selectedId}
        half={halfFov(device)}
        verdict={verdict(device.id)}
        nearEdge={nearEdge}
        infraredM={infraredM}
        units={units}
      />
    )
  })
}

type Place = NonNullable<NonNullable<Device['sight']>['place']>

interface PlacedProps extends Pick<DevicesProps, 'view' | 'ink' | 'nearEdge' | 'infraredM' | 'units'> {
  readonly device: Device
  readonly place: Place
  readonly selected: boolean
  readonly half: number
  readonly verdict: 'good' | 'check' | 'stop'
}

function Placed({
  device,
  place,
  view,
  ink,
  selected,
  half,
  verdict,
  nearEdge,
  infraredM,
  units,
}: PlacedProps) {
  const [x, y] = toScreen(view, place)
  const look = (turn: number, px: number) =>
    toScreen(view, along(place, place.panDeg + turn, px / view.perMetre))
  const sight = device.sight!
  const wish = sight.wish.at
  const fan = Math.min(half, 88)
  return (
    <Group>
      {wish ? <Wish device={device} at={wish} view={view} ink={ink} selected={selected} /> : null}
      {selected ? (
        <Aim
          device={device}
          place={place}
          view={view}
          ink={ink}
          half={fan}
          nearEdge={nearEdge}
          infraredM={infraredM}
          units={units}
        />
      ) : (
        <Line
          points={[...look(-fan, 26), x, y, ...look(fan, 26)]}
          stroke={ink.ink}
          strokeWidth={1}
          listening={false}
        />
      )}
      <Circle
        id={`device:${device.id}`}
        x={x}
        y={y}
        radius={11}
        fill={selected ? ink.copper : ink.ink}
        stroke={ink.sheet}
        strokeWidth={1.5}
        hitStrokeWidth={16}
      />
      <Caption words={device.mark} at={[x - 16, y - 5.5]} width={32} size={11} colour={ink.sheet} />
      {verdict === 'good' ? null : (
        <Text
          text={verdict === 'stop' ? '■' : '▲'}
          x={x + 8}
          y={y - 20}
          fontSize={12}
          fill={verdict === 'stop' ? ink.stop : ink.check}
          stroke={ink.sheet}
          strokeWidth={0.4}
          listening={false}
        />
      )}
      {selected ? <Bracket x={x} y={y} colour={ink.copper} /> : null}
    </Group>
  )
}

/** A dead zone smaller than this on screen would only clutter it. */
const DEAD_ZONE_PX = 50

/** Where the picture looks: its sides, its axis, and a handle at the target to aim by. */
function Aim({
  device,
  place,
  view,
  ink,
  half,
  nearEdge,
  infraredM,
  units,
}: Omit<PlacedProps, 'selected' | 'verdict'>) {
  const sight = device.sight!
  const reach = sight.targetDistanceM * 1.5
  const target = along(place, place.panDeg, sight.targetDistanceM)
  const [x, y] = toScreen(view, place)
  const [tx, ty] = toScreen(view, target)
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
      {nearEdge.length > 1 && distanceM(place, nearEdge[6]!) * view.perMetre > DEAD_ZONE_PX ? (
        <Group listening={false}>
          <Line
            points={nearEdge.flatMap((p) => toScreen(view, p))}
            stroke={ink.ink}
            strokeWidth={1.4}
            dash={[5, 3]}
          />
          <Label
            at={nearEdge.at(-1)!}
            words={`not seen nearer than ${print({ value: distanceM(place, nearEdge[6]!), kind: 'length' }, units)}`}
            view={view}
            ink={ink}
            below
            gap={2}
          />
        </Group>
      ) : null}
      {infraredM > 0 ? (
        <Group listening={false}>
          <Line
            points={Array.from({ length: 13 }, (_, i) =>
              toScreen(view, along(place, place.panDeg - half + (half * i) / 6, infraredM)),
            ).flat()}
            stroke={ink.soft}
            strokeWidth={1}
            dash={[2, 4]}
          />
          <Label
            at={along(place, place.panDeg, infraredM)}
            words={`infrared ${print({ value: infraredM, kind: 'length' }, units)}`}
            view={view}
            ink={ink}
            colour={ink.soft}
          />
        </Group>
      ) : null}
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
      <Label at={at} words={`wish ${device.mark}`} view={view} ink={ink} colour={ink.soft} below gap={9} />
    </Group>
  )
}

/** The L-shaped corners of the selected thing. */
function Bracket({ x, y, colour }: { x: number; y: number; colour: string }) {
  const r = 18
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([sx, sy]) => (
    <Line
      key={`${sx}${sy}`}
      points={[x + sx! * r, y + sy! * (r - 7), x + sx! * r, y + sy! * r, x + sx! * (r - 7), y + sy! * r]}
      stroke={colour}
      strokeWidth={2}
      listening={false}
    />
  ))
}
