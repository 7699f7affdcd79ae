import { Circle, Group, Line } from 'react-konva'
import { middleOf } from '@/core/geometry'
import type { ThingOf } from '@/core/job'
import { obstacleOutline } from '@/core/plan'
import { toScreen } from '../view'
import { flat, Label } from './marks'
import type { Shape } from './shape'

const labelAt = (thing: ThingOf<'obstacle'>) => {
  const outline = obstacleOutline(thing)
  return { x: middleOf(outline).x, y: Math.min(...outline.map(({ y }) => y)) }
}

/** Filled: nobody looks through it. */
export const obstacle: Shape<'obstacle'> = {
  labelAt,
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
        <Label at={labelAt(thing)} words={thing.name} view={view} ink={ink} below />
      </Group>
    )
  },
}
