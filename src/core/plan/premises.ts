import { z } from 'zod'
import { outlined, OutlineSchema, common, thingKind } from './kind'

/** The ground that matters: blind spots count inside it. */
export const premises = thingKind({
  schema: z.strictObject({ ...common, kind: z.literal('premises'), outline: OutlineSchema }),
  word: 'Premises',
  called: 'the premises',
  ...outlined,
})
