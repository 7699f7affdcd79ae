export { quantity, text, MM_PER_INCH } from './quantity'
export type { Quantity, QuantityKind, Reading, UnitSystem } from './quantity'
export { print, printReading } from './print'
export { parse } from './parse'
