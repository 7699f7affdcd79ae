'use client'

import { Circle, Group, Line } from 'react-konva'
import { along, type PlanPoint } from '@/core/geometry'
import type { Device, Place } from '@/core/job'
import { deadZone, toScreen, type ViewBox } from '@/drawings/plan'
import { Handle, type Inks } from './shapes/marks'

export interface AimProps {
  readonly device: Device
  readonly place: Place
  readonly view: ViewBox
  readonly ink: Inks
  /** Half the picture's width, in degrees. */
  readonly half: number
  /** Where its dead zone ends. */
  readonly nearEdge: readonly PlanPoint[]
  /** How far out its picture's upper edge meets the ground, m; null where it looks over the horizon. */
  readonly farM: number | null
  /** Whether its lens can be set. */
  readonly zooms: boolean
}

/** Where its far limit lies farther out than so many times its target, the handle for it stands there. */
const FAR_HANDLE = 1.9

/** Where the picture looks: its sides, its axis, and a handle at the target to aim by. */
export function Aim({ device, place, view, ink, half, nearEdge, farM, zooms }: AimProps) {
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
              onTip
            />
          ))
        : null}
      <Handle id={`far:${device.id}`} at={far} ink={ink} onTip />
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
