import { z } from 'zod'
import { common, outlined, OutlineSchema, thingKind } from './kind'

/** What a floor stands on: nobody looks through it to the floor below. */
export const slab = thingKind({
  schema: z.strictObject({ ...common, kind: z.literal('slab'), outline: OutlineSchema }),
  word: 'Floor slab',
  called: 'a floor slab',
  ...outlined,
  standing: ({ outline }) => ({ boards: [{ outline, heightM: 0 }] }),
})
