import { PLANNED_STAGES } from '../findings'
import type { DeviceContext } from '../parts'
import { calledIn, hiddenBehind, mainsReaches } from '../assembly'
import {
  aimTasks,
  benchTasks,
  goingTasks,
  inForcedOrder,
  provingTasks,
  replacingTasks,
  stayingTasks,
  type Forced,
  type Hidden,
  type Task,
} from '../procedure'
import { inSentence } from '../units'

import { STAGE_TABLE } from './table'

/** Steps in their forced order, and what nobody can do while a part stays. */
export interface Planned extends Forced {
  readonly hidden: readonly Hidden[]
}

/**
 * The steps of one device in their forced order, from what is planned. A device of which nothing is planned
 * has none.
 */
export function stepsOf(context: DeviceContext): Planned {
  const { device, camera, exposure, mainsV, printed, replaced } = context
  const old = {
    name: inSentence(camera.name),
    place: 'at the device',
    keeps: false,
    networked: device.sight === null && camera.cable !== 'coax and power',
    mains: mainsReaches(context) ? printed(mainsV, 'voltage') : null,
    outdoors: exposure.outdoors,
    staying: context.staying,
  } as const
  if (device.state === 'taken away') return { ...inForcedOrder(goingTasks(old)), hidden: [] }
  if (device.state === 'kept')
    return { ...inForcedOrder([...stayingTasks(old), ...provingTasks(context)]), hidden: [] }
  if (PLANNED_STAGES.every((stage) => context.device[stage] === null))
    return { steps: [], contradictions: [], hidden: [] }
  const tasks = [
    ...benchTasks(context),
    ...(replaced === null ? [] : replacingTasks(replaced)),
    ...PLANNED_STAGES.flatMap((stage) => STAGE_TABLE[stage].tasks(context)),
    ...aimTasks(context),
    ...provingTasks(context),
  ]
  return { ...inForcedOrder(tasks), hidden: hiddenOf(context, tasks) }
}

const hiddenOf = (context: DeviceContext, tasks: readonly Task[]): readonly Hidden[] =>
  tasks.flatMap(({ id, title, reach }) =>
    reach.flatMap((way) => {
      const hiding = hiddenBehind(context, way)
      return hiding ? [{ taskId: id, title, because: way.because, behind: calledIn(hiding.part.name) }] : []
    }),
  )
