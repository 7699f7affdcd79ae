import { obstacleOutline } from '@/core/plan'
import { outlined, tintOf } from '../marks'
import { RANK, round } from '../naming'
import { toScreen } from '../view'
import type { DrawnThing } from './thing'

/** However small a round one is, it is seen. */
const LEAST_RADIUS = 3

/** Filled: nobody looks through it. */
export const obstacle: DrawnThing<'obstacle'> = {
  naming: (thing, view) => ({
    ...round(obstacleOutline(thing), view),
    words: thing.name,
    colour: 'ink',
    rank: RANK.things,
  }),
  draw: ({ form }, drawn) => {
    const { id, view, selected } = drawn
    const look = { fill: 'hatch', stroke: tintOf(selected), wide: 1.5 } as const
    return form.is === 'round'
      ? [
          {
            is: 'circle',
            id,
            at: toScreen(view, form.at),
            radius: Math.max(LEAST_RADIUS, form.radiusM * view.perMetre),
            grip: 12,
            ...look,
          },
        ]
      : [outlined(drawn, form.outline, look)]
  },
}
