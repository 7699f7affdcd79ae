export { LABELLED, labelsOf, type Label, type Labelled } from './labels'
export { onSheet, spotOn, STOCKS, type StockId } from './stock'
export { TAPES, tapeCodes, tapeWords, type Tape } from './tape'
