import { z } from 'zod'
import { between } from '../job/fields'
import { common, PlanPointSchema, putPoint, thingKind } from './kind'

/** Ground of which the height is known: at one point, or along a line that keeps it or falls evenly. */
export const level = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('level'),
    path: z.array(PlanPointSchema).min(1, 'It has at least one point.').max(200, 'At most 200 points.'),
    /** At its start and at its end, above what the floor's heights count from; below it where negative. */
    groundM: between(-50, 50, 'm'),
    endM: between(-50, 50, 'm'),
  }),
  word: 'Ground level',
  called: 'a ground level',
  points: ({ path }) => path,
  corners: ({ path }) => ({ at: path, closed: false }),
  carried: (thing, by) => ({ ...thing, path: thing.path.map(by) }),
  withCorner: (thing, index, at) => ({ ...thing, path: putPoint(thing.path, index, at) }),
})
