import { z } from 'zod'
import { Name } from '../../job/fields'
import { CABLE_KINDS } from './cable'
import { Camera } from './camera'
import { oneOf, partKind, yes, type WithId } from './fields'

export const Accessory = z.strictObject({
  name: Name,
  /** It keeps surges from both ends of the run. */
  protects: yes,
  /** It is pushed into the camera: when, is a habit of the job. */
  card: yes,
  /** It caps tails that are not used, which is a step anyway where a camera has any. */
  capsTails: yes,
  step: z.string().trim().min(1, 'Say what is done with it.').max(300, 'Use at most 300 characters.'),
  reason: z.string().trim().max(300, 'Use at most 300 characters.'),
  stage: oneOf('power', 'terminate', 'seal', 'mount'),
  /** It lets a camera made for one kind of cable work over another. */
  adapts: z.strictObject({ camera: Camera.shape.cable, onto: z.enum(CABLE_KINDS) }).optional(),
})
export type Accessory = WithId<typeof Accessory>

export const accessoryKind = partKind({
  one: 'Small thing that goes with a device',
  schema: Accessory,
  flat: true,
  asks: [
    {
      path: 'step',
      label: 'What is done with it',
      way: { as: 'words' },
      stages: ['mount'],
      costs: 'how it is fitted',
    },
    {
      path: 'reason',
      label: 'Why',
      way: { as: 'words' },
      stages: ['mount'],
      costs: 'why it is fitted',
    },
    {
      path: 'stage',
      label: 'Belongs to',
      way: {
        as: 'choice',
        options: { power: 'Power', terminate: 'Terminate', seal: 'Seal', mount: 'Mount' },
      },
      stages: ['mount'],
      costs: 'when it is fitted',
    },
  ],
})
