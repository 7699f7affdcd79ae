import { Circle, Group, Line } from 'react-konva'
import { obstacleOutline } from '@/core/plan'
import { toScreen } from '../view'
import { RANK, round } from '../naming'
import { flat } from './marks'
import type { Shape } from './shape'

/** Filled: nobody looks through it. */
export const obstacle: Shape<'obstacle'> = {
  naming: (thing, view) => ({
    ...round(obstacleOutline(thing), view),
    words: thing.name,
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: (thing, { id, view, ink, selected }) => {
    const { form } = thing
    const look = { id, fill: ink.hatch, stroke: selected ? ink.copper : ink.ink, strokeWidth: 1.5 }
    return (
      <Group>
        {form.is === 'round' ? (
          <Circle
            {...look}
            x={toScreen(view, form.at)[0]}
            y={toScreen(view, form.at)[1]}
            radius={Math.max(3, form.radiusM * view.perMetre)}
            hitStrokeWidth={12}
          />
        ) : (
          <Line {...look} points={flat(view, form.outline)} closed hitStrokeWidth={10} />
        )}
      </Group>
    )
  },
}
