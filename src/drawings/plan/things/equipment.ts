import { square, tintOf } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** An open square with an E. */
export const equipment: DrawnThing<'equipment'> = {
  naming: ({ at, name }, view) => ({
    ...beside(toScreen(view, at), 10),
    words: name || 'Equipment',
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ at }, { id, view, selected }) => {
    const spot = toScreen(view, at)
    const stroke = tintOf(selected)
    return [
      { is: 'line', id, spots: square(spot, 7), closed: true, fill: 'sheet', stroke, wide: 1.6, grip: 12 },
      { is: 'letters', at: spot, words: 'E', size: 12, tint: stroke },
    ]
  },
}
