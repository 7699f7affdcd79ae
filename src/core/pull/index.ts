export { pullSheet, type PullSheet, type CutLine, type DrillLine, type VanLine } from './lists'
