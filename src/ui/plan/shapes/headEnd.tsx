import { Group, Rect } from 'react-konva'
import { toScreen } from '../view'
import { Caption, Label } from './marks'
import type { Shape } from './shape'

/** A square with an H. */
export const headEnd: Shape<'head end'> = {
  labelAt: ({ at }) => at,
  draw: ({ at, name }, { id, view, ink, selected, named }) => {
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
        <Label at={at} words={named ? name || 'Head end' : name} view={view} ink={ink} below gap={8} />
      </Group>
    )
  },
}
