import { Outlined } from './marks'
import type { Shape } from './shape'

/** A boundary line; what lies inside is taken by itself. */
export const premises: Shape<'premises'> = {
  draw: ({ outline }, { id, view, ink, selected }) => (
    <Outlined
      id={id}
      outline={outline}
      view={view}
      stroke={selected ? ink.copper : ink.soft}
      dash={[14, 5, 3, 5]}
      width={1.2}
      hitFill={false}
    />
  ),
}
