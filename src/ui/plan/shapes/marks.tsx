'use client'

import { Rect, Text } from 'react-konva'
import type { PlanPoint } from '@/core/geometry'
import { toScreen, type ViewBox } from '@/drawings/plan'
import type { Ink } from '../../theme'

/** What shapes on the plan are made of. */

export type Inks = Readonly<Record<Ink, string>>

export const FONT = 'Barlow, sans-serif'
export const flat = (view: ViewBox, points: readonly PlanPoint[]) => points.flatMap((p) => toScreen(view, p))

/** What a hand takes a corner by, or stood on its tip an edge. */
export function Handle({
  id,
  at: [x, y],
  ink,
  onTip = false,
}: {
  id: string
  at: readonly [number, number]
  ink: Inks
  onTip?: boolean
}) {
  return (
    <Rect
      id={id}
      x={x}
      y={y}
      offsetX={5}
      offsetY={5}
      width={10}
      height={10}
      rotation={onTip ? 45 : 0}
      fill={ink.sheet}
      stroke={ink.copper}
      strokeWidth={2}
      hitStrokeWidth={18}
    />
  )
}

/** A word in the middle of a width. */
export function Caption({
  words,
  at: [x, y],
  width,
  size,
  colour,
}: {
  words: string
  at: readonly [number, number]
  width: number
  size: number
  colour: string
}) {
  return (
    <Text
      text={words}
      x={x}
      y={y}
      width={width}
      align="center"
      fontSize={size}
      fontStyle="600"
      fontFamily={FONT}
      fill={colour}
      listening={false}
    />
  )
}
