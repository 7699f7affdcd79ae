export { stepsOf } from './steps'
export { judge, printLimits, type Step, type StepEntry, type StepState } from './step'
