import { Group } from 'react-konva'
import { RANK, round } from '../naming'
import { Hatch, Outlined } from './marks'
import type { Shape } from './shape'

/** Hatched: told apart without colour. */
export const privacy: Shape<'privacy'> = {
  naming: ({ outline, name }, view) => ({
    ...round(outline, view),
    words: name || 'Private',
    colour: 'ink',
    rank: RANK.areas,
  }),
  draw: ({ outline }, { id, view, ink, selected }) => (
    <Group>
      <Outlined
        id={id}
        outline={outline}
        view={view}
        stroke={selected ? ink.copper : ink.ink}
        dash={[3, 3]}
        width={1.4}
        hitFill
      />
      <Hatch outline={outline} view={view} stroke={ink.ink} />
    </Group>
  ),
}
