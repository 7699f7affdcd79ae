import type { DeviceContext } from '../parts'
import type { Stage } from '../stages/stage'
import { MOUNT_JUDGED, unjudgedMount } from './judged'
import { MOUNT_REGISTER } from './limits'
import { mountLoad } from './load'
import type { Mount } from './plan'
import { assessMount, proposeMount } from './mount'
import { mountTasks } from './tasks'

export const mountStage = {
  title: 'Mount',
  question: 'Will it hold, what do I drill, how do I reach it?',
  heading: 'Will it hold',
  propose: proposeMount,
  assess: assessMount,
  judged: MOUNT_JUDGED,
  unjudged: unjudgedMount,
  tasks: mountTasks,
  load: mountLoad,
  cause: 'loose',
  register: MOUNT_REGISTER,
} as const satisfies Stage<Mount, unknown, DeviceContext>
