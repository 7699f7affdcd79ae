import { z } from 'zod'
import { common, PlanPointSchema, pointed, thingKind } from './kind'

/** Where the cables come together. */
export const headEnd = thingKind({
  schema: z.strictObject({ ...common, kind: z.literal('head end'), at: PlanPointSchema }),
  word: 'Head end',
  called: 'the head end',
  ...pointed,
})
