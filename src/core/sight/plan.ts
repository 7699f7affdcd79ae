import { z } from 'zod'
import { LEVELS } from '../job/choices'
import { between, keysOf, Line } from '../job/fields'
import { Place } from '../job/plan'
import { PlanPointSchema } from '../plan'

/** What is planned of a device's sight. */

export const Sight = z.strictObject({
  heightM: between(0.3, 60, 'm'),
  targetDistanceM: between(0.3, 500, 'm'),
  targetHeightM: between(0, 20, 'm'),
  level: keysOf(LEVELS),
  focalMm: between(0.5, 300, 'mm'),
  tiltDeg: between(-90, 90, '°'),
  portrait: z.boolean(),
  shutterS: between(0.00001, 2, 's'),
  /** Where the customer asked for it; why and by whose agreement it stands elsewhere, when it does. */
  wish: z.strictObject({
    place: Line,
    at: PlanPointSchema.nullable(),
    kept: z.boolean(),
    reason: Line,
    agreedBy: Line,
  }),
  /** Where it stands on the plan; null while it is not on it. */
  place: Place.nullable(),
})
export type Sight = z.infer<typeof Sight>
