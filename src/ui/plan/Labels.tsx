'use client'

import { memo, useMemo } from 'react'
import { Group, Line, Text } from 'react-konva'
import { place, type Box, type Segment } from '@/drawings/labels/place'
import type { Naming } from '@/drawings/plan'
import { FONT, type Inks } from './shapes/marks'

const SIZE = 12
const HEIGHT = 14
const STYLE = '600'

interface LabelsProps {
  readonly namings: readonly Naming[]
  readonly taken: readonly Box[]
  readonly lines: readonly Segment[]
  readonly sheet: Box
  readonly ink: Inks
}

/** Names, figures and values, none on another; paper is left clear round each. */
export const Labels = memo(function Labels({ namings, taken, lines, sheet, ink }: LabelsProps) {
  const placed = useMemo(() => {
    const wanted = namings.map((one) => ({ ...one, width: widthOf(one.words), height: HEIGHT }))
    return place(wanted, taken, lines, sheet)
  }, [namings, taken, lines, sheet])
  const byId = useMemo(() => new Map(namings.map((one) => [one.id, one])), [namings])
  return placed.map(({ id, box, leader }) => {
    const { words, colour } = byId.get(id)!
    const text = {
      text: words,
      x: box.minX,
      y: box.minY + 1,
      fontSize: SIZE,
      fontStyle: STYLE,
      fontFamily: FONT,
    }
    return (
      <Group key={id}>
        {leader ? <Line points={[...leader]} stroke={ink[colour]} strokeWidth={0.8} /> : null}
        <Text {...text} stroke={ink.sheet} strokeWidth={3.5} fill={ink.sheet} lineJoin="round" />
        <Text {...text} fill={ink[colour]} />
      </Group>
    )
  })
})

const WIDTHS = new Map<string, number>()
let context: CanvasRenderingContext2D | null = null

/** How wide words are on the plan, px. */
function widthOf(words: string): number {
  const known = WIDTHS.get(words)
  if (known !== undefined) return known
  context ??= document.createElement('canvas').getContext('2d')!
  context.font = `${STYLE} ${SIZE}px ${FONT}`
  const width = context.measureText(words).width
  WIDTHS.set(words, width)
  return width
}
