import { PLANNED_STAGES } from '../findings'
import type { DeviceContext } from '../parts'
import { aimTasks, benchTasks, inForcedOrder, provingTasks, type Forced } from '../procedure'
import { STAGE_TABLE } from './table'

/**
 * The steps of one device in their forced order, from what is planned. A device of which nothing is planned
 * has none.
 */
export function stepsOf(context: DeviceContext): Forced {
  if (PLANNED_STAGES.every((stage) => context.device[stage] === null))
    return { steps: [], contradictions: [] }
  return inForcedOrder([
    ...benchTasks(context),
    ...PLANNED_STAGES.flatMap((stage) => STAGE_TABLE[stage].tasks(context)),
    ...aimTasks(context),
    ...provingTasks(context),
  ])
}
