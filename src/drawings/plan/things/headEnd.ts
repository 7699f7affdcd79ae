import { square, tintOf } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** A square with an H. */
export const headEnd: DrawnThing<'head end'> = {
  naming: ({ at, name }, view) => ({
    ...beside(toScreen(view, at), 11),
    words: name || 'Head end',
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ at }, { id, view, selected }) => {
    const spot = toScreen(view, at)
    return [
      { is: 'line', id, spots: square(spot, 8), closed: true, fill: tintOf(selected), grip: 12 },
      { is: 'letters', at: spot, words: 'H', size: 14, tint: 'sheet' },
    ]
  },
}
