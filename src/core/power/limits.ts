import { limit, type Formula, type Register } from '../sources'

/** One PoE class: power at the port and at the camera, and the circuit that the standard reckons with. */
export interface PoeClass {
  readonly poeClass: number
  readonly sourceW: number
  readonly deviceW: number
  readonly sourceV: number
  readonly circuitOhm: number
  readonly pairs: 2 | 4
  readonly leastDeviceV: number
}

const poe = (
  poeClass: number,
  sourceW: number,
  deviceW: number,
  sourceV: number,
  circuitOhm: number,
  pairs: 2 | 4,
  leastDeviceV: number,
): PoeClass => ({ poeClass, sourceW, deviceW, sourceV, circuitOhm, pairs, leastDeviceV })

/**
 * IEEE 802.3af/at/bt. Device power follows from source power, lowest source voltage and the circuit's
 * resistance.
 */
export const POE_CLASSES: readonly PoeClass[] = [
  poe(1, 4, 3.84, 44, 20, 2, 37),
  poe(2, 7, 6.49, 44, 20, 2, 37),
  poe(3, 15.4, 12.95, 44, 20, 2, 37),
  poe(4, 30, 25.5, 50, 12.5, 2, 42.5),
  poe(5, 45, 40, 50, 6.25, 4, 44.3),
  poe(6, 60, 51, 50, 6.25, 4, 42.5),
  poe(7, 75, 62, 52, 6.25, 4, 42.9),
  poe(8, 90, 71.3, 52, 6.25, 4, 41.1),
]

export const POWER_LIMITS = {
  supplyLoad: limit('A supply or switch is loaded to', 80, '%', 'practice'),
  contactOhm: limit('Resistance of a contact of plug and jack', 0.2, 'Ω', 'tia-568-contact'),
  jointOhm: limit('Resistance of a screwed DC joint', 0.01, 'Ω', 'practice'),
  unprotectedM: limit('Outdoor copper without surge protectors, at most', 30, 'm', 'practice'),
  dcJoints: limit('DC joints of a run: supply, cable, joint, plug', 4, '', 'practice'),
} as const

/** Volume of a box that one conductor of a gauge takes, mL: 2.00, 2.25 and 2.50 cubic inches. */
export const BOX_FILL_ML = [
  { awg: 14, ml: 32.77 },
  { awg: 12, ml: 36.87 },
  { awg: 10, ml: 40.97 },
] as const

export const POWER_FORMULAS: readonly Formula[] = [
  {
    name: 'Volts at a constant-power load',
    formula: '(Vs + √(Vs² − 4PR)) / 2; none when 4PR > Vs²',
    source: 'physics',
  },
  {
    name: 'PoE circuit',
    formula: 'cable, patch leads and contacts: Σ r·L + n·c over two pairs, half of it over four',
    source: 'ieee-802-3',
  },
  { name: 'DC circuit', formula: '2·(r·L + joints)', source: 'physics' },
]

/** Everything power rests on. */
export const POWER_REGISTER: Register = {
  limits: [
    ...Object.values(POWER_LIMITS),
    ...BOX_FILL_ML.map(({ awg, ml }) =>
      limit(`A conductor of ${awg} AWG takes of its box`, ml, 'mL', 'nec-314-16'),
    ),
    ...POE_CLASSES.flatMap(({ poeClass, sourceW, deviceW }) => [
      limit(`Class ${poeClass} at the port`, sourceW, 'W', 'ieee-802-3'),
      limit(`Class ${poeClass} at the camera`, deviceW, 'W', 'ieee-802-3'),
    ]),
  ],
  formulas: POWER_FORMULAS,
}
