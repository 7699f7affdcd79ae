'use client'

import { Circle, Rect } from 'react-konva'
import type { PlanPoint } from '@/core/geometry'
import { toScreen, type ViewBox } from '@/drawings/plan'
import { Cross } from './furniture'
import type { Inks } from './shapes/marks'
import type { Snapped } from './snap'
import type { Framed } from './useHand'

/** What is pointed at: where the hand draws, what is asked about, where a walk is, what is framed. */
export function UnderHand({
  hover,
  asked,
  walkAt,
  framed,
  view,
  ink,
}: {
  hover: Snapped | null
  asked: PlanPoint | null
  walkAt: PlanPoint | null
  framed: Framed | null
  view: ViewBox
  ink: Inks
}) {
  const at = (point: PlanPoint) => toScreen(view, point)
  const [wx, wy] = walkAt ? at(walkAt) : [0, 0]
  return (
    <>
      {hover ? (
        <Cross at={at(hover.at)} colour={ink.copper} ring={hover.to === 'end' || hover.to === 'edge'} />
      ) : null}
      {asked ? <Cross at={at(asked)} colour={ink.ink} ring /> : null}
      {walkAt ? (
        <Circle x={wx} y={wy} radius={6} fill={ink.copper} stroke={ink.sheet} strokeWidth={2} />
      ) : null}
      {framed ? (
        <Rect
          x={framed.from[0]}
          y={framed.from[1]}
          width={framed.to[0] - framed.from[0]}
          height={framed.to[1] - framed.from[1]}
          stroke={ink.copper}
          strokeWidth={1.2}
          dash={[5, 4]}
        />
      ) : null}
    </>
  )
}
