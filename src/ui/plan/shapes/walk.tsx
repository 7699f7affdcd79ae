import { Group, Line, RegularPolygon } from 'react-konva'
import { toScreen } from '../view'
import { flat, Label } from './marks'
import type { Shape } from './shape'

/** Dots along the path, a diamond at its end. */
export const walk: Shape<'walk'> = {
  labelAt: ({ path }) => path[0]!,
  draw: ({ path, name }, { id, view, ink, selected }) => {
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
        <Label at={path[0]!} words={name} view={view} ink={ink} below />
      </Group>
    )
  },
}
