import { z } from 'zod'
import { LEVELS } from '../job/choices'
import { between, keysOf } from '../job/fields'
import { outlined, OutlineSchema, common, thingKind } from './kind'

/** Ground on which a level of detail is wanted. */
export const area = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('area'),
    outline: OutlineSchema,
    level: keysOf(LEVELS),
    targetHeightM: between(0, 20, 'm'),
  }),
  word: 'Area of interest',
  called: 'an area of interest',
  ...outlined,
})
