import type { Load } from '../stages/load'
import type { DeviceContext } from '../parts'
import type { Stage } from '../stages/stage'
import { POWER_JUDGED, unjudgedPower } from './judged'
import { POWER_REGISTER } from './limits'
import type { Power } from './plan'
import { assessPower, proposePower } from './power'
import { powerTasks } from './tasks'

export const powerStage = {
  title: 'Power',
  question: 'Do the volts and the data get there, safely?',
  heading: 'Do the volts arrive',
  propose: proposePower,
  assess: assessPower,
  judged: POWER_JUDGED,
  unjudged: unjudgedPower,
  tasks: powerTasks,
  load: (): Load => ({ items: [] }),
  cause: 'not enough power',
  register: POWER_REGISTER,
} as const satisfies Stage<Power, unknown, DeviceContext>
