export { endWords } from './ends'
export { pullSheet, type PullSheet } from './lists'
export type { CutLine, DrillLine, VanLine } from '../stages/load'
export { cableNeeds } from './needs'
export {
  ALONG_NOTE,
  fillWords,
  fittingWords,
  holeWords,
  inConduitWords,
  leadsIn,
  marksWords,
  pointWords,
} from './words'
export { boxTable, pullTables, type PullTable } from './tables'
export { sheetOf, shownSheet, type ShownSheet } from './shown'
