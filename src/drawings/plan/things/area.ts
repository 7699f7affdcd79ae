import { LEVELS } from '@/core/job'
import { outlined } from '../marks'
import { RANK, round } from '../naming'
import type { DrawnThing } from './thing'

/** Its outline, with its name and what it must show. */
export const area: DrawnThing<'area'> = {
  naming: ({ outline, name, level }, view) => ({
    ...round(outline, view),
    words: `${name}: ${LEVELS[level].name.toLowerCase()}`,
    colour: 'copper',
    rank: RANK.areas,
  }),
  draw: ({ outline }, drawn) => [
    outlined(drawn, outline, { stroke: 'copper', wide: drawn.selected ? 2.6 : 1.6, taken: 'inside' }),
  ],
}
