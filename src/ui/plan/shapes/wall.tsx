import { Group, Line } from 'react-konva'
import { between, distanceM } from '@/core/geometry'
import { flat } from './marks'
import type { Shape } from './shape'

/** Lower than this somebody looks over it: it is dashed, m. */
const LOW_M = 2

/** Heavy, its openings thin. */
export const wall: Shape<'wall'> = {
  draw: ({ from, to, heightM, baseM, openings }, { id, view, ink, selected }) => {
    const colour = selected ? ink.copper : ink.ink
    const lengthM = distanceM(from, to)
    const at = (m: number) => between(from, to, m / lengthM)
    const line = (
      <Line
        id={id}
        points={flat(view, [from, to])}
        stroke={colour}
        strokeWidth={3}
        lineCap="square"
        hitStrokeWidth={14}
        perfectDrawEnabled={false}
        {...(heightM + baseM < LOW_M ? { dash: [12, 3] } : {})}
      />
    )
    if (openings.length === 0) return line
    return (
      <Group>
        {line}
        {openings.map(({ id: opening, alongM, widthM }) => {
          const points = flat(view, [at(alongM), at(alongM + widthM)])
          return (
            <Group key={opening} listening={false}>
              <Line points={points} stroke={ink.sheet} strokeWidth={4} />
              <Line points={points} stroke={colour} strokeWidth={0.8} />
            </Group>
          )
        })}
      </Group>
    )
  },
}
