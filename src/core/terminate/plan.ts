import { z } from 'zod'
import { Id, PartId, Port } from '../job/fields'

/** What is planned at the two ends of a device's cable. */

export const Terminate = z.strictObject({
  cameraEndId: PartId,
  headEndId: PartId,
  /** Where the picture of an analogue camera goes; null where nobody has said, and for all others. */
  recorderId: Id.nullable(),
  recorderPort: Port,
})
export type Terminate = z.infer<typeof Terminate>

/** Nobody has said where its picture goes, or it goes over the network. */
export const NO_RECORDER = { recorderId: null, recorderPort: null } as const
