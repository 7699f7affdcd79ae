import { Group, Line, RegularPolygon } from 'react-konva'
import { toScreen } from '../view'
import { beside, RANK } from '../naming'
import { flat } from './marks'
import type { Shape } from './shape'

/** Dots along the path, a diamond at its end. */
export const walk: Shape<'walk'> = {
  naming: ({ path, name }, view) => ({
    ...beside(toScreen(view, path[0]!), 6),
    words: name,
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ path }, { id, view, ink, selected }) => {
    const colour = selected ? ink.copper : ink.ink
    const [x, y] = toScreen(view, path.at(-1)!)
    return (
      <Group>
        <Line
          id={id}
          points={flat(view, path)}
          stroke={colour}
          strokeWidth={1.6}
          dash={[2, 6]}
          lineCap="round"
          hitStrokeWidth={16}
        />
        <RegularPolygon x={x} y={y} sides={4} radius={5} fill={colour} listening={false} />
      </Group>
    )
  },
}
