/** Every kind of quantity the product shows, each held in one SI-based unit inside. */
export type QuantityKind =
  | 'length'
  | 'ground'
  | 'cut'
  | 'size'
  | 'focal'
  | 'angle'
  | 'density'
  | 'pixels'
  | 'force'
  | 'moment'
  | 'mass'
  | 'power'
  | 'voltage'
  | 'current'
  | 'resistance'
  | 'share'
  | 'temperature'
  | 'time'
  | 'speed'
  | 'energy'
  | 'volume'
  | 'count'

/** What a job shows and what a bare number typed into it means. */
export type UnitSystem = 'metric' | 'imperial'

/**
 * A number in the inside unit of its kind: m, m², m, mm, mm, °, px/m, px, N, N·m, kg, W, V, A, Ω, %, °C, s,
 * m/s, J, mL, pieces.
 */
export interface Quantity {
  readonly value: number
  readonly kind: QuantityKind
}

/** A figure on screen: a quantity, or a word such as "endless" or "T568B". */
export type Reading = Quantity | { readonly text: string }

export const quantity = (value: number, kind: QuantityKind): Quantity => ({ value, kind })
export const text = (words: string): Reading => ({ text: words })

/** Metres in a foot and an inch: exact since the 1959 international yard and pound agreement. */
export const METRES_PER_FOOT = 0.3048
export const MM_PER_INCH = 25.4

interface Scale {
  /** Label printed behind the number. */
  readonly label: string
  /** Inside value = shown value × factor + offset. */
  readonly factor: number
  readonly offset?: number
  readonly digits: number
}

/**
 * Kinds shown as one decimal number; lengths have their own printer. 1 lbf = 4.4482216 N, 1 lb = 0.45359237
 * kg (exact).
 */
export const SCALES: Record<Exclude<QuantityKind, 'length' | 'cut' | 'size'>, Record<UnitSystem, Scale>> = {
  ground: {
    metric: { label: 'm²', factor: 1, digits: 1 },
    imperial: { label: 'sq ft', factor: METRES_PER_FOOT ** 2, digits: 0 },
  },
  focal: same('mm', 1),
  angle: same('°', 1),
  density: {
    metric: { label: 'px/m', factor: 1, digits: 0 },
    imperial: { label: 'px/ft', factor: 1 / METRES_PER_FOOT, digits: 1 },
  },
  pixels: same('px', 1),
  force: {
    metric: { label: 'N', factor: 1, digits: 0 },
    imperial: { label: 'lbf', factor: 4.4482216, digits: 1 },
  },
  moment: {
    metric: { label: 'N·m', factor: 1, digits: 1 },
    imperial: { label: 'lbf·ft', factor: 1.3558179, digits: 1 },
  },
  mass: {
    metric: { label: 'kg', factor: 1, digits: 2 },
    imperial: { label: 'lb', factor: 0.45359237, digits: 2 },
  },
  power: same('W', 1),
  voltage: same('V', 1),
  current: same('A', 2),
  resistance: same('Ω', 2),
  share: same('%', 0),
  temperature: {
    metric: { label: '°C', factor: 1, digits: 0 },
    imperial: { label: '°F', factor: 5 / 9, offset: -160 / 9, digits: 0 },
  },
  time: same('s', 4),
  speed: {
    metric: { label: 'm/s', factor: 1, digits: 0 },
    imperial: { label: 'mph', factor: 0.44704, digits: 0 },
  },
  energy: same('J', 0),
  volume: {
    metric: { label: 'mL', factor: 1, digits: 0 },
    imperial: { label: 'cu in', factor: (MM_PER_INCH / 10) ** 3, digits: 1 },
  },
  count: same('', 0),
}

function same(label: string, digits: number): Record<UnitSystem, Scale> {
  const scale = { label, factor: 1, digits }
  return { metric: scale, imperial: scale }
}
