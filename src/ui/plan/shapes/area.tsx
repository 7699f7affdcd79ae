import { Group } from 'react-konva'
import { LEVELS } from '@/core/job'
import { Label, Outlined, topOf } from './marks'
import type { Shape } from './shape'

/** Its outline, with its name and what it must show. */
export const area: Shape<'area'> = {
  labelAt: ({ outline }) => topOf(outline),
  draw: ({ outline, name, level }, { id, view, ink, selected, named }) => (
    <Group>
      <Outlined
        id={id}
        outline={outline}
        view={view}
        stroke={ink.copper}
        width={selected ? 2.6 : 1.6}
        hitFill
      />
      <Label
        at={topOf(outline)}
        words={named || selected ? `${name}: ${LEVELS[level].name.toLowerCase()}` : ''}
        view={view}
        ink={ink}
        colour={ink.copper}
        above
      />
    </Group>
  ),
}
