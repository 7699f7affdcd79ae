import { z } from 'zod'
import { outlined, OutlineSchema, own, thingKind } from './kind'

/** The ground that matters: blind spots count inside it. */
export const premises = thingKind({
  schema: z.strictObject({ ...own, kind: z.literal('premises'), outline: OutlineSchema }),
  word: 'Premises',
  called: 'the premises',
  ...outlined,
})
