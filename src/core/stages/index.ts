export type { PlanChange, Plans } from './plans'
export { STAGE_TABLE, type Stage } from './table'
