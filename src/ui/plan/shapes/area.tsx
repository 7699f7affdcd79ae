import { LEVELS } from '@/core/job'
import { RANK, round } from '../naming'
import { Outlined } from './marks'
import type { Shape } from './shape'

/** Its outline, with its name and what it must show. */
export const area: Shape<'area'> = {
  naming: ({ outline, name, level }, view) => ({
    ...round(outline, view),
    words: `${name}: ${LEVELS[level].name.toLowerCase()}`,
    colour: 'copper',
    rank: RANK.areas,
  }),
  draw: ({ outline }, { id, view, ink, selected }) => (
    <Outlined
      id={id}
      outline={outline}
      view={view}
      stroke={ink.copper}
      width={selected ? 2.6 : 1.6}
      hitFill
    />
  ),
}
