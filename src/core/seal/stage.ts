import type { DeviceContext } from '../parts'
import type { Stage } from '../stages/stage'
import { SEAL_JUDGED, unjudgedSeal } from './judged'
import { SEAL_REGISTER } from './limits'
import { sealLoad } from './load'
import type { Seal } from './plan'
import { assessSeal, proposeSeal } from './seal'
import { sealTasks } from './tasks'

export const sealStage = {
  title: 'Seal',
  question: 'Will it stay dry?',
  heading: 'Will it stay dry',
  propose: proposeSeal,
  assess: assessSeal,
  judged: SEAL_JUDGED,
  unjudged: unjudgedSeal,
  tasks: sealTasks,
  load: sealLoad,
  cause: 'unsealed entry or gland',
  register: SEAL_REGISTER,
} as const satisfies Stage<Seal, unknown, DeviceContext>
