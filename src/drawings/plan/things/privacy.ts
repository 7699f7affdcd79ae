import { outlined, spotsOf, tintOf } from '../marks'
import { RANK, round } from '../naming'
import type { DrawnThing } from './thing'

/** Hatched: told apart without colour. */
export const privacy: DrawnThing<'privacy'> = {
  naming: ({ outline, name }, view) => ({
    ...round(outline, view),
    words: name || 'Private',
    colour: 'ink',
    rank: RANK.areas,
  }),
  draw: ({ outline }, drawn) => [
    outlined(drawn, outline, {
      stroke: tintOf(drawn.selected),
      dash: [3, 3],
      wide: 1.4,
      taken: 'inside',
    }),
    { is: 'hatch', rings: [spotsOf(drawn.view, outline)], stroke: 'ink', step: 9 },
  ],
}
