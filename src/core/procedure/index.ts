export { stepsOf } from './steps'
export { judge, printLimits, type Step, type StepState } from './step'
