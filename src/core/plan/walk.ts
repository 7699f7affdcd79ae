import { z } from 'zod'
import { distanceM } from '../geometry'
import { common, PlanPointSchema, pathed, SHORTEST_M, thingKind } from './kind'

/** A path along which somebody is followed from camera to camera. */
export const walk = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('walk'),
    path: z.array(PlanPointSchema).min(2, 'A walk has at least two points.').max(200),
  }),
  word: 'Walk',
  called: 'a walk',
  ...pathed,
  refused: ({ path }) =>
    path.every((point) => distanceM(point, path[0]!) < SHORTEST_M)
      ? [[['path'], 'The walk goes nowhere.']]
      : [],
})
