import type { Load } from '../stages/load'
import type { Stage } from '../stages/stage'
import { SIGHT_JUDGED, unjudgedSight } from './judged'
import { SIGHT_REGISTER } from './limits'
import type { Sight } from './plan'
import { assessSight, proposeSight } from './sight'
import { sightTasks } from './tasks'

export const sightStage = {
  title: 'Sight',
  question: 'What will it see from here?',
  heading: 'What it will see',
  propose: proposeSight,
  assess: assessSight,
  judged: SIGHT_JUDGED,
  unjudged: unjudgedSight,
  tasks: sightTasks,
  load: (): Load => ({ items: [] }),
  cause: 'wrong position against the wish',
  register: SIGHT_REGISTER,
} as const satisfies Stage<Sight, unknown>
