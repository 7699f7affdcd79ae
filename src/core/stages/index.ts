export type { PlanChange, Plans } from './plans'
export type { Stage } from './stage'
export { STAGE_TABLE } from './table'
export { REGISTER } from './register'
