'use client'

import { Group, Rect } from 'react-konva'
import { distanceM, type PlanPoint } from '@/core/geometry'
import type { PlanThing } from '@/core/job'
import { cornersOf } from '@/core/plan'
import { print, type UnitSystem } from '@/core/units'
import { toScreen, type ViewBox } from '../view'
import { Label, type Inks } from './marks'

/** Handles at the corners of what is selected, and the lengths of its sides. */
export function Handles({
  thing,
  view,
  ink,
  units,
}: {
  thing: PlanThing
  view: ViewBox
  ink: Inks
  units: UnitSystem
}) {
  const { at: points, closed } = cornersOf(thing)
  return (
    <Group>
      <Sides points={points} closed={closed} view={view} ink={ink} units={units} />
      {points.map((p, i) => {
        const [x, y] = toScreen(view, p)
        return (
          <Rect
            key={i}
            id={`corner:${thing.id}:${i}`}
            x={x - 5}
            y={y - 5}
            width={10}
            height={10}
            fill={ink.sheet}
            stroke={ink.copper}
            strokeWidth={2}
            hitStrokeWidth={16}
          />
        )
      })}
    </Group>
  )
}

/** The length of every side, beside it. */
export function Sides({
  points,
  closed,
  view,
  ink,
  units,
}: {
  points: readonly PlanPoint[]
  closed: boolean
  view: ViewBox
  ink: Inks
  units: UnitSystem
}) {
  const sides = points.flatMap((a, i) =>
    i + 1 < points.length || (closed && points.length > 2)
      ? [[a, points[(i + 1) % points.length]!] as const]
      : [],
  )
  return (
    <Group listening={false}>
      {sides.map(([a, b], i) => {
        const lengthM = distanceM(a, b)
        if (lengthM * view.perMetre < 34) return null
        return (
          <Label
            key={i}
            at={{ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }}
            words={print({ value: lengthM, kind: 'length' }, units)}
            view={view}
            ink={ink}
            colour={ink.soft}
          />
        )
      })}
    </Group>
  )
}
