import { z } from 'zod'
import { PULL_POINTS } from '../job/spaces'
import { between, keysOf } from '../job/fields'
import { common, PlanPointSchema, pointed, thingKind } from './kind'

/** Where cables that are drawn through a conduit or a duct can be reached on the way. */
export const pullPoint = thingKind({
  schema: z.strictObject({
    ...common,
    kind: z.literal('pull point'),
    at: PlanPointSchema,
    is: keysOf(PULL_POINTS),
    /** Above its floor; below it where negative. */
    heightM: between(-20, 100, 'm'),
  }),
  word: 'Pull point',
  called: 'a pull point',
  ...pointed,
})
