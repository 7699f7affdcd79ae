import type { DeviceContext } from '../parts'
import type { Stage } from '../stages/stage'
import { TERMINATE_JUDGED, unjudgedTerminate } from './judged'
import { TERMINATE_REGISTER } from './limits'
import { terminateLoad } from './load'
import type { Terminate } from './plan'
import { assessTerminate, proposeTerminate } from './terminate'
import { terminateTasks } from './tasks'

export const terminateStage = {
  title: 'Terminate',
  question: 'What goes on the cable, in what order, and is it right?',
  heading: 'The ends',
  propose: proposeTerminate,
  assess: assessTerminate,
  judged: TERMINATE_JUDGED,
  unjudged: unjudgedTerminate,
  tasks: terminateTasks,
  load: terminateLoad,
  cause: 'bad termination',
  register: TERMINATE_REGISTER,
} as const satisfies Stage<Terminate, unknown, DeviceContext>
