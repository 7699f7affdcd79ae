import { Group } from 'react-konva'
import { Hatch, Label, Outlined, topOf } from './marks'
import type { Shape } from './shape'

/** Hatched: told apart without colour. */
export const privacy: Shape<'privacy'> = {
  labelAt: ({ outline }) => topOf(outline),
  draw: ({ outline, name }, { id, view, ink, selected, named }) => (
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
      <Label at={topOf(outline)} words={named ? name || 'Private' : name} view={view} ink={ink} above />
    </Group>
  ),
}
