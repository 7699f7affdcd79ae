import { METRES_PER_FOOT, MM_PER_INCH, SCALES, type QuantityKind, type UnitSystem } from './quantity'

export type Parsed =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly message: string }

const METRES: Record<string, number> = {
  'm': 1,
  'metre': 1,
  'metres': 1,
  'meter': 1,
  'meters': 1,
  'cm': 0.01,
  'mm': 0.001,
  'ft': METRES_PER_FOOT,
  'foot': METRES_PER_FOOT,
  'feet': METRES_PER_FOOT,
  "'": METRES_PER_FOOT,
  'in': METRES_PER_FOOT / 12,
  'inch': METRES_PER_FOOT / 12,
  'inches': METRES_PER_FOOT / 12,
  '"': METRES_PER_FOOT / 12,
}
const FEET = new Set(['ft', 'foot', 'feet', "'"])
const FRACTIONS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
}
const SCALAR = /^((?:\d+[\s-]+)?\d+\/\d+|\d+(?:\.\d*)?|\.\d+)\s*(\D*)$/
const TERM = /^\s*((?:\d+[\s-]+)?\d+\/\d+|\d+(?:\.\d*)?|\.\d+)\s*([a-zµ°ω%·/]+|'|")?\s*/

/**
 * Other names people write for a unit, beside the label it is printed with. [factor, offset] to the inside
 * unit.
 */
const SPOKEN: Partial<Record<QuantityKind, Record<string, readonly [number, number]>>> = {
  focal: { mm: [1, 0] },
  angle: { '°': [1, 0], 'deg': [1, 0], 'degrees': [1, 0] },
  mass: { kg: [1, 0], g: [0.001, 0], lb: [0.45359237, 0], lbs: [0.45359237, 0], oz: [0.028349523125, 0] },
  force: { n: [1, 0], kn: [1000, 0], lbf: [4.4482216, 0], lb: [4.4482216, 0] },
  temperature: { 'c': [1, 0], '°c': [1, 0], 'f': [5 / 9, -160 / 9], '°f': [5 / 9, -160 / 9] },
  resistance: { ohm: [1, 0], ohms: [1, 0], ω: [1, 0] },
  voltage: { v: [1, 0], volts: [1, 0], mv: [0.001, 0] },
  power: { w: [1, 0], mw: [0.001, 0], watts: [1, 0] },
  share: { '%': [1, 0] },
  time: { s: [1, 0], ms: [0.001, 0], sec: [1, 0] },
  density: { 'px/m': [1, 0], 'px/ft': [1 / METRES_PER_FOOT, 0] },
}

/**
 * Reads what a person says for a quantity: `3.8`, `380 cm`, `12'6"`, `12 ft 6 1/2 in`, `5/64"`, `104 F`,
 * `1/60`. A bare number is in the unit the job shows (metres or feet; millimetres or inches for sizes).
 * Returns the value in the inside unit of the kind, or a message to put at the field; it never throws.
 */
export function parse(words: string, kind: QuantityKind, units: UnitSystem): Parsed {
  const said = normalise(words)
  if (said === '') return refuse(kind, units, 'Nothing is written here.')
  const negative = said.startsWith('-')
  const unsigned = negative || said.startsWith('+') ? said.slice(1) : said
  const parsed =
    kind === 'length' || kind === 'cut' || kind === 'size'
      ? lengthOf(unsigned, kind, units)
      : scalarOf(unsigned, kind, units, negative)
  if (parsed === null || !Number.isFinite(parsed))
    return refuse(kind, units, `"${words.trim()}" is not understood.`)
  const signed = negative && kind !== 'temperature' ? -parsed : parsed
  return { ok: true, value: signed === 0 ? 0 : signed }
}

/** What a bare number counts in, metres, by what the job shows. */
const BARE_LENGTH_M = { metric: 1, imperial: METRES_PER_FOOT } as const
const BARE_SIZE_M = { metric: 0.001, imperial: MM_PER_INCH / 1000 } as const

function lengthOf(said: string, kind: 'length' | 'cut' | 'size', units: UnitSystem): number | null {
  let rest = said
  let metres = 0
  let lastFactor = Infinity
  let first = true
  while (rest !== '') {
    const term = TERM.exec(rest)
    if (!term) return null
    const number = numberOf(term[1]!)
    const unit = term[2]
    rest = rest.slice(term[0].length)
    let factor: number
    if (unit !== undefined) {
      const known = METRES[unit]
      if (known === undefined) return null
      factor = known
    } else if (first && rest === '') {
      factor = (kind === 'size' ? BARE_SIZE_M : BARE_LENGTH_M)[units]
    } else if (lastFactor === METRES_PER_FOOT && rest === '') {
      factor = METRES_PER_FOOT / 12 // 12'6 means six inches
    } else return null
    if (factor >= lastFactor) return null
    metres += number * factor
    lastFactor = unit !== undefined && FEET.has(unit) ? METRES_PER_FOOT : factor
    first = false
  }
  if (first) return null // a sign alone is no length
  return kind === 'size' ? metres * 1000 : metres
}

function scalarOf(
  said: string,
  kind: Exclude<QuantityKind, 'length' | 'cut' | 'size'>,
  units: UnitSystem,
  negative: boolean,
): number | null {
  const term = SCALAR.exec(said)
  if (!term) return null
  const number = numberOf(term[1]!) * (negative && kind === 'temperature' ? -1 : 1)
  const unit = term[2]!
  const spoken = SPOKEN[kind]?.[unit]
  if (spoken) return number * spoken[0] + spoken[1]
  const scale = unit === '' ? SCALES[kind][units] : printedWith(kind, unit)
  return scale ? number * scale.factor + (scale.offset ?? 0) : null
}

/** Whatever a quantity is printed with is understood too, in either system. */
const printedWith = (kind: keyof typeof SCALES, unit: string) =>
  Object.values(SCALES[kind]).find(({ label }) => label.toLowerCase() === unit)

function numberOf(words: string): number {
  const slash = words.indexOf('/')
  if (slash < 0) return Number(words)
  const [whole, top] = words.slice(0, slash).split(/[\s-]+/)
  const bottom = Number(words.slice(slash + 1))
  return top === undefined ? Number(whole) / bottom : Number(whole) + Number(top) / bottom
}

function normalise(words: string): string {
  return words
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (mark) => FRACTIONS[mark]!)
    .replace(/[′’‘]/g, "'")
    .replace(/[″”“]|''/g, '"')
    .replace(/[−–]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2')
    .trim()
    .toLowerCase()
}

const EXAMPLES: Record<QuantityKind, readonly [metric: string, imperial: string]> = {
  length: [`3.8 m, 380 cm or 12'6"`, `12'6", 12.5 or 3.8 m`],
  cut: [`38.5 m or 126'`, `126', 126'3" or 38.5 m`],
  size: ['6.2, 6.2 mm or 1/4"', '1/4", 0.25 or 6.2 mm'],
  ground: ['12 m²', '130 sq ft'],
  focal: ['6.2 or 6.2 mm', '6.2 or 6.2 mm'],
  angle: ['25 or 25°', '25 or 25°'],
  density: ['250 px/m', '76 px/ft'],
  pixels: ['2', '2'],
  force: ['58 N', '13 lbf'],
  moment: ['5', '5'],
  mass: ['1.1 or 900 g', '2.4 or 38 oz'],
  power: ['12.5 W', '12.5 W'],
  voltage: ['12.1 V', '12.1 V'],
  current: ['0.5', '0.5'],
  resistance: ['9.4', '9.4'],
  share: ['5 or 5 %', '5 or 5 %'],
  temperature: ['35 or 95 F', '95 or 35 C'],
  time: ['1/60 or 20 ms', '1/60 or 20 ms'],
  speed: ['45 m/s', '100 mph'],
  energy: ['20', '20'],
  volume: ['350 mL', '21.5 cu in'],
  count: ['4', '4'],
}

function refuse(kind: QuantityKind, units: UnitSystem, why: string): Parsed {
  return { ok: false, message: `${why} Write it like ${EXAMPLES[kind][units === 'metric' ? 0 : 1]}.` }
}
