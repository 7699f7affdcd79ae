import { PULL_POINTS } from '@/core/job'
import { square, tintOf } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** An open square with its diagonals. */
export const pullPoint: DrawnThing<'pull point'> = {
  naming: ({ at, name, is }, view) => ({
    ...beside(toScreen(view, at), 8),
    words: name || PULL_POINTS[is],
    colour: 'soft',
    rank: RANK.contours,
  }),
  draw: ({ at }, { id, view, selected }) => {
    const spots = square(toScreen(view, at), 5)
    const stroke = tintOf(selected)
    const [a, b, c, d] = spots
    return [
      { is: 'line', id, spots, closed: true, fill: 'sheet', stroke, wide: 1.4, grip: 12 },
      { is: 'line', id, spots: [a!, c!], stroke, wide: 1 },
      { is: 'line', id, spots: [b!, d!], stroke, wide: 1 },
    ]
  },
}
