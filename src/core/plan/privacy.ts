import { z } from 'zod'
import { outlined, OutlineSchema, common, thingKind } from './kind'

/** Ground on which nobody may be made out. */
export const privacy = thingKind({
  schema: z.strictObject({ ...common, kind: z.literal('privacy'), outline: OutlineSchema }),
  word: 'Privacy area',
  called: 'a privacy area',
  ...outlined,
})
