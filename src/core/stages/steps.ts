import { PLANNED_STAGES } from '../findings'
import type { DeviceContext } from '../parts'
import { aimTasks, benchTasks, inOrder, provingTasks, type Step } from '../procedure'
import { STAGE_TABLE } from './table'

/** The ordered steps of one device, from what is planned. A device of which nothing is planned has none. */
export function stepsOf(context: DeviceContext): Step[] {
  if (PLANNED_STAGES.every((stage) => context.device[stage] === null)) return []
  return inOrder([
    ...benchTasks(context),
    ...PLANNED_STAGES.flatMap((stage) => STAGE_TABLE[stage].tasks(context)),
    ...aimTasks(context),
    ...provingTasks(context),
  ])
}
