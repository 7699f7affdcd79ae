import {
  METRES_PER_FOOT,
  MM_PER_INCH,
  SCALES,
  type Quantity,
  type Reading,
  type UnitSystem,
} from './quantity'

/**
 * Prints a quantity with as many digits as the work can use: heights to 10 mm or ½ in, cut lengths up to
 * the next
 * 0.1 m or 3 in, sizes to 0.1 mm or 1/64 in. Densities round down, so that a figure never flatters.
 */
export function print(quantity: Quantity, units: UnitSystem): string {
  const { value, kind } = quantity
  if (kind === 'length')
    return units === 'metric' ? `${fixed(value, 2)} m` : feetAndInches(value, 2, Math.round)
  if (kind === 'cut')
    return units === 'metric'
      ? `${fixed(Math.ceil(round(value * 10, 6)) / 10, 1)} m`
      : feetAndInches(value, 1 / 3, Math.ceil)
  if (kind === 'size') return units === 'metric' ? `${trimmed(value, 1)} mm` : inches(value / MM_PER_INCH, 64)
  if (kind === 'time') return shutter(value)
  const scale = SCALES[kind][units]
  const shown = (value - (scale.offset ?? 0)) / scale.factor
  const number = kind === 'density' ? densityDown(shown, scale.digits) : fixed(shown, scale.digits)
  if (scale.label === '') return number
  return scale.label === '°' ? `${number}°` : `${number} ${scale.label}`
}

/** Below a hundred a tenth counts (levels stand at 12.5 and 62.5); never rounded up. */
function densityDown(shown: number, digits: number): string {
  const kept = shown < 100 ? Math.max(digits, 1) : digits
  return trimmed(Math.floor(round(shown * 10 ** kept, 6)) / 10 ** kept, kept)
}

/** Prints a figure: words as they are, quantities by `print`. */
export function printReading(reading: Reading, units: UnitSystem): string {
  return 'text' in reading ? reading.text : print(reading, units)
}

/**
 * Feet and inches to 1/`perInch` inch: `12' 6 1/2"`. `perInch` below 1 gives steps of whole inches (1/3:
 * three inches).
 */
function feetAndInches(metres: number, perInch: number, rounding: (x: number) => number): string {
  const steps = rounding(round((Math.abs(metres) / METRES_PER_FOOT) * 12 * perInch, 6))
  const total = steps / perInch
  const feet = Math.floor(round(total / 12, 9))
  const rest = total - feet * 12
  const sign = metres < 0 && steps > 0 ? '−' : ''
  return feet === 0
    ? `${sign}${inches(rest, Math.max(1, perInch))}`
    : `${sign}${feet}' ${inches(rest, Math.max(1, perInch))}`
}

/** Inches as a whole number and a fraction in lowest terms: `6 1/2"`, `5/64"`. */
function inches(value: number, denominator: number): string {
  const sign = value < 0 ? '−' : ''
  const parts = Math.round(Math.abs(value) * denominator)
  const whole = Math.floor(parts / denominator)
  let top = parts % denominator
  let bottom = denominator
  while (top > 0 && top % 2 === 0) {
    top /= 2
    bottom /= 2
  }
  if (top === 0) return `${parts === 0 ? '' : sign}${whole}"`
  return `${sign}${whole === 0 ? '' : `${whole} `}${top}/${bottom}"`
}

/** Exposure times read as photographers say them: `1/60 s`, `2.00 s`. */
function shutter(seconds: number): string {
  return seconds < 0.7 && seconds > 0 ? `1/${Math.round(1 / seconds)} s` : `${fixed(seconds, 2)} s`
}

function fixed(value: number, digits: number): string {
  const words = value.toFixed(digits)
  if (!words.startsWith('-')) return words
  return Number(words) === 0 ? words.slice(1) : `−${words.slice(1)}`
}

function trimmed(value: number, digits: number): string {
  return fixed(value, digits).replace(/\.0+$/, '')
}

const round = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits
