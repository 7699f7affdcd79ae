'use client'

import { Circle, Group, Line } from 'react-konva'
import { Caption } from './shapes/marks'
import { scaleBarM, toPlan, toScreen, type ViewBox } from './view'

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
  colour,
}: {
  view: ViewBox
  width: number
  height: number
  colour: string
}) {
  const step = [1, 5, 10, 50, 100].find((m) => m * view.perMetre >= 22) ?? 500
  const [low, high] = [toPlan(view, [0, height]), toPlan(view, [width, 0])]
  const lines: number[][] = []
  for (let x = Math.ceil(low.x / step) * step; x <= high.x; x += step)
    lines.push([toScreen(view, { x, y: 0 })[0], 0, toScreen(view, { x, y: 0 })[0], height])
  for (let y = Math.ceil(low.y / step) * step; y <= high.y; y += step)
    lines.push([0, toScreen(view, { x: 0, y })[1], width, toScreen(view, { x: 0, y })[1]])
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
  height,
  colour,
  paper,
  words,
}: {
  view: ViewBox
  height: number
  colour: string
  paper: string
  words: (m: number) => string
}) {
  const m = scaleBarM(view, 120)
  const [x, y, w] = [14, height - 16, m * view.perMetre]
  return (
    <Group>
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={paper} strokeWidth={5} />
      <Line points={[x, y - 5, x, y, x + w, y, x + w, y - 5]} stroke={colour} strokeWidth={1.5} />
      <Caption words={words(m)} at={[x, y - 20]} width={Math.max(w, 60)} size={12} colour={colour} />
    </Group>
  )
}

export function North({ bearing, x, colour }: { bearing: number; x: number; colour: string }) {
  return (
    <Group x={x} y={30} rotation={bearing}>
      <Line points={[0, 16, 0, -16, -5, -6]} stroke={colour} strokeWidth={1.6} />
      <Caption words="N" at={[-6, -30]} width={12} size={13} colour={colour} />
    </Group>
  )
}
