import { SPACES } from '@/core/job'
import { spotsOf, tintOf } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** Long dashes between small squares at its ends; one that goes straight up is a square with a dot. */
export const pathway: DrawnThing<'pathway'> = {
  naming: ({ path, name, space }, view) => ({
    ...beside(toScreen(view, path[Math.floor((path.length - 1) / 2)]!), 7),
    words: name === '' ? SPACES[space].name : name,
    colour: 'soft',
    rank: RANK.contours,
  }),
  draw: ({ path }, { id, view, selected }) => {
    const stroke = tintOf(selected, 'soft')
    const spots = spotsOf(view, path)
    const ends = spots.length === 1 ? spots : [spots[0]!, spots.at(-1)!]
    return [
      ...(spots.length > 1
        ? [{ is: 'line', id, spots, stroke, wide: 1.2, dash: [9, 5], grip: 14 } as const]
        : [{ is: 'circle', id, at: spots[0]!, radius: 2, fill: stroke, grip: 12 } as const]),
      ...ends.map(
        ([x, y]) =>
          ({
            is: 'line',
            id,
            closed: true,
            stroke,
            wide: 1.2,
            spots: [
              [x - 4, y - 4],
              [x + 4, y - 4],
              [x + 4, y + 4],
              [x - 4, y + 4],
            ],
          }) as const,
      ),
    ]
  },
}
