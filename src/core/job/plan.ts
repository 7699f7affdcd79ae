import { z } from 'zod'
import { FloorSchema, PlanPointSchema } from '../plan'
import { between, Name } from './fields'

/**
 * What stands on the site drawing. Metres, x to the right and y up the sheet; heights count from the floor
 * of the plan.
 */

export { PlanThing, type ThingName, type ThingOf } from '../plan'

/** The drawing under a plan: a picture, how large it is and where it lies. */
export const Background = z.strictObject({
  name: Name,
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'A picture is named by the SHA-256 of its bytes.'),
  widthPx: z.int().min(1).max(100_000),
  heightPx: z.int().min(1).max(100_000),
  /**
   * Where its upper left corner lies, how long a pixel is, and how far it is turned clockwise about that
   * corner.
   */
  at: PlanPointSchema,
  metresPerPx: between(0.000_01, 100, 'm'),
  turnDeg: between(-360, 360, '°'),
})
export type Background = z.infer<typeof Background>

export const FloorBackground = z.strictObject({ floor: FloorSchema, ...Background.shape })
export type FloorBackground = z.infer<typeof FloorBackground>

const knownZone = (name: string) => {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}

/** Where on earth the site lies, and how its plan is turned. */
export const Site = z.strictObject({
  latitudeDeg: between(-90, 90, '°'),
  longitudeDeg: between(-180, 180, '°'),
  /** Bearing that points up the sheet, degrees clockwise from north: 0 when north is up. */
  upBearingDeg: between(-360, 360, '°'),
  timeZone: z.string().max(60).refine(knownZone, 'Name a time zone like Europe/London.'),
})
export type Site = z.infer<typeof Site>

/**
 * Where a device stands on the plan and which way it looks: pan clockwise from up the sheet, roll
 * clockwise.
 */
export const Place = z.strictObject({
  floor: FloorSchema,
  ...PlanPointSchema.shape,
  panDeg: between(-360, 360, '°'),
  rollDeg: between(-180, 180, '°'),
  /** Not taken by a slip of the hand: it hangs there already. */
  locked: z.boolean(),
})
export type Place = z.infer<typeof Place>
