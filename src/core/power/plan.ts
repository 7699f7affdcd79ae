import { z } from 'zod'
import { Id } from '../job/fields'

/** What is planned to feed a device. */

export const Power = z.strictObject({
  supplyId: Id,
  port: z.int().min(1, 'Ports count from 1.').max(512).nullable(),
})
export type Power = z.infer<typeof Power>
