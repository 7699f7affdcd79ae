export { REEL_LIMITS } from './limits'
export { boxPlanSteps, type BoxPlan, type CableNeed, type CablePlan, type Cut } from './plan'
