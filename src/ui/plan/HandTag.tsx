'use client'

import { Group, Rect, Text } from 'react-konva'
import type { Spot } from '@/drawings/labels/place'
import { FONT, type Inks } from './shapes/marks'

const [WIDTH, LINE, EDGE] = [172, 17, 8]

/** What the hand is doing, in figures, beside it: on the side of it that the sheet has room for. */
export function HandTag({
  at: [x, y],
  words,
  width,
  ink,
}: {
  at: Spot
  words: readonly string[]
  width: number
  ink: Inks
}) {
  if (words.length === 0) return null
  const height = words.length * LINE + 2 * EDGE - 4
  const left = x + 18 + WIDTH > width ? x - 18 - WIDTH : x + 18
  return (
    <Group x={left} y={y + 14} listening={false}>
      <Rect width={WIDTH} height={height} fill={ink.bar} cornerRadius={2} opacity={0.94} />
      {words.map((line, i) => (
        <Text
          key={i}
          text={line}
          x={EDGE}
          y={EDGE - 2 + i * LINE}
          fontSize={13}
          fontStyle={i === 0 ? '600' : '400'}
          fontFamily={FONT}
          fill={ink.onBar}
        />
      ))}
    </Group>
  )
}
