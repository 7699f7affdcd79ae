import { z } from 'zod'
import { LEVELS } from '../job/choices'
import { between, keysOf } from '../job/fields'
import { common, PlanPointSchema, pointed, thingKind } from './kind'

/** A point at which a level of detail is wanted. */
export const target = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('target'),
    at: PlanPointSchema,
    level: keysOf(LEVELS),
    targetHeightM: between(0, 20, 'm'),
  }),
  word: 'Target',
  called: 'a target',
  ...pointed,
})
