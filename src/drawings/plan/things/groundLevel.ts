import { print, type UnitSystem } from '@/core/units'
import { spotsOf, tintOf, type PlanMark } from '../marks'
import { beside, RANK } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

function heightWords(startM: number, endM: number, units: UnitSystem): string {
  const height = (value: number) => print({ value, kind: 'length' }, units)
  return startM === endM ? height(startM) : `${height(startM)} to ${height(endM)}`
}

/** A thin line with small crosses at its points, and its height. */
export const groundLevel: DrawnThing<'ground level'> = {
  naming: ({ path, name, groundM, endM }, view, units) => ({
    ...beside(toScreen(view, path[Math.floor(path.length / 2)]!), 7),
    words: (name === '' ? [] : [`${name}:`]).concat(heightWords(groundM, endM, units)).join(' '),
    colour: 'soft',
    rank: RANK.contours,
  }),
  draw: ({ path }, { id, view, selected }) => {
    const stroke = tintOf(selected, 'soft')
    const spots = spotsOf(view, path)
    return [
      { is: 'line', id, spots, stroke, wide: 1, grip: 14 },
      ...spots.flatMap(([x, y]): PlanMark[] => [
        { is: 'circle', id, at: [x, y], radius: 6, grip: 12 },
        {
          is: 'line',
          spots: [
            [x - 4, y - 4],
            [x + 4, y + 4],
          ],
          stroke,
          wide: 1,
        },
        {
          is: 'line',
          spots: [
            [x - 4, y + 4],
            [x + 4, y - 4],
          ],
          stroke,
          wide: 1,
        },
      ]),
    ]
  },
}
