import { z } from 'zod'
import { PLANNED_STAGES, STAGES, type PlannedStage } from '../findings'
import { MOST_OWN_PARTS, OwnPart } from '../parts'
import { PhotoMarks } from '../photo'
import { Way } from '../route/plan'
import { CARRIES } from '../run/carries'
import { PLANS } from '../stages/plans'
import {
  CAUSES,
  CARD_TIMES,
  COAX_SCHOOLS,
  DEAD_TAILS,
  EDITIONS,
  EXPOSURES,
  FILM_TIMES,
  HEAD_ENDS,
  PIN_SCHEMES,
  SEALING_POLICIES,
  SEVERITIES,
  STANDS,
  STATES,
  TAPES,
  TERRAINS,
  UNIT_SYSTEMS,
  type Cause,
} from './choices'
import { between, Day, Id, keysOf, Line, Moment, Name, Note, PartId, Port, Words } from './fields'
import { FloorBackground, PlanThing, Site } from './plan'

export { Mount } from '../mount/plan'
export { Power } from '../power/plan'
export {
  COIL_PLACES,
  FED_FREELY,
  FREELY,
  MOST_AROUND,
  ReadyLead,
  Route,
  Segment,
  Way,
  type CoilPlace,
  type EndKey,
  type Forced,
} from '../route/plan'
export { Seal } from '../seal/plan'
export { Sight } from '../sight/plan'
export { Terminate } from '../terminate/plan'

/** How high a floor lies above the ground floor, m; null where nobody said. */
const FloorHeight = between(0.1, 300, 'm').nullable()
export const FloorHeights = z
  .strictObject({ upper: FloorHeight, loft: FloorHeight, roof: FloorHeight })
  .superRefine((heights, context) => {
    const known = (['upper', 'loft', 'roof'] as const).filter((floor) => heights[floor] !== null)
    for (const [i, floor] of known.entries()) {
      const below = known[i - 1]
      if (below && heights[floor]! <= heights[below]!)
        context.addIssue({
          code: 'custom',
          path: [floor],
          message: 'It lies higher than the floor below it.',
        })
    }
  })
export type FloorHeights = z.infer<typeof FloorHeights>

/** The whole record of one site. These schemas are its definition, its validation and its file format. */

export const Policies = z.strictObject({
  pinScheme: keysOf(PIN_SCHEMES),
  sealing: keysOf(SEALING_POLICIES),
  coaxSchool: keysOf(COAX_SCHOOLS),
  edition: keysOf(EDITIONS),
  contactGrease: z.enum(['in salt air', 'always', 'never']),
  memoryCard: keysOf(CARD_TIMES),
  film: keysOf(FILM_TIMES),
  deadTails: keysOf(DEAD_TAILS),
  tape: keysOf(TAPES),
  headEndWith: keysOf(HEAD_ENDS),
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

const Mark = z
  .string()
  .trim()
  .regex(/^[0-9A-Za-z]{1,6}$/, 'A mark has 1 to 6 letters or digits, like 05.')

/** Whether it comes new, and the id of what is taken away for it. */
const standing = { state: keysOf(STATES), replaces: Id.nullable() }

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
  mark: Mark,
  name: Name,
  ...standing,
  cameraId: PartId,
  mountIds: z.array(PartId).max(8, 'At most 8 parts.'),
  /** How many of these, from the surface outwards, were there before and stay. */
  partsKept: z.int('Give a whole number.').min(0, 'Not below 0.').max(8, 'At most 8 parts.'),
  surfaceId: PartId,
  exposure: keysOf(EXPOSURES),
  cableId: PartId,
  accessoryIds: z.array(PartId).max(8, 'At most 8 parts.'),
})
export type DeviceChoice = z.infer<typeof DeviceChoice>

type NullablePlans = { [S in PlannedStage]: z.ZodNullable<(typeof PLANS)[S]> }
/** Null as long as nobody has planned the stage. */
const plans = Object.fromEntries(
  PLANNED_STAGES.map((stage) => [stage, PLANS[stage].nullable()]),
) as unknown as NullablePlans

/** A device of which nothing is planned yet. */
export const NO_PLANS = Object.fromEntries(PLANNED_STAGES.map((stage) => [stage, null])) as {
  [S in PlannedStage]: null
}

export const Device = z.strictObject({
  id: Id,
  ...DeviceChoice.shape,
  ...plans,
  details: Details,
})
export type Device = z.infer<typeof Device>

/** What is said of a piece of equipment: what it is and where it stands. */
export const EquipmentChoice = z.strictObject({
  mark: Mark,
  name: Name,
  ...standing,
  partId: PartId,
  stands: keysOf(STANDS),
  exposure: keysOf(EXPOSURES),
})
export type EquipmentChoice = z.infer<typeof EquipmentChoice>

/** What is installed beside cameras: recorder, switch, supply, protector, plate, box, lamp. */
export const Equipment = z.strictObject({ id: Id, ...EquipmentChoice.shape, details: Details })
export type Equipment = z.infer<typeof Equipment>

export const MOST_EQUIPMENT = 300

/** What is said of a run that is no camera's own: what it carries, from which end to which, on which way. */
export const RunChoice = z.strictObject({
  mark: Mark,
  name: Name,
  ...standing,
  carries: keysOf(CARRIES),
  cableId: PartId,
  /** What it ends at, where there, and what is made at it; the way is told from `from`. */
  fromId: Id,
  fromPort: Port,
  fromEndId: PartId.nullable(),
  toId: Id,
  toPort: Port,
  toEndId: PartId.nullable(),
  ...Way.shape,
})
export type RunChoice = z.infer<typeof RunChoice>

