import { spotsOf, square, tintOf } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** Dots along the path, a diamond at its end. */
export const walk: DrawnThing<'walk'> = {
  naming: ({ path, name }, view) => ({
    ...beside(toScreen(view, path[0]!), 6),
    words: name,
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ path }, { id, view, selected }) => {
    const stroke = tintOf(selected)
    return [
      {
        is: 'line',
        id,
        spots: spotsOf(view, path),
        stroke,
        wide: 1.6,
        dash: [2, 6],
        ends: 'round',
        grip: 16,
      },
      { is: 'line', spots: square(toScreen(view, path.at(-1)!), 5, true), closed: true, fill: stroke },
    ]
  },
}
