import { z } from 'zod'
import { LAID } from '../job/choices'
import { SPACES, type SpaceId } from '../job/spaces'
import { between, Id, keysOf, Line, PartId } from '../job/fields'

/** What is planned of the way of a cable. */

export const Segment = z.strictObject({
  id: Id,
  space: keysOf(SPACES),
  lengthM: between(0, 1000, 'm'),
  riseM: between(-100, 100, 'm'),
  temperatureC: between(-40, 90, '°C'),
  conduitId: PartId.nullable(),
  /**
   * Stretches of the job's runs with the same name lie in the same conduit; '' where it has one to itself.
   */
  conduitName: Line,
})
export type Segment = z.infer<typeof Segment>

/** A cable is led around so many pathways. */
export const MOST_AROUND = 20

/** Where somebody wants a cable to be led on the plan: pathways by their ids. */
export const Forced = z.strictObject({
  /** It goes along this one somewhere; null where any will do. */
  through: Id.nullable(),
  /** It goes along none of these. */
  around: z.array(Id).max(MOST_AROUND, `At most ${MOST_AROUND} pathways.`),
})
export type Forced = z.infer<typeof Forced>
/** Nobody wants it anywhere: the way of least labour. */
export const FREELY: Forced = { through: null, around: [] }

/** The two ends of a cable, as its way is told. */
export const END_KEYS = ['near end', 'far end'] as const
export type EndKey = (typeof END_KEYS)[number]

/** Where a coil of surplus can lie: at an end, or in a space of the way. */
export const COIL_PLACES = [...END_KEYS, ...(Object.keys(SPACES) as SpaceId[])] as const
export type CoilPlace = (typeof COIL_PLACES)[number]

/** A ready-made lead: it is never cut, and both its ends are on. */
export const ReadyLead = z.strictObject({
  lengthM: between(0.5, 1000, 'm'),
  /** The end that stays while the other goes through; null for the wider one. */
  fedFrom: z.enum(END_KEYS).nullable(),
  /** Where its surplus is coiled; null while nobody has said. */
  coilAt: z.enum(COIL_PLACES, 'Name an end of the cable or a space that it goes through.').nullable(),
})
export type ReadyLead = z.infer<typeof ReadyLead>
/** Of a lead of which only the length is known. */
export const FED_FREELY = { fedFrom: null, coilAt: null } as const

/** The way of a cable, told from its near end. */
export const Way = z.strictObject({
  segments: z.array(Segment).max(40, 'At most 40 segments.'),
  /** Patch leads at both ends together, outside the fixed link. */
  cordsM: between(0, 50, 'm'),
  /** Null when the cable is cut from a drum or box. */
  lead: ReadyLead.nullable(),
  /** Null where the way of least labour will do. */
  forced: Forced.nullable(),
})
export type Way = z.infer<typeof Way>

export const Route = z.strictObject({ laid: keysOf(LAID), ...Way.shape })
export type Route = z.infer<typeof Route>
