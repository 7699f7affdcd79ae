import { z } from 'zod'
import { PartId } from '../job/fields'

/** What is planned at the two ends of a device's cable. */

export const Terminate = z.strictObject({ cameraEndId: PartId, headEndId: PartId })
export type Terminate = z.infer<typeof Terminate>
