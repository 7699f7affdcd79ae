import { z } from 'zod'
import { PartId } from '../job/fields'

/** What is planned to close each opening. */

export const Seal = z.strictObject({
  /** One sealing part, or none, for each opening of the stack; openings are named `part/opening`. */
  choices: z
    .array(
      z.strictObject({
        opening: z.string().min(1).max(80),
        sealId: PartId.nullable(),
        cables: z.int().min(1).max(8),
      }),
    )
    .max(40),
})
export type Seal = z.infer<typeof Seal>
