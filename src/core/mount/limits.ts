import { limit, type Formula } from '../sources'

export const MOUNT_LIMITS = {
  loadFactor: limit('Weight that a fixing must carry, as a multiple of camera and enclosure', 4, '×', 'practice'),
  gravityMS2: limit('Gravity', 9.80665, 'm/s²', 'physics'),
  woodScrew: limit('Wood screw withdrawal coefficient, lb per inch of thread', 2850, 'lb/in', 'nds'),
  lagScrew: limit('Lag screw withdrawal coefficient, lb per inch of thread', 1800, 'lb/in', 'nds'),
  wetService: limit('Wet service factor for withdrawal', 0.7, '×', 'nds'),
  pilotSoft: limit('Pilot for a wood screw as a share of the root, G up to 0.6', 70, '%', 'nds'),
  pilotHard: limit('Pilot for a wood screw as a share of the root, G above 0.6', 90, '%', 'nds'),
  pilotLag: limit('Lead hole for a lag thread as a share of its diameter', 60, '%', 'nds'),
  cableClearanceMm: limit('Room round a bare cable in its hole', 3, 'mm', 'practice'),
  plugHoleMm: limit('Clear hole for an unbooted plug (diagonal of its body, and a little)', 15, 'mm', 'rj45-size'),
  couplerHoleMm: limit('Hole for a tail’s weatherproof coupler', 25, 'mm', 'practice'),
  tailHoleMm: limit('Hole for a whole tail and its plugs pushed back', 50, 'mm', 'practice'),
  coverMm: limit('Margin by which the base covers the cable hole', 5, 'mm', 'practice'),
  ladderRatio: limit('Ladder foot out, as a share of its working length', 25, '%', 'osha-1926-1053'),
  ladderM: limit('Height above which a tower or lift is offered', 6, 'm', 'practice'),
  boxLevelDeg: limit('A box stands upright within', 1, '°', 'practice'),
} as const

export const MOUNT_FORMULAS: readonly Formula[] = [
  { name: 'Wood screw withdrawal', formula: '2850·G²·D lb per inch of thread in solid wood', source: 'nds' },
  { name: 'Lag screw withdrawal', formula: '1800·G^1.5·D^0.75 lb per inch of thread, tip excluded', source: 'nds' },
  { name: 'Pull on the top fixings', formula: '4·weight·reach / (fixing spacing · top fixings)', source: 'physics' },
  { name: 'Ladder foot', formula: 'working length / 4, working length along the ladder from foot to top support', source: 'osha-1926-1053' },
]

/** Bits that are sold: millimetres, and inch fractions with their size in millimetres. */
export const METRIC_BITS = [1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5, 5.5, 6, 6.5, 7, 8, 9, 10, 12, 14, 16, 18, 20, 22, 25, 28, 32, 35, 38, 44, 50, 57, 64, 76] as const
export const INCH_BITS = [3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 16, 18, 20, 22, 24, 28, 32, 36, 40, 44, 48, 56, 64, 72, 80, 96, 112, 128, 144, 160, 192] as const // 64ths of an inch

/** What is loaded beyond the count, and how sealant is reckoned. */
export const VAN_LIMITS = {
  spares: limit('Spare fixings, plugs and seals', 10, '%', 'practice'),
  beadMm2: limit('Cross-section of a sealant bead', 28, 'mm²', 'practice'),
  tubeMl: limit('Sealant in a tube', 300, 'ml', 'practice'),
  smallBitMm: limit('Bits up to this size are taken twice', 6, 'mm', 'practice'),
} as const
