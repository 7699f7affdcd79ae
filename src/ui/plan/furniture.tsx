'use client'

import { Circle, Group, Line } from 'react-konva'
import type { Spot } from '@/drawings/labels/place'
import { scaleBarM, toPlan, toScreen, type ViewBox } from '@/drawings/plan'
import { Caption } from './shapes/marks'

/** What lies on every plan: its grid, a scale, north, and the cross that marks a spot. */

export function Cross({
  at: [x, y],
  colour,
  ring,
}: {
  at: readonly [number, number]
  colour: string
  ring: boolean
}) {
  return (
    <Group>
      <Line points={[x - 9, y, x + 9, y]} stroke={colour} strokeWidth={1.2} />
      <Line points={[x, y - 9, x, y + 9]} stroke={colour} strokeWidth={1.2} />
      {ring ? <Circle x={x} y={y} radius={6} stroke={colour} strokeWidth={1.4} /> : null}
    </Group>
  )
}

/** Thin lines every metre, five or ten, whichever leaves room. */
export function Grid({
  view,
  width,
  height,
  beyond,
  colour,
}: {
  view: ViewBox
  width: number
  height: number
  /** How far beyond the window, px. */
  beyond: number
  colour: string
}) {
  const step = [1, 5, 10, 50, 100].find((m) => m * view.perMetre >= 22) ?? 500
  const low = toPlan(view, [-beyond, height + beyond])
  const high = toPlan(view, [width + beyond, -beyond])
  const lines: number[][] = []
  for (let x = Math.ceil(low.x / step) * step; x <= high.x; x += step)
    lines.push([toScreen(view, { x, y: 0 })[0], -beyond, toScreen(view, { x, y: 0 })[0], height + beyond])
  for (let y = Math.ceil(low.y / step) * step; y <= high.y; y += step)
    lines.push([-beyond, toScreen(view, { x: 0, y })[1], width + beyond, toScreen(view, { x: 0, y })[1]])
  return (
    <Group>
      {lines.map((points, i) => (
        <Line key={i} points={points} stroke={colour} strokeWidth={0.5} />
      ))}
    </Group>
  )
}

export function ScaleBar({
  view,
  right,
  bottom,
  colour,
  paper,
  words,
}: {
  view: ViewBox
  right: number
  bottom: number
  colour: string
  paper: string
  words: (m: number) => string
}) {
  const m = scaleBarM(view, 120)
  const w = m * view.perMetre
  const [x, y] = [right - w, bottom]
  return (
    <Group>
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={paper} strokeWidth={5} />
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={colour} strokeWidth={1.5} />
      <Caption words={words(m)} at={[x, y - 20]} width={w} size={12} colour={colour} />
    </Group>
  )
}

export function North({ bearing, at: [x, y], colour }: { bearing: number; at: Spot; colour: string }) {
  return (
    <Group x={x} y={y} rotation={bearing}>
      <Line points={[0, 16, 0, -16, -5, -6]} stroke={colour} strokeWidth={1.6} />
      <Caption words="N" at={[-6, -30]} width={12} size={13} colour={colour} />
    </Group>
  )
}

/** The L-shaped corners round what is selected. */
export function Corners({ from: [x1, y1], to: [x2, y2], colour }: { from: Spot; to: Spot; colour: string }) {
  const [arm, off] = [9, 6]
  const corners: readonly (readonly [x: number, y: number, right: number, down: number])[] = [
    [x1 - off, y1 - off, 1, 1],
    [x2 + off, y1 - off, -1, 1],
    [x2 + off, y2 + off, -1, -1],
    [x1 - off, y2 + off, 1, -1],
  ]
  return corners.map(([x, y, right, down], i) => (
    <Line
      key={i}
      points={[x, y + down * arm, x, y, x + right * arm, y]}
      stroke={colour}
      strokeWidth={2}
      listening={false}
    />
  ))
}
