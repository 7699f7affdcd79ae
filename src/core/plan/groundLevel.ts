import { z } from 'zod'
import { between } from '../job/fields'
import { common, PlanPointSchema, pathed, thingKind } from './kind'

/** Ground of which the height is known: at one point, or along a line that keeps it or falls evenly. */
export const groundLevel = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('ground level'),
    path: z.array(PlanPointSchema).min(1, 'It has at least one point.').max(200, 'At most 200 points.'),
    /** At its start and at its end, above what the floor's heights count from; below it where negative. */
    groundM: between(-50, 50, 'm'),
    endM: between(-50, 50, 'm'),
  }),
  word: 'Ground level',
  called: 'a ground level',
  ...pathed,
})
