export { stepsOf } from './steps'
export { judge, withinLimits, printLimits, type Step, type StepEntry, type StepState } from './step'
export { PROCEDURE_LIMITS } from './limits'
