import { parse, type Parsed } from './parse'
import type { UnitSystem } from './quantity'

/** The two marks of a scale that a length was read between, as they were said. */
type Between = Parsed & { readonly marks?: readonly [string, string] }

/** In feet and inches a hyphen joins both, as in `4'-6"`: there it parts no marks. */
const APART = {
  metric: /\s*(?:–|—|\.{2,3})\s*|\s+to\s+|(?<=\d)\s*-\s*(?=\d)/,
  imperial: /\s*(?:–|—|\.{2,3})\s*|\s+to\s+/,
} as const

/**
 * A length as a person says it, or the two marks that it lies between, in any order and of one unit: `412 –
 * 466.3`, `466.3 to 412`.
 */
export function parseBetween(words: string, units: UnitSystem): Between {
  const alone = parse(words, 'length', units)
  if (alone.ok) return alone
  const [from, to, ...more] = words.trim().split(APART[units])
  if (from === undefined || to === undefined || more.length > 0 || unitIn(from) !== unitIn(to)) return alone
  const [first, second] = [parse(from, 'length', units), parse(to, 'length', units)]
  if (!first.ok || !second.ok) return alone
  const value = Math.abs(second.value - first.value)
  if (value === 0) return { ok: false, message: 'Both marks are the same: there is no cable between them.' }
  return { ok: true, value, marks: [from, to] }
}

const unitIn = (mark: string): string => mark.replace(/[\d.,\s/]/g, '')
