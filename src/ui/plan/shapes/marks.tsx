'use client'

import { Group, Line, Rect, Text } from 'react-konva'
import type { Outline, PlanPoint } from '@/core/geometry'
import type { Ink } from '../../theme'
import { toScreen, type ViewBox } from '../view'

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

/** A line round an outline; where it can be taken by its inside, `hitFill`. */
export function Outlined({
  id,
  outline,
  view,
  stroke,
  width,
  dash = [],
  hitFill,
}: {
  id: string
  outline: Outline
  view: ViewBox
  stroke: string
  width: number
  dash?: number[]
  hitFill: boolean
}) {
  return (
    <Line
      id={id}
      points={flat(view, outline)}
      closed
      stroke={stroke}
      strokeWidth={width}
      dash={dash}
      hitStrokeWidth={12}
      fillEnabled={hitFill}
      {...(hitFill ? { fill: 'rgba(0,0,0,0.001)' } : {})}
    />
  )
}

/** Slanted lines over an outline: told apart without colour. */
export function Hatch({
  outline,
  view,
  stroke,
  step = 9,
  holes = [],
}: {
  outline: Outline
  view: ViewBox
  stroke: string
  step?: number
  holes?: readonly Outline[]
}) {
  const rings = [outline, ...holes].map((ring) => ring.map((p) => toScreen(view, p)))
  const xs = rings[0]!.map(([x]) => x)
  const ys = rings[0]!.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  return (
    <Group
      listening={false}
      clipFunc={(context) => {
        context.beginPath()
        for (const ring of rings) {
          ring.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)))
          context.closePath()
        }
        return ['evenodd']
      }}
    >
      {Array.from({ length: Math.min(400, Math.ceil((x1 - x0 + y1 - y0) / step)) }, (_, i) => (
        <Line
          key={i}
          points={[x0 + i * step, y0, x0 + i * step - (y1 - y0), y1]}
          stroke={stroke}
          strokeWidth={0.7}
        />
      ))}
    </Group>
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
