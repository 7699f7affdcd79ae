import { SPACES } from '../job/spaces'
import { limit, type Formula, type Register } from '../sources'

export const ROUTE_LIMITS = {
  fixedLinkM: limit('Longest fixed link of pair cable at 20 °C', 90, 'm', 'tia-568-2-d'),
  channelM: limit('Longest channel, link and cords', 100, 'm', 'tia-568-2-d'),
  cordDeratingThin: limit('Cord derating D, 26 AWG', 0.5, '', 'tia-568-heat'),
  cordDerating: limit('Cord derating D, 24 AWG and heavier', 0.2, '', 'tia-568-heat'),
  cordBaseM: limit('Cord length base: C = (102 − H)/(1 + D)', 102, 'm', 'tia-568-heat'),
  hottestC: limit('Hottest space the length table covers', 60, '°C', 'tia-568-heat'),
  spareSupports: limit('Spare clips and hooks', 10, '%', 'practice'),
  conduitFillOne: limit('Conduit fill for one cable (a guide for a clean pull)', 53, '%', 'nec-chapter-9-1'),
  conduitFillTwo: limit('Conduit fill for two cables', 31, '%', 'nec-chapter-9-1'),
  conduitFillMore: limit('Conduit fill for three cables or more', 40, '%', 'nec-chapter-9-1'),
  trunkingFill: limit('Trunking fill', 45, '%', 'iet-on-site-guide'),
  conduitRoundsUp: limit('Cables of one size: one more where so much of it fits', 0.8, '', 'nec-chapter-9-1'),
  jamLeast: limit('Three cables may wedge from so many diameters of bore', 2.8, '', 'nec-chapter-9-1'),
  jamMost: limit('And no longer from so many', 3.2, '', 'nec-chapter-9-1'),
  expansionMm: limit(
    'A straight run of conduit that grows so much wants expansion fittings',
    6,
    'mm',
    'nec-352-44',
  ),
  conduitPieceM: limit('Conduit, ducts and trunking are sold in pieces of', 3, 'm', 'practice'),
  strapM: limit('Straps of conduit, no farther apart than', 0.9, 'm', 'nec-352-30'),
  pullM: limit('Longest pull through a conduit between pull points', 30, 'm', 'tia-569-pull'),
  pullBendsDeg: limit('Bends of one pull, together', 180, '°', 'tia-569-pull'),
  pullFriction: limit('Friction of a dry jacket in a conduit', 0.5, '', 'practice'),
  crowding: limit('Cables beside each other press as if so many times as heavy', 1.4, '', 'practice'),
  cableDensity: limit('Weight of cable by its volume', 1.5, 'kg/dm³', 'practice'),
  cordAwg: limit('Gauge of patch leads, unless a better one is known', 26, 'AWG', 'practice'),
  slackM: limit('Slack at an end of a cable, at least', 0.3, 'm', 'practice'),
  dripLoopM: limit('Drip loop where rain can run along a cable, at least', 0.1, 'm', 'practice'),
  mainsApartMm: limit('Cable for data off mains, at least', 50, 'mm', 'nec-800-133'),
  coilM: limit('Coil of surplus, across, unless its cable bends less', 0.25, 'm', 'practice'),
  strayPercent: limit('A route is shorter than its way on the plan by no more than', 10, '%', 'practice'),
  lengthTolerance: limit('Measured length against planned', 10, '%', 'practice'),
} as const

/**
 * Allowed fixed-link length against temperature, unscreened cable; loss rises 0.4 %/°C to 40 °C and 0.6
 * %/°C to 60 °C.
 */
export const LENGTH_BY_TEMPERATURE: readonly (readonly [temperatureC: number, lengthM: number])[] = [
  [20, 90],
  [30, 87],
  [40, 84],
  [50, 79.5],
  [60, 75],
]

export const ROUTE_FORMULAS: readonly Formula[] = [
  {
    name: 'Pull through a conduit',
    formula: 'straight: T + w·L·(µ·cos θ + sin θ), never below 0; bend: T·e^(µφ); fed in without drag',
    source: 'physics',
  },
  {
    name: 'Cut length',
    formula: 'segments + rises + slacks + loops + termination, then waste and cut-off',
    source: 'practice',
  },
  {
    name: 'Length used by heat',
    formula:
      'Σ lengthᵢ · 90 / allowed(Tᵢ), slack and loops where they lie, screened cable with half the loss',
    source: 'tia-568-heat',
  },
  { name: 'Cord limit', formula: 'C = (102 − H)/(1 + D)', source: 'tia-568-heat' },
  {
    name: 'Longest channel all of stranded lead',
    formula: '102/(1 + D), at most 100 m',
    source: 'tia-568-heat',
  },
]

/** Everything route rests on. */
export const ROUTE_REGISTER: Register = {
  limits: [
    ...Object.values(ROUTE_LIMITS),
    ...LENGTH_BY_TEMPERATURE.map(([temperatureC, lengthM]) =>
      limit(`Allowed fixed link at ${temperatureC} °C`, lengthM, 'm', 'tia-568-heat'),
    ),
    ...Object.values(SPACES).flatMap(({ name, support }) =>
      support ? [limit(`${name}: ${support.name} every`, support.everyM, 'm', support.source)] : [],
    ),
  ],
  formulas: ROUTE_FORMULAS,
}
