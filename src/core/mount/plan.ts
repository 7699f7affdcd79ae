import { z } from 'zod'
import { HOLES, PASSAGES, POLE_MATERIALS } from '../job/choices'
import { between, keysOf, PartId } from '../job/fields'

/** What is planned of how a device is held. */

export const Mount = z.strictObject({
  fixingId: PartId,
  fixingCount: z.int('Give a whole number.').min(1, 'At least one.').max(24, 'At most 24.'),
  woodId: PartId.nullable(),
  /** Thread in solid wood; ignored where the fixing is not a wood or lag screw. */
  threadInWoodMm: between(0, 200, 'mm'),
  /** The maker's own pull-out value for one fixing, when it replaces the catalogue's. */
  makersPullN: between(1, 100_000, 'N').nullable(),
  passage: keysOf(PASSAGES),
  hole: keysOf(HOLES),
  /** Width of the hole that was there before; null while nobody has measured it. */
  holeMm: between(1, 200, 'mm').nullable(),
  tethered: z.boolean(),
  backed: z.boolean(),
  /** From a fixing to the nearest edge of what it holds in, or mortar joint; null while not measured. */
  edgeMm: between(0, 2000, 'mm').nullable(),
  /**
   * From the middle of the cable hole to the nearest vent slot, joist or joint; null where there is none
   * near.
   */
  slotMm: between(0, 2000, 'mm').nullable(),
  /** What it is banded to; null where it is no pole. */
  pole: z
    .strictObject({
      material: keysOf(POLE_MATERIALS),
      diameterMm: between(20, 1000, 'mm'),
      wallMm: between(0.5, 500, 'mm'),
      heightM: between(0.5, 60, 'm'),
    })
    .refine(({ diameterMm, wallMm }) => 2 * wallMm <= diameterMm, {
      path: ['wallMm'],
      message: 'The wall is thicker than half the pole.',
    })
    .nullable(),
})
export type Mount = z.infer<typeof Mount>

/** The cable hole, where nobody has said that one is there. */
export const DRILLED = { hole: 'new', holeMm: null } as const
