import { MM_PER_INCH, print, type UnitSystem } from '../units'
import { INCH_BITS, METRIC_BITS, MOUNT_LIMITS } from './limits'

/** What a hole is for: to let something through, to cut a thread's pilot, or to grip an anchor. */
export type Fit = 'clear' | 'pilot' | 'anchor'

const SOLD: Record<UnitSystem, readonly number[]> = {
  metric: METRIC_BITS,
  imperial: INCH_BITS.map((parts) => (parts * MM_PER_INCH) / 64),
}

/**
 * The bit to take for a hole, in millimetres: the next one sold that is at least `mm` ('clear'), the
 * largest that is at most `mm` ('pilot'), or the largest in which an anchor for `mm` still grips
 * ('anchor').
 */
export function bitMm(mm: number, fit: Fit, units: UnitSystem): number {
  const sold = SOLD[units]
  const last = sold[sold.length - 1]!
  if (fit === 'clear') return sold.find((size) => size >= mm - 1e-9) ?? last
  const most = fit === 'anchor' ? mm + MOUNT_LIMITS.anchorHoleMm.value : mm
  return sold.findLast((size) => size <= most + 1e-9) ?? sold[0]!
}

/** The bit in the job's units and, in brackets, the one for the other drill index: `25 mm (1")`. */
export function printBit(mm: number, fit: Fit, units: UnitSystem): string {
  const other = units === 'metric' ? 'imperial' : 'metric'
  const size = (of: UnitSystem) => print({ value: bitMm(mm, fit, of), kind: 'size' }, of)
  return `${size(units)} (${size(other)})`
}
