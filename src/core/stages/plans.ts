import type { z } from 'zod'
import type { PlannedStage } from '../findings'
import { Mount } from '../mount/plan'
import { Power } from '../power/plan'
import { Route } from '../route/plan'
import { Seal } from '../seal/plan'
import { Sight } from '../sight/plan'
import { Terminate } from '../terminate/plan'

/**
 * What is planned of a device, by stage: the record's columns, its commands and their checks follow from this
 * table.
 */
export const PLANS = {
  sight: Sight,
  mount: Mount,
  route: Route,
  terminate: Terminate,
  seal: Seal,
  power: Power,
} as const satisfies Record<PlannedStage, z.ZodObject>

export type Plans = { [S in PlannedStage]: z.infer<(typeof PLANS)[S]> }

/** What a change says of plans: the fields it sets, by stage. */
export type PlanChange = { readonly [S in PlannedStage]?: Partial<Plans[S]> }
