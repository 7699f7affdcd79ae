export { LETTERS_BELOW, PAPER_INK, UNIT_MM, type PlanSheet, type SheetMark } from './marks'
export { SCALES, scaleWords, SHEETS, type SheetPaper } from './papers'
export { planSheet, type Measure, type SheetOf, type SheetWish, type TooLarge } from './planSheet'
export { planSheetSvg, slantsOver } from './svg'
