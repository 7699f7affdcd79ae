import { z } from 'zod'
import { STAGES } from '../findings'
import {
  CAUSES,
  COAX_SCHOOLS,
  EDITIONS,
  EXPOSURES,
  LEVELS,
  PASSAGES,
  PIN_SCHEMES,
  POLE_MATERIALS,
  SEALING_POLICIES,
  SEVERITIES,
  SPACES,
  TERRAINS,
  UNIT_SYSTEMS,
  type Cause,
} from './choices'
import { between, Day, Id, keysOf, Line, Moment, Name, Note, PartId, Words } from './fields'
import { FloorBackground, Place, PlanPoint, PlanThing, Site } from './plan'

/** The whole record of one site. These schemas are its definition, its validation and its file format. */

export const Policies = z.strictObject({
  pinScheme: keysOf(PIN_SCHEMES),
  sealing: keysOf(SEALING_POLICIES),
  coaxSchool: keysOf(COAX_SCHOOLS),
  edition: keysOf(EDITIONS),
  contactGrease: z.enum(['in salt air', 'always', 'never']),
})
export type Policies = z.infer<typeof Policies>

export const Allowances = z.strictObject({
  deviceSlackM: between(0, 20, 'm'),
  headEndSlackM: between(0, 20, 'm'),
  dripLoopM: between(0, 5, 'm'),
  serviceLoopM: between(0, 20, 'm'),
  cutOffM: between(0, 5, 'm'),
  terminationM: between(0, 2, 'm'),
  wastePercent: between(0, 50, '%'),
})
export type Allowances = z.infer<typeof Allowances>

export const JobSupply = z.strictObject({ id: Id, name: Name, partId: PartId })
export type JobSupply = z.infer<typeof JobSupply>

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
    at: PlanPoint.nullable(),
    kept: z.boolean(),
    reason: Line,
    agreedBy: Line,
  }),
  /** Where it stands on the plan; null while it is not on it. */
  place: Place.nullable(),
})
export type Sight = z.infer<typeof Sight>

export const Mount = z.strictObject({
  fixingId: PartId,
  fixingCount: z.int('Give a whole number.').min(1, 'At least one.').max(24, 'At most 24.'),
  woodId: PartId.nullable(),
  /** Thread in solid wood; ignored where the fixing is not a wood or lag screw. */
  threadInWoodMm: between(0, 200, 'mm'),
  /** The maker's own pull-out value for one fixing, when it replaces the catalogue's. */
  makersPullN: between(1, 100_000, 'N').nullable(),
  passage: keysOf(PASSAGES),
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

export const Route = z.strictObject({
  segments: z.array(Segment).max(40, 'At most 40 segments.'),
  /** Patch leads at both ends together, outside the fixed link. */
  cordsM: between(0, 50, 'm'),
  /** Length of a ready-made lead; null when the cable is cut from a drum or box. */
  leadLengthM: between(0.5, 100, 'm').nullable(),
})
export type Route = z.infer<typeof Route>

export const Terminate = z.strictObject({ cameraEndId: PartId, headEndId: PartId })
export type Terminate = z.infer<typeof Terminate>

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

export const Power = z.strictObject({
  supplyId: Id,
  port: z.int().min(1, 'Ports count from 1.').max(512).nullable(),
})
export type Power = z.infer<typeof Power>

/** What is written on the device and given to it: never pairing codes or passwords. */
export const Details = z.strictObject({
  serial: Line,
  hardwareAddress: z
    .string()
    .trim()
    .regex(/^$|^([0-9A-Fa-f]{2}[:-]){5}[0-9A-Fa-f]{2}$/, 'Write it like 02:00:5e:10:00:01.'),
  networkAddress: z.union([z.literal(''), z.ipv4('Write it like 192.168.10.21.')]),
  firmware: Line,
  passwordReplaced: z.boolean(),
})
export type Details = z.infer<typeof Details>

/** What is chosen when a device is added; everything else about it is planned stage by stage. */
export const DeviceChoice = z.strictObject({
  mark: z
    .string()
    .trim()
    .regex(/^[0-9A-Za-z]{1,6}$/, 'A mark has 1 to 6 letters or digits, like 05.'),
  name: Name,
  cameraId: PartId,
  mountIds: z.array(PartId).max(8, 'At most 8 parts.'),
  surfaceId: PartId,
  exposure: keysOf(EXPOSURES),
  cableId: PartId,
  accessoryIds: z.array(PartId).max(8, 'At most 8 parts.'),
})
export type DeviceChoice = z.infer<typeof DeviceChoice>

export const Device = z.strictObject({
  id: Id,
  ...DeviceChoice.shape,
  sight: Sight.nullable(),
  mount: Mount.nullable(),
  route: Route.nullable(),
  terminate: Terminate.nullable(),
  seal: Seal.nullable(),
  power: Power.nullable(),
  details: Details,
})
export type Device = z.infer<typeof Device>

export const Outcome = z.strictObject({
  state: z.enum(['done', 'left out']),
  /** In the inside unit of the step's quantity. */
  value: z.number().min(-1e6).max(1e6).nullable(),
  choice: z.string().max(80).nullable(),
  note: Note,
})
export type Outcome = z.infer<typeof Outcome>

const StepId = z.string().min(1).max(120)

export const StepRecord = z.strictObject({
  deviceId: Id,
  stepId: StepId,
  ...Outcome.shape,
  at: Moment,
  by: Name,
})
export type StepRecord = z.infer<typeof StepRecord>

export const PhotoFacts = z.strictObject({
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'A photo is named by the SHA-256 of its bytes.'),
  deviceId: Id.nullable(),
  stepId: StepId.nullable(),
  faultId: Id.nullable(),
  caption: Line,
})
export type PhotoFacts = z.infer<typeof PhotoFacts>

export const Photo = z.strictObject({ id: Id, ...PhotoFacts.shape, at: Moment, by: Name })
export type Photo = z.infer<typeof Photo>

export const FaultFacts = z.strictObject({
  deviceId: Id.nullable(),
  stage: z.enum(STAGES).nullable(),
  /** `finding:stage/key` or `step:id` it was raised from; null when raised freely. */
  origin: z.string().max(140).nullable(),
  title: Words(160, 'Say what is wrong.'),
  severity: keysOf(SEVERITIES),
  cause: z.enum(CAUSES as unknown as [Cause, ...Cause[]]),
  note: Note,
  due: Day.nullable(),
})
export type FaultFacts = z.infer<typeof FaultFacts>

export const Fix = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('temporary'), what: Words(500, 'Say what was done.'), until: Day }),
  z.strictObject({ kind: z.literal('lasting'), what: Words(500, 'Say what was done.') }),
])
export type Fix = z.infer<typeof Fix>

