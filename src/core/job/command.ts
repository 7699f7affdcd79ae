import { z } from 'zod'
import { FLOORS } from './choices'
import { Id, keysOf, Moment } from './fields'
import {
  Details,
  DeviceChoice,
  FaultFacts,
  Fix,
  Job,
  JobFacts,
  JobSupply,
  Mount,
  Outcome,
  PhotoFacts,
  Power,
  Route,
  Seal,
  Sight,
  StepRecord,
  Terminate,
} from './job'
import { Background, PlanThing, Site } from './plan'

/**
 * The only ways to change anything. Each carries who, when, and an id made by the client, so that sending
 * twice does no harm.
 */

const envelope = {
  id: z.uuid('A command id is a UUID.'),
  jobId: Id,
  at: Moment,
  by: Job.shape.createdBy,
}

const onDevice = { ...envelope, deviceId: Id }

export const Command = z.discriminatedUnion('type', [
  z.strictObject({ ...envelope, type: z.literal('createJob'), facts: JobFacts }),
  z.strictObject({ ...envelope, type: z.literal('editJob'), facts: JobFacts }),
  z.strictObject({ ...envelope, type: z.literal('putSupply'), supply: JobSupply }),
  z.strictObject({ ...envelope, type: z.literal('removeSupply'), supplyId: Id }),
  z.strictObject({ ...envelope, type: z.literal('setSite'), site: Site.nullable() }),
  z.strictObject({
    ...envelope,
    type: z.literal('setBackground'),
    floor: keysOf(FLOORS),
    background: Background.nullable(),
  }),
  z.strictObject({ ...envelope, type: z.literal('putThing'), thing: PlanThing }),
  z.strictObject({ ...envelope, type: z.literal('removeThing'), thingId: Id }),
  z.strictObject({ ...onDevice, type: z.literal('addDevice'), choice: DeviceChoice }),
  z.strictObject({ ...onDevice, type: z.literal('editDevice'), choice: DeviceChoice }),
  z.strictObject({ ...onDevice, type: z.literal('removeDevice') }),
  z.strictObject({ ...onDevice, type: z.literal('setSight'), sight: Sight }),
  z.strictObject({ ...onDevice, type: z.literal('setMount'), mount: Mount }),
  z.strictObject({ ...onDevice, type: z.literal('setRoute'), route: Route }),
  z.strictObject({ ...onDevice, type: z.literal('setTerminate'), terminate: Terminate }),
  z.strictObject({ ...onDevice, type: z.literal('setSeal'), seal: Seal }),
  z.strictObject({ ...onDevice, type: z.literal('setPower'), power: Power }),
  z.strictObject({ ...onDevice, type: z.literal('setDetails'), details: Details }),
  z.strictObject({
    ...onDevice,
    type: z.literal('recordStep'),
    stepId: StepRecord.shape.stepId,
    outcome: Outcome,
  }),
  z.strictObject({ ...onDevice, type: z.literal('clearStep'), stepId: StepRecord.shape.stepId }),
  z.strictObject({ ...envelope, type: z.literal('addPhoto'), photoId: Id, facts: PhotoFacts }),
  z.strictObject({ ...envelope, type: z.literal('removePhoto'), photoId: Id }),
  z.strictObject({ ...envelope, type: z.literal('raiseFault'), faultId: Id, facts: FaultFacts }),
  z.strictObject({ ...envelope, type: z.literal('editFault'), faultId: Id, facts: FaultFacts }),
  z.strictObject({ ...envelope, type: z.literal('fixFault'), faultId: Id, fix: Fix }),
  z.strictObject({
    ...envelope,
    type: z.literal('recheckFault'),
    faultId: Id,
    passed: z.boolean(),
    note: Outcome.shape.note,
  }),
])
export type Command = z.infer<typeof Command>

/** What a person or screen says; the envelope is added by whoever sends it. */
export type Change = Command extends infer C
  ? C extends Command
    ? Omit<C, 'id' | 'jobId' | 'at' | 'by'>
    : never
  : never

export interface Reason {
  /** Where in the command, as a JSON pointer; '' for the whole. */
  readonly path: string
  readonly message: string
}

/** Turns Zod's issues into reasons with JSON pointers. */
export function reasonsOf(error: z.ZodError): Reason[] {
  return error.issues.map((issue) => ({
    path: issue.path.map((step) => `/${String(step)}`).join(''),
    message: issue.message,
  }))
}
