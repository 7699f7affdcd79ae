import { z } from 'zod'
import { own, PlanPointSchema, pointed, thingKind } from './kind'

/** Where the cables come together. */
export const headEnd = thingKind({
  schema: z.strictObject({ ...own, kind: z.literal('head end'), at: PlanPointSchema }),
  word: 'Head end',
  called: 'the head end',
  ...pointed,
})
