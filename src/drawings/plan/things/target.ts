import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** A ring with a cross through it. */
export const target: DrawnThing<'target'> = {
  naming: ({ at, name }, view) => ({
    ...beside(toScreen(view, at), 12),
    words: name,
    colour: 'copper',
    rank: RANK.areas,
  }),
  draw: ({ at }, { id, view, selected }) => {
    const [x, y] = toScreen(view, at)
    return [
      {
        is: 'circle',
        id,
        at: [x, y],
        radius: 7,
        stroke: 'copper',
        wide: selected ? 2.6 : 1.6,
        fill: 'sheet',
        grip: 14,
      },
      {
        is: 'line',
        spots: [
          [x - 10, y],
          [x + 10, y],
        ],
        stroke: 'copper',
        wide: 1,
      },
      {
        is: 'line',
        spots: [
          [x, y - 10],
          [x, y + 10],
        ],
        stroke: 'copper',
        wide: 1,
      },
    ]
  },
}
