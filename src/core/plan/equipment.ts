import { z } from 'zod'
import { between, Id } from '../job/fields'
import { common, PlanPointSchema, pointed, thingKind } from './kind'

/** Where a piece of equipment stands: its cables end here, not where the others come together. */
export const equipment = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('equipment'),
    at: PlanPointSchema,
    /** Above its floor; below it where negative. */
    heightM: between(-20, 100, 'm'),
    /** Null while nobody has said which. */
    equipmentId: Id.nullable(),
  }),
  word: 'Equipment',
  called: 'a piece of equipment',
  ...pointed,
  // It stands at one spot: a copy is another's.
  copied: (thing) => ({ ...thing, equipmentId: null }),
})
