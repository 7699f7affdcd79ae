'use client'

import { memo } from 'react'
import { Group } from 'react-konva'
import { FLOORS, type Device, type Floor } from '@/core/job'
import type { Spot } from '@/drawings/labels/place'
import { deviceMarks, standingOn, standOf, toScreen, WIDEST_DRAWN, type ViewBox } from '@/drawings/plan'
import { Aim, type AimProps } from './Aim'
import { Corners } from './furniture'
import type { Inks } from './shapes/marks'
import { PlanMarks } from './shapes/PlanMarks'

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
  return standingOn(devices, floor, view, stand).map(({ device, place, stands }) => (
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
      stands={stands}
      infraredM={infraredM(device)}
      edges={device.id === aimed ? edges : null}
    />
  ))
}

const NOTHING_MORE = {
  selected: new Set<string>(),
  aimed: null,
  verdict: () => 'good',
  faults: new Map<string, number>(),
  infraredM: () => 0,
  edges: { nearEdge: [], farM: null, zooms: false },
} satisfies Partial<DevicesProps>

type BeyondProps = Pick<DevicesProps, 'devices' | 'floor' | 'view' | 'ink' | 'halfFov'>

/** Devices of the other floors: their marks and the way they look, and nothing more of them. */
export const DevicesBeyond = memo(function DevicesBeyond(props: BeyondProps) {
  const { devices, floor, view } = props
  const others = (Object.keys(FLOORS) as Floor[]).filter((one) => one !== floor)
  return others.map((one) => (
    <Devices key={one} {...props} {...NOTHING_MORE} floor={one} stand={standOf(devices, one, view, [])} />
  ))
})

type PlacedProps = Parameters<typeof deviceMarks>[0] &
  Pick<DevicesProps, 'ink'> & {
    /** Of the one with handles. */
    readonly edges: DevicesProps['edges'] | null
  }

/** Remembered: a hand moves one of hundreds. */
const Placed = memo(function Placed({ ink, edges, ...standing }: PlacedProps) {
  const { device, place, view, half, selected, aimed } = standing
  const [x, y] = standing.stands ?? toScreen(view, place)
  return (
    <Group>
      {aimed && edges ? (
        <Aim
          device={device}
          place={place}
          view={view}
          ink={ink}
          half={Math.min(half, WIDEST_DRAWN)}
          {...edges}
        />
      ) : null}
      <PlanMarks marks={deviceMarks(standing)} ink={ink} />
      {selected ? <Corners from={[x - 12, y - 12]} to={[x + 12, y + 12]} colour={ink.copper} /> : null}
    </Group>
  )
})
