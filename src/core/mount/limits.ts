import { POLE_MATERIALS, TERRAINS, type Terrain } from '../job/choices'
import { limit, type Formula, type Register } from '../sources'

export const MOUNT_LIMITS = {
  loadFactor: limit(
    'Weight that a fixing must carry, as a multiple of camera and enclosure',
    4,
    '×',
    'practice',
  ),
  gravityMS2: limit('Gravity', 9.80665, 'm/s²', 'physics'),
  woodScrew: limit('Wood screw withdrawal coefficient, lb per inch of thread', 2850, 'lb/in', 'nds'),
  lagScrew: limit('Lag screw withdrawal coefficient, lb per inch of thread', 1800, 'lb/in', 'nds'),
  wetService: limit('Wet service factor for withdrawal', 0.7, '×', 'nds'),
  pilotSoft: limit('Pilot for a wood screw as a share of the root, G up to 0.6', 70, '%', 'nds'),
  pilotHard: limit('Pilot for a wood screw as a share of the root, G above 0.6', 90, '%', 'nds'),
  lagLeadLight: limit(
    'Lead hole for a lag thread, G up to 0.5 (40 to 70 % of its diameter)',
    55,
    '%',
    'nds-12-1-4',
  ),
  lagLeadMiddle: limit('Lead hole for a lag thread, G above 0.5 (60 to 75 %)', 67.5, '%', 'nds-12-1-4'),
  lagLeadHeavy: limit('Lead hole for a lag thread, G above 0.6 (65 to 85 %)', 75, '%', 'nds-12-1-4'),
  lagThread: limit('Least penetration of a lag screw, diameters', 4, '× D', 'nds-12-1-4'),
  screwThread: limit('Least penetration of a wood screw, diameters', 6, '× D', 'nds-12-1-5'),
  permanent: limit('Duration factor of wood under a load that stays', 0.9, '×', 'nds'),
  anchorHoleMm: limit('How much larger than its own hole an anchor may find it', 0.2, 'mm', 'practice'),
  cableClearanceMm: limit('Room round a bare cable in its hole', 3, 'mm', 'practice'),
  plugHoleMm: limit(
    'Clear hole for an unbooted plug (diagonal of its body, and a little)',
    15,
    'mm',
    'rj45-size',
  ),
  endRoomMm: limit('Room round a finished end in what it passes', 0.8, 'mm', 'rj45-size'),
  couplerHoleMm: limit('Hole for a tail’s weatherproof coupler', 25, 'mm', 'practice'),
  tailHoleMm: limit('Hole for a whole tail and its plugs pushed back', 50, 'mm', 'practice'),
  coverMm: limit('Margin by which the base covers the cable hole', 5, 'mm', 'practice'),
  ladderRatio: limit('Ladder foot out, as a share of its working length', 25, '%', 'osha-1926-1053'),
  ladderM: limit('Height above which a tower or lift is offered', 6, 'm', 'practice'),
  windPressure: limit(
    'Velocity pressure at Kz 1, Pa for V in m/s (0.00256 lb/ft² for V in mph)',
    0.613,
    'Pa',
    'asce-7',
  ),
  windDirection: limit('Wind directionality factor', 0.85, '×', 'asce-7-kd'),
  windAllowable: limit('Share of the wind that meets allowable-stress values', 60, '%', 'asce-7'),
  drag: limit('Drag of boxes, tubes and domes', 1.3, '×', 'practice'),
  windDuration: limit('Duration factor of wood under wind', 1.6, '×', 'nds'),
  pictureWindMS: limit('Wind in which the picture must stay still', 12, 'm/s', 'practice'),
  shakePx: limit('Lean that still leaves a picture steady', 3, 'px', 'practice'),
  footShare: limit('Share of the moment at a pole’s foot that a camera may add unasked', 10, '%', 'practice'),
  bandTailMm: limit('Tail of a band beyond once round', 100, 'mm', 'practice'),
  edgeWood: limit('Edge distance of a screw in wood, diameters', 4, '× D', 'practice'),
  edgeMasonry: limit('Edge distance of an anchor in masonry, hole diameters', 5, '× D', 'practice'),
  holeToFixing: limit('Material between the cable hole and a fixing, screw diameters', 2, '× D', 'practice'),
  holeToSlotMm: limit(
    'Material between the cable hole and a vent slot, joist or joint',
    10,
    'mm',
    'practice',
  ),
  railsAboveM: limit('Rails above a landing', 0.9, 'm', 'osha-1926-1053'),
  ladderWindMS: limit('Wind above which nobody works from a ladder', 10, 'm/s', 'practice'),
  overheadKg: limit('Weight one person lifts at arm’s length above the head', 5, 'kg', 'hse-l23'),
  impactHeightM: limit('Height below which a camera can be struck', 3, 'm', 'practice'),
  impactJ: limit('Blow that a camera within reach should stand', 5, 'J', 'practice'),
  boxLevelDeg: limit('A box stands upright within', 1, '°', 'practice'),
} as const

/**
 * Power law of the wind by terrain: exponent α and gradient height in feet. ASCE 7, exposure categories B,
 * C and D.
 */
