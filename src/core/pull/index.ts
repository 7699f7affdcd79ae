export { pullSheet, type PullSheet } from './lists'
export type { CutLine, DrillLine, VanLine } from '../stages/load'
export { cableNeeds } from './needs'
