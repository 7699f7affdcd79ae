export { PLANS, type PlanChange, type Plans } from './plans'
export { STAGE_TABLE, type Stage } from './table'
