import { Circle, Group, Line } from 'react-konva'
import { toScreen } from '../view'
import { beside, RANK } from '../naming'
import type { Shape } from './shape'

/** A ring with a cross through it. */
export const target: Shape<'target'> = {
  naming: ({ at, name }, view) => ({
    ...beside(toScreen(view, at), 12),
    words: name,
    colour: 'copper',
    rank: RANK.areas,
  }),
  draw: ({ at }, { id, view, ink, selected }) => {
    const [x, y] = toScreen(view, at)
    const line = { stroke: ink.copper, strokeWidth: 1, listening: false }
    return (
      <Group>
        <Circle
          id={id}
          x={x}
          y={y}
          radius={7}
          stroke={ink.copper}
          strokeWidth={selected ? 2.6 : 1.6}
          fill={ink.sheet}
          hitStrokeWidth={14}
        />
        <Line points={[x - 10, y, x + 10, y]} {...line} />
        <Line points={[x, y - 10, x, y + 10]} {...line} />
      </Group>
    )
  },
}
