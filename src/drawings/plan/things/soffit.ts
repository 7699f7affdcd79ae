import { soffitBoard } from '@/core/plan'
import { spotsOf, tintOf } from '../marks'
import type { DrawnThing } from './thing'

/** Its board pale, its outer edge heavy where a lip hangs from it. */
export const soffit: DrawnThing<'soffit'> = {
  draw: (thing, { id, view, selected }) => {
    const stroke = tintOf(selected)
    const board = spotsOf(view, soffitBoard(thing))
    return [
      { is: 'line', id, spots: board, closed: true, fill: 'part', opacity: 0.45 },
      { is: 'line', spots: board, closed: true, stroke, wide: 0.8, dash: [6, 4] },
      {
        is: 'line',
        id,
        spots: spotsOf(view, [thing.from, thing.to]),
        stroke,
        wide: thing.lipM > 0 ? 2.4 : 1.2,
        grip: 14,
      },
    ]
  },
}
