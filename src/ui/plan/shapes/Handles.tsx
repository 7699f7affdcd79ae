'use client'

import { Group, Rect } from 'react-konva'
import { distanceM, type PlanPoint } from '@/core/geometry'
import type { PlanThing } from '@/core/job'
import { cornersOf } from '@/core/plan'
import { print, type UnitSystem } from '@/core/units'
import { toScreen, type ViewBox } from '../view'
import { besideSide, RANK, type Naming } from '../naming'
import type { Inks } from './marks'

/** Handles at the corners of what is selected. */
export function Handles({ thing, view, ink }: { thing: PlanThing; view: ViewBox; ink: Inks }) {
  const { at: points } = cornersOf(thing)
  return (
    <Group>
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

/** So short on the screen a side carries no length, px. */
const SHORT_PX = 34

/** The length of every side, beside it. */
export function lengthsOf(
  id: string,
  points: readonly PlanPoint[],
  closed: boolean,
  view: ViewBox,
  units: UnitSystem,
): Naming[] {
  return points.flatMap((a, i) => {
    const ends = i + 1 < points.length || (closed && points.length > 2)
    const b = points[(i + 1) % points.length]!
    const lengthM = distanceM(a, b)
    if (!ends || lengthM * view.perMetre < SHORT_PX) return []
    const words = print({ value: lengthM, kind: 'length' }, units)
    return [{ id: `${id}:side:${i}`, words, ...besideSide(a, b, view), rank: RANK.lengths, colour: 'soft' }]
  })
}
