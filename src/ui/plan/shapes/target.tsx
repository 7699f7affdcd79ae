import { Circle, Group, Line } from 'react-konva'
import { toScreen } from '../view'
import { Label } from './marks'
import type { Shape } from './shape'

/** A ring with a cross through it. */
export const target: Shape<'target'> = {
  labelAt: ({ at }) => at,
  draw: ({ at, name }, { id, view, ink, selected }) => {
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
        <Label at={at} words={name} view={view} ink={ink} colour={ink.copper} below gap={10} />
      </Group>
    )
  },
}
