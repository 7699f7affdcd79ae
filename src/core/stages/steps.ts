import { PLANNED_STAGES } from '../findings'
import type { DeviceContext } from '../parts'
import { mainsReaches } from '../assembly'
import {
  aimTasks,
  benchTasks,
  goingTasks,
  inForcedOrder,
  provingTasks,
  replacingTasks,
  stayingTasks,
  type Forced,
} from '../procedure'
import { inSentence } from '../units'

import { STAGE_TABLE } from './table'

/**
 * The steps of one device in their forced order, from what is planned. A device of which nothing is planned
 * has none.
 */
export function stepsOf(context: DeviceContext): Forced {
  const { device, camera, exposure, mainsV, printed, replaced } = context
  const old = {
    name: inSentence(camera.name),
    place: 'at the device',
    keeps: false,
    networked: device.sight === null && camera.cable !== 'coax and power',
    mains: mainsReaches(context) ? printed(mainsV, 'voltage') : null,
    outdoors: exposure.outdoors,
  } as const
  if (device.state === 'taken away') return inForcedOrder(goingTasks(old))
  if (device.state === 'kept') return inForcedOrder([...stayingTasks(old), ...provingTasks(context)])
  if (PLANNED_STAGES.every((stage) => context.device[stage] === null))
    return { steps: [], contradictions: [] }
  return inForcedOrder([
    ...benchTasks(context),
    ...(replaced === null ? [] : replacingTasks(replaced)),
    ...PLANNED_STAGES.flatMap((stage) => STAGE_TABLE[stage].tasks(context)),
    ...aimTasks(context),
    ...provingTasks(context),
  ])
}
