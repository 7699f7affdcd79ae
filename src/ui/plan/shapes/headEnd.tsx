import { Group, Rect } from 'react-konva'
import { toScreen } from '../view'
import { beside, RANK } from '../naming'
import { Caption } from './marks'
import type { Shape } from './shape'

/** A square with an H. */
export const headEnd: Shape<'head end'> = {
  naming: ({ at, name }, view) => ({
    ...beside(toScreen(view, at), 11),
    words: name || 'Head end',
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ at }, { id, view, ink, selected }) => {
    const [x, y] = toScreen(view, at)
    return (
      <Group>
        <Rect
          id={id}
          x={x - 8}
          y={y - 8}
          width={16}
          height={16}
          fill={selected ? ink.copper : ink.ink}
          cornerRadius={2}
          hitStrokeWidth={12}
        />
        <Caption words="H" at={[x - 8, y - 7]} width={16} size={14} colour={ink.sheet} />
      </Group>
    )
  },
}
