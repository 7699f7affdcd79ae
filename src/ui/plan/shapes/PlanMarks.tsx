'use client'

import { Circle, Group, Line } from 'react-konva'
import type { Spot } from '@/drawings/labels/place'
import { slantsOver, type PlanMark } from '@/drawings/plan'
import { Caption, type Inks } from './marks'

/** What a plan is drawn with, on the screen. */
export function PlanMarks({ marks, ink }: { marks: readonly PlanMark[]; ink: Inks }) {
  return marks.map((mark, i) => <Marked key={i} mark={mark} ink={ink} />)
}

function Marked({ mark, ink }: { mark: PlanMark; ink: Inks }) {
  if (mark.is === 'hatch') return <Hatch rings={mark.rings} stroke={ink[mark.stroke]} step={mark.step} />
  if (mark.is === 'letters') {
    const [x, y] = mark.at
    const { size } = mark
    return (
      <Caption
        words={mark.words}
        at={[x - 2 * size, y - size / 2]}
        width={4 * size}
        size={size}
        colour={ink[mark.tint]}
      />
    )
  }
  const { id, stroke, wide = 1, dash, fill, opacity, grip } = mark
  const look = {
    ...(id ? { id } : { listening: false }),
    ...(stroke ? { stroke: ink[stroke], strokeWidth: wide } : {}),
    ...(dash ? { dash: [...dash] } : {}),
    ...(fill ? { fill: ink[fill] } : {}),
    ...(opacity === undefined ? {} : { opacity }),
    ...(grip === undefined ? {} : { hitStrokeWidth: grip }),
  }
  if (mark.is === 'circle') return <Circle x={mark.at[0]} y={mark.at[1]} radius={mark.radius} {...look} />
  const inside = mark.taken === 'inside' ? { fill: 'rgba(0,0,0,0.001)' } : {}
  return (
    <Line
      points={mark.spots.flat()}
      closed={mark.closed ?? false}
      fillEnabled={Boolean(fill) || mark.taken === 'inside'}
      perfectDrawEnabled={false}
      {...(mark.ends ? { lineCap: mark.ends } : {})}
      {...look}
      {...inside}
    />
  )
}

/** Slanted lines over an outline and out of its holes. */
export function Hatch({
  rings,
  stroke,
  step,
}: {
  rings: readonly (readonly Spot[])[]
  stroke: string
  step: number
}) {
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
      {slantsOver(rings, step).map((ends, i) => (
        <Line key={i} points={ends.flat()} stroke={stroke} strokeWidth={0.7} />
      ))}
    </Group>
  )
}