const DoneBy = { at: Moment, by: Name }

export const Fault = z.strictObject({
  id: Id,
  ...FaultFacts.shape,
  state: z.enum(['open', 'temporary fix', 'fixed', 'closed']),
  raisedAt: Moment,
  raisedBy: Name,
  /** Every fix and re-check, in order. */
  events: z.array(
    z.discriminatedUnion('event', [
      z.strictObject({ event: z.literal('fix'), ...DoneBy, fix: Fix }),
      z.strictObject({ event: z.literal('re-check'), ...DoneBy, passed: z.boolean(), note: Note }),
    ]),
  ),
})
export type Fault = z.infer<typeof Fault>

export const JobFacts = z.strictObject({
  name: Name,
  address: Line,
  units: keysOf(UNIT_SYSTEMS),
  headEnd: Line,
  /** Design wind: the gust the fixings must stand, three seconds long at 10 m. */
  windMS: between(0, 120, 'm/s'),
  terrain: keysOf(TERRAINS),
  mainsV: between(90, 480, 'V'),
  /** Photos keep where they were taken; otherwise that is taken out of them before they are kept. */
  keepPhotoPlace: z.boolean(),
  policies: Policies,
  allowances: Allowances,
})
export type JobFacts = z.infer<typeof JobFacts>

export const MOST_THINGS = 5000

export const Job = z.strictObject({
  id: Id,
  ...JobFacts.shape,
  createdAt: Moment,
  createdBy: Name,
  site: Site.nullable(),
  backgrounds: z.array(FloorBackground).max(4),
  things: z.array(PlanThing).max(MOST_THINGS, `At most ${MOST_THINGS} things on the plans.`),
  supplies: z.array(JobSupply).max(60),
  devices: z.array(Device).max(1000),
  records: z.array(StepRecord),
  photos: z.array(Photo),
  faults: z.array(Fault),
})
export type Job = z.infer<typeof Job>

/** Lengths left over on purpose; every one is editable per job. Common practice, no source. */
export const USUAL_ALLOWANCES: Allowances = {
  deviceSlackM: 1,
  headEndSlackM: 3,
  dripLoopM: 0.3,
  serviceLoopM: 1,
  cutOffM: 0.3,
  terminationM: 0.1,
  wastePercent: 5,
}

/** A gale-swept coast takes more: ask the local code for its map. Common practice, no source. */
export const USUAL_WIND_MS = 45

/** Mains of ordinary houses, by what the job shows: ask at the meter. Common practice, no source. */
export const USUAL_MAINS_V = { metric: 230, imperial: 120 } as const

export const USUAL_POLICIES: Policies = {
  pinScheme: 'T568B',
  sealing: 'by exposure',
  coaxSchool: 'twist-on',
  edition: '2014',
  contactGrease: 'in salt air',
}

export const NO_DETAILS: Details = {
  serial: '',
  hardwareAddress: '',
  networkAddress: '',
  firmware: '',
  passwordReplaced: false,
}