/** One cable between any two devices or pieces of equipment. */
export const Run = z.strictObject({ id: Id, ...RunChoice.shape })
export type Run = z.infer<typeof Run>

export const MOST_RUNS = 1000

export const Outcome = z.strictObject({
  state: z.enum(['done', 'left out']),
  /** In the inside unit of the step's quantity. */
  value: z.number().min(-1e6).max(1e6).nullable(),
  choice: z.string().max(80).nullable(),
  note: Note,
})
export type Outcome = z.infer<typeof Outcome>

const StepId = z.string().min(1).max(120)
/** Longer than any step can be called, with names of own parts as long as they may be. */
const StepTitle = z.string().max(800)

export const StepRecord = z.strictObject({
  deviceId: Id,
  stepId: StepId,
  /** What was asked when it was recorded: it is read when the plan has become another. '' where not known. */
  title: StepTitle,
  ...Outcome.shape,
  at: Moment,
  by: Name,
})
export type StepRecord = z.infer<typeof StepRecord>

/** A step that is left to a colleague until it is recorded. */
export const HandedStep = z.strictObject({
  deviceId: Id,
  stepId: StepId,
  title: StepTitle,
  colleague: Name,
  note: Note,
  at: Moment,
  by: Name,
})
export type HandedStep = z.infer<typeof HandedStep>

export const PhotoFacts = z.strictObject({
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'A photo is named by the SHA-256 of its bytes.'),
  deviceId: Id.nullable(),
  stepId: StepId.nullable(),
  faultId: Id.nullable(),
  caption: Line,
})
export type PhotoFacts = z.infer<typeof PhotoFacts>

export const Photo = z.strictObject({
  id: Id,
  ...PhotoFacts.shape,
  /** Drawn over the picture, which stays as it was taken. */
  marks: PhotoMarks,
  at: Moment,
  by: Name,
})
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
  /** Photos keep where and when they were taken; otherwise it is taken out of them before they are kept. */
  keepPhotoPlace: z.boolean(),
  /** From these on floors look at each other; the ground floor lies at 0. */
  floorHeightsM: FloorHeights,
  policies: Policies,
  allowances: Allowances,
})
export type JobFacts = z.infer<typeof JobFacts>

/** A value that somebody gave a field. */
export const Given = z.strictObject({ value: z.unknown(), by: Name, at: Moment })

/** A field that two people set without knowing of each other: both values are kept, the newer is in use. */
export const Conflict = z.strictObject({
  id: Id,
  /** The way to the field: `device/<id>/sight/tiltDeg`. */
  path: z.string().min(1).max(300),
  newer: Given,
  older: Given,
})
export type Conflict = z.infer<typeof Conflict>

/** What was signed: the record as it was computed then, frozen. Later limits and parts never change it. */
export const SignedFacts = z.strictObject({
  /** The device whose record it is; null for the whole job. */
  deviceId: Id.nullable(),
  signedBy: Name,
  /** Of the record's form, of every limit of the computation, and of the catalogue. */
  versions: z.strictObject({ record: z.int(), limits: Line, catalogue: Line }),
  /** The frozen record as JSON text. */
  body: z.string().min(2).max(40_000_000),
  /** SHA-256 of the body's UTF-8 bytes. */
  sha256: z.string().regex(/^[0-9a-f]{64}$/, 'A SHA-256 has 64 hexadecimal digits.'),
})
export type SignedFacts = z.infer<typeof SignedFacts>

export const SignedRecord = z.strictObject({ id: Id, ...SignedFacts.shape, at: Moment, by: Name })
export type SignedRecord = z.infer<typeof SignedRecord>

/** A box or drum of cable that is begun, as it lies on the van. */
export const CableBox = z.strictObject({
  id: Id,
  /** What is written on it; '' where nothing is. */
  name: Line,
  cableId: PartId,
  leftM: between(0.1, 2000, 'm'),
})
export type CableBox = z.infer<typeof CableBox>

export const MOST_BOXES = 200
export const MOST_THINGS = 5000

export const Job = z.strictObject({
  id: Id,
  ...JobFacts.shape,
  createdAt: Moment,
  createdBy: Name,
  site: Site.nullable(),
  backgrounds: z.array(FloorBackground).max(4),
  things: z.array(PlanThing).max(MOST_THINGS, `At most ${MOST_THINGS} things on the plans.`),
  ownParts: z.array(OwnPart).max(MOST_OWN_PARTS, `At most ${MOST_OWN_PARTS} own parts.`),
  equipment: z.array(Equipment).max(MOST_EQUIPMENT, `At most ${MOST_EQUIPMENT} pieces of equipment.`),
  devices: z.array(Device).max(1000),
  runs: z.array(Run).max(MOST_RUNS, `At most ${MOST_RUNS} runs.`),
  boxes: z.array(CableBox).max(MOST_BOXES, `At most ${MOST_BOXES} boxes.`),
  records: z.array(StepRecord),
  handed: z.array(HandedStep),
  photos: z.array(Photo),
  faults: z.array(Fault),
  conflicts: z.array(Conflict),
  signed: z.array(SignedRecord),
})
export type Job = z.infer<typeof Job>
