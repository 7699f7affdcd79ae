import { Group, Line } from 'react-konva'
import { soffitBoard } from '@/core/plan'
import { flat } from './marks'
import type { Shape } from './shape'

/** Its board pale, its outer edge heavy where a lip hangs from it. */
export const soffit: Shape<'soffit'> = {
  draw: (thing, { id, view, ink, selected }) => {
    const colour = selected ? ink.copper : ink.ink
    const board = flat(view, soffitBoard(thing))
    return (
      <Group>
        <Line id={id} points={board} closed fill={ink.part} opacity={0.45} />
        <Line points={board} closed stroke={colour} strokeWidth={0.8} dash={[6, 4]} listening={false} />
        <Line
          id={id}
          points={flat(view, [thing.from, thing.to])}
          stroke={colour}
          strokeWidth={thing.lipM > 0 ? 2.4 : 1.2}
          hitStrokeWidth={14}
        />
      </Group>
    )
  },
}