export const WIND_PROFILES: Record<Terrain, { readonly alpha: number; readonly gradientFt: number }> = {
  'built-up': { alpha: 7, gradientFt: 1200 },
  'open': { alpha: 9.5, gradientFt: 900 },
  'water': { alpha: 11.5, gradientFt: 700 },
}

/**
 * Overlap of an extension ladder's sections by its length (36, 48, 60 ft: 3, 4, 5 ft). ANSI A14.2 from
 * memory.
 */
export const EXTENSION_OVERLAPS: readonly { readonly upToM: number; readonly overlapM: number }[] = [
  { upToM: 10.97, overlapM: 0.91 },
  { upToM: 14.63, overlapM: 1.22 },
  { upToM: 18.29, overlapM: 1.52 },
]

export const MOUNT_FORMULAS: readonly Formula[] = [
  { name: 'Wood screw withdrawal', formula: '2850·G²·D lb per inch of thread in solid wood', source: 'nds' },
  {
    name: 'Lag screw withdrawal',
    formula: '1800·G^1.5·D^0.75 lb per inch of thread, tip excluded',
    source: 'nds',
  },
  {
    name: 'Pull on the top fixings',
    formula: '4·Σ weight·reach / (fixing spacing · top fixings), what hangs below an arm at the arm’s reach',
    source: 'physics',
  },
  {
    name: 'Shear on each fixing',
    formula: 'load / fixings; pull and shear used up add to at most 100 %',
    source: 'practice',
  },
  { name: 'Velocity pressure', formula: '0.613·Kz·V² Pa, V in m/s', source: 'asce-7' },
  {
    name: 'Exposure coefficient',
    formula:
      'Kz = 2.01·(z/zg)^(2/α), z at least 15 ft; α and zg by terrain: 7, 1200 ft; 9.5, 900 ft; 11.5, 700 ft',
    source: 'asce-7-kz',
  },
  {
    name: 'Bending of a pole at its foot',
    formula: '(w·L²/2 + F·h)·(D/2)/I with the allowable share of the design wind',
    source: 'handbook-bending',
  },
  {
    name: 'Wind force',
    formula: 'pressure × directionality × drag × side area; × 0.6 against allowable values',
    source: 'asce-7',
  },
  { name: 'Second moment of a tube', formula: 'π(D⁴ − d⁴)/64', source: 'physics' },
  {
    name: 'Sway of a pole',
    formula:
      'FL³/3EI and slope FL²/2EI of the device; ' +
      'w·x²(6L² − 4Lx + x²)/24EI and w·x(3L² − 3Lx + x²)/6EI of the pole',
    source: 'physics',
  },
  { name: 'Picture lean', formula: 'slope × pixels per radian', source: 'physics' },
  { name: 'Band', formula: 'π·D + tail', source: 'physics' },
  {
    name: 'Ladder foot',
    formula: 'working length / 4, working length along the ladder from foot to top support',
    source: 'osha-1926-1053',
  },
]

/** Bits that are sold: millimetres, and inch fractions with their size in millimetres. */
export const METRIC_BITS = [
  1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6, 6.5, 7, 8, 9, 10, 11, 12, 13, 14, 16, 18, 20, 22, 25, 28, 32, 35,
  38, 44, 50, 57, 64, 76,
] as const
export const INCH_BITS = [
  3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31,
  32, 36, 40, 44, 48, 56, 64, 72, 80, 96, 112, 128, 144, 160, 192,
] as const // 64ths of an inch

/** What is loaded beyond the count, and how sealant is reckoned. */
export const VAN_LIMITS = {
  spares: limit('Spare fixings, plugs and seals', 10, '%', 'practice'),
  beadMm2: limit('Cross-section of a sealant bead', 28, 'mm²', 'practice'),
  tubeMl: limit('Sealant in a tube', 300, 'ml', 'practice'),
  smallBitMm: limit('Bits up to this size are taken twice', 6, 'mm', 'practice'),
} as const

/** Everything mount rests on. */
export const MOUNT_REGISTER: Register = {
  limits: [
    ...Object.values(MOUNT_LIMITS),
    ...Object.values(VAN_LIMITS),
    ...EXTENSION_OVERLAPS.map(({ upToM, overlapM }) =>
      limit(`Overlap of an extension ladder up to ${upToM} m`, overlapM, 'm', 'ansi-a14-2'),
    ),
    ...(Object.keys(WIND_PROFILES) as Terrain[]).flatMap((terrain) => [
      limit(
        `Wind exponent α, ${TERRAINS[terrain].toLowerCase()}`,
        WIND_PROFILES[terrain].alpha,
        '',
        'asce-7-kz',
      ),
      limit(
        `Gradient height, ${TERRAINS[terrain].toLowerCase()}`,
        WIND_PROFILES[terrain].gradientFt,
        'ft',
        'asce-7-kz',
      ),
    ]),
    ...Object.values(POLE_MATERIALS).map(({ name, bendingMPa }) =>
      limit(
        `Allowable bending stress of a pole, ${name.toLowerCase()}`,
        bendingMPa,
        'MPa',
        'handbook-bending',
      ),
    ),
  ],
  formulas: MOUNT_FORMULAS,
}
