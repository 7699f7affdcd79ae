import type { PlannedStage } from '../findings'
import { mountStage } from '../mount'
import { powerStage } from '../power'
import { routeStage } from '../route'
import { sealStage } from '../seal'
import { sightStage } from '../sight'
import { terminateStage } from '../terminate'
import type { Plans } from './plans'
import type { Stage } from './stage'

/** Every stage that is planned. Types, columns, tabs and the board follow from it. */
export const STAGE_TABLE = {
  sight: sightStage,
  mount: mountStage,
  route: routeStage,
  terminate: terminateStage,
  seal: sealStage,
  power: powerStage,
} as const satisfies { [S in PlannedStage]: Stage<Plans[S], unknown> }

type Table = typeof STAGE_TABLE

/** What the drawing of a stage needs. */
export type DrawingOf<S extends PlannedStage> = NonNullable<ReturnType<Table[S]['assess']>>['drawing']

/** Null for a stage that may have nothing to start from, never otherwise. */
export type Missing<S extends PlannedStage> = Extract<ReturnType<Table[S]['propose']>, null>
