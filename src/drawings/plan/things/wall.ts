import { between, distanceM } from '@/core/geometry'
import { wallOutline } from '@/core/plan'
import { spotsOf, tintOf, type PlanMark } from '../marks'
import type { DrawnThing } from './thing'

/** Lower than this somebody looks over it: it is dashed, m. */
const LOW_M = 2

/** Heavy, or filled between its faces where it is thick; its openings thin. */
export const wall: DrawnThing<'wall'> = {
  draw: (thing, { id, view, selected }) => {
    const { from, to, heightM, baseM, openings } = thing
    const stroke = tintOf(selected)
    const lengthM = distanceM(from, to)
    const outline = wallOutline(thing)
    const [, , farBack, nearBack] = outline
    const dash = heightM + baseM < LOW_M ? { dash: [12, 3] } : {}
    const at = (m: number, a = from, b = to) => between(a, b, m / lengthM)
    const edge = spotsOf(view, [from, to])
    if (!farBack || !nearBack)
      return [
        { is: 'line', id, spots: edge, stroke, wide: 3, ends: 'square', grip: 14, ...dash },
        ...openings.flatMap(({ alongM, widthM }): PlanMark[] => {
          const spots = spotsOf(view, [at(alongM), at(alongM + widthM)])
          return [
            { is: 'line', spots, stroke: 'sheet', wide: 4 },
            { is: 'line', spots, stroke, wide: 0.8 },
          ]
        }),
      ]
    return [
      {
        is: 'line',
        id,
        spots: spotsOf(view, outline),
        closed: true,
        fill: 'hatch',
        stroke,
        wide: 1.4,
        ...dash,
      },
      { is: 'line', id, spots: edge, grip: 14 },
      ...openings.flatMap(({ alongM, widthM }): PlanMark[] => {
        const [near, far] = [at(alongM), at(alongM + widthM)]
        const [nearIn, farIn] = [at(alongM, nearBack, farBack), at(alongM + widthM, nearBack, farBack)]
        return [
          { is: 'line', spots: spotsOf(view, [near, far, farIn, nearIn]), closed: true, fill: 'sheet' },
          { is: 'line', spots: spotsOf(view, [near, nearIn]), stroke, wide: 1.4 },
          { is: 'line', spots: spotsOf(view, [far, farIn]), stroke, wide: 1.4 },
          { is: 'line', spots: spotsOf(view, [near, far]), stroke, wide: 0.8 },
        ]
      }),
    ]
  },
}
