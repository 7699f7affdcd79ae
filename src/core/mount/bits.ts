import { MM_PER_INCH, print, type UnitSystem } from '../units'
import { INCH_BITS, METRIC_BITS } from './limits'

const SOLD: Record<UnitSystem, readonly number[]> = { metric: METRIC_BITS, imperial: INCH_BITS.map((parts) => (parts * MM_PER_INCH) / 64) }

/** The bit to take for a hole: the next one sold that is at least `mm` ('clear'), or at most ('pilot'), in millimetres. */
export function bitMm(mm: number, fit: 'clear' | 'pilot', units: UnitSystem): number {
  const sold = SOLD[units]
  const last = sold[sold.length - 1]!
  if (fit === 'clear') return sold.find((size) => size >= mm - 1e-9) ?? last
  return sold.findLast((size) => size <= mm + 1e-9) ?? sold[0]!
}

/** The bit in the job's units and, in brackets, the one for the other drill index: `25 mm (1")`. */
export function printBit(mm: number, fit: 'clear' | 'pilot', units: UnitSystem): string {
  const other = units === 'metric' ? 'imperial' : 'metric'
  return `${print({ value: bitMm(mm, fit, units), kind: 'size' }, units)} (${print({ value: bitMm(mm, fit, other), kind: 'size' }, other)})`
}
