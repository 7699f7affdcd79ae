export { METRES_PER_FOOT, MM_PER_INCH, quantity, text } from './quantity'
export type { Quantity, QuantityKind, Reading, UnitSystem } from './quantity'
export { print, printReading } from './print'
export { parse } from './parse'
