import { limit, type Formula, type Register } from '../sources'

export const TERMINATE_LIMITS = {
  copperOhmMm2M: limit('Resistivity of 100 % IACS copper at 20 °C', 0.017241, 'Ω·mm²/m', 'astm-b258'),
  copperPerC: limit('Copper resistance per degree from 20 °C', 0.39, '%/°C', 'astm-b258'),
  conductorOhm100M: limit('Highest conductor resistance', 9.38, 'Ω per 100 m', 'tia-568-2-d'),
  loopLeast: limit('Loop reading below this share of the expected one is a short', 75, '%', 'practice'),
  fill: limit('Cable, tails and joint fill at most this share of a box', 40, '%', 'practice'),
  tailMm: limit('A camera’s tail across', 5, 'mm', 'practice'),
  jointMm: limit('A plug in its socket, taped, long', 60, 'mm', 'practice'),
  kitMm: limit('A coupling kit, closed, long', 90, 'mm', 'practice'),
  leastSlackM: limit('Slack that an end cannot be made without', 0.3, 'm', 'practice'),
} as const

export const TERMINATE_FORMULAS: readonly Formula[] = [
  { name: 'Wire diameter', formula: '0.127·92^((36−n)/39) mm', source: 'astm-b258' },
  {
    name: 'Loop resistance of a pair',
    formula: '2·r·L, r and its limit by the temperature of the run',
    source: 'physics',
  },
  {
    name: 'Room that a joint takes',
    formula: 'slack, tails and joint as cylinders: Σ π/4·d²·l',
    source: 'physics',
  },
]

/** Everything terminate rests on. */
export const TERMINATE_REGISTER: Register = {
  limits: Object.values(TERMINATE_LIMITS),
  formulas: TERMINATE_FORMULAS,
}
