import { between, distanceM } from '@/core/geometry'
import { spotsOf, tintOf, type PlanMark } from '../marks'
import type { DrawnThing } from './thing'

/** Lower than this somebody looks over it: it is dashed, m. */
const LOW_M = 2

/** Heavy, its openings thin. */
export const wall: DrawnThing<'wall'> = {
  draw: ({ from, to, heightM, baseM, openings }, { id, view, selected }) => {
    const stroke = tintOf(selected)
    const lengthM = distanceM(from, to)
    const at = (m: number) => between(from, to, m / lengthM)
    return [
      {
        is: 'line',
        id,
        spots: spotsOf(view, [from, to]),
        stroke,
        wide: 3,
        ends: 'square',
        grip: 14,
        ...(heightM + baseM < LOW_M ? { dash: [12, 3] } : {}),
      },
      ...openings.flatMap(({ alongM, widthM }): PlanMark[] => {
        const spots = spotsOf(view, [at(alongM), at(alongM + widthM)])
        return [
          { is: 'line', spots, stroke: 'sheet', wide: 4 },
          { is: 'line', spots, stroke, wide: 0.8 },
        ]
      }),
    ]
  },
}
