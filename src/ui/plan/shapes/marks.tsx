'use client'

import { Group, Line, Text } from 'react-konva'
import type { Outline, PlanPoint } from '@/core/geometry'
import type { Ink } from '../../theme'
import { toScreen, type ViewBox } from '../view'

/** What shapes on the plan are made of. */

export type Inks = Readonly<Record<Ink, string>>

export const FONT = 'Barlow, sans-serif'
export const flat = (view: ViewBox, points: readonly PlanPoint[]) => points.flatMap((p) => toScreen(view, p))

/** The upper edge of an outline, its left end. */
export const topOf = (outline: Outline): PlanPoint =>
  outline.reduce((best, p) =>
    p.y > best.y + 1e-9 || (Math.abs(p.y - best.y) < 1e-9 && p.x < best.x) ? p : best,
  )

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

/** Words on the plan with the paper left clear round them. */
export function Label({
  at,
  words,
  view,
  ink,
  colour = ink.ink,
  above = false,
  below = false,
  gap = 0,
}: {
  at: PlanPoint
  words: string
  view: ViewBox
  ink: Inks
  colour?: string
  above?: boolean
  below?: boolean
  gap?: number
}) {
  if (words === '') return null
  const [x, y] = toScreen(view, at)
  const drop = below ? 4 + gap : -6
  const dy = above ? -16 : drop
  const text = {
    text: words,
    x: above ? x + 2 : x - 90,
    y: y + dy,
    width: above ? undefined : 180,
    align: above ? ('left' as const) : ('center' as const),
    fontSize: 12,
    fontStyle: '600',
    fontFamily: FONT,
  }
  return (
    <Group listening={false}>
      <Text {...text} stroke={ink.sheet} strokeWidth={3} fill={ink.sheet} lineJoin="round" />
      <Text {...text} fill={colour} />
    </Group>
  )
}
