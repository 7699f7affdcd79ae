export type SourceKind = 'published' | 'common practice' | 'from memory' | 'physics' | 'catalogue' | 'job'

export interface Source {
  readonly kind: SourceKind
  readonly cite: string
}

const published = (cite: string): Source => ({ kind: 'published', cite })
const memory = (cite: string): Source => ({
  kind: 'from memory',
  cite: `${cite} (from memory: check against your copy)`,
})

/** Where every constant, limit and formula of the product comes from. Findings name these by key. */
export const SOURCES = {
  'en-62676-4-2014': published(
    'EN/IEC 62676-4:2014, Video surveillance systems: application guidelines, pixel densities',
  ),
  'iec-62676-4-2025': memory('IEC 62676-4:2025, levels of detail'),
  'nds': published(
    'National Design Specification for Wood Construction (AWC), withdrawal design values and lead holes',
  ),
  'nds-appendix-l': memory('NDS appendix L, wood screw root diameters'),
  'osha-1926-1053': published('OSHA 29 CFR 1926.1053(b)(1) and (b)(5)(i), portable ladders'),
  'asce-7': published('ASCE 7-22, velocity pressure (26.10) and allowable-stress load combinations (2.4)'),
  'asce-7-kz': memory('ASCE 7 table 26.10-1, velocity pressure exposure coefficients by terrain and height'),
  'nds-12-1-4': memory('NDS 12.1.4, lag screws: lead holes and least penetration 4 D'),
  'nds-12-1-5': memory('NDS 12.1.5, wood screws: least penetration 6 D'),
  'handbook-bending': memory('Handbook bending: M·c/I against the allowable stress of the material'),
  'asce-7-kd': memory('ASCE 7-22 table 26.6-1, wind directionality factor'),
  'ansi-a14-2': memory('ANSI A14.2, overlap of extension ladders'),
  'hse-l23': memory('HSE L23 and INDG143, lifting at arm’s length above shoulder height'),
  'iec-62262': published('IEC 62262, degrees of protection against mechanical impact (IK code)'),
  'iec-60529': published('IEC 60529, degrees of protection provided by enclosures (IP code)'),
  'tia-568-2-d': published('ANSI/TIA-568.2-D, balanced twisted-pair cabling'),
  'tia-568-0': memory('ANSI/TIA-568.0-D, pull tension and bend radius of cable'),
  'tia-568-contact': memory(
    'ANSI/TIA-568.2-D, resistance of a contact of connecting hardware, at most 200 mΩ',
  ),
  'nec-314-16': memory('NEC 314.16(B) and its table, volume of a box taken by each conductor'),
  'nec-334': memory('NEC 334.24, bends of nonmetallic-sheathed cable'),
  'tia-568-heat': memory('ANSI/TIA-568.2-D annex, length against temperature'),
  'tia-568-pins': published('ANSI/TIA-568, pin and pair assignments T568A and T568B'),
  'tia-569': memory('ANSI/TIA-569, support spacing of horizontal cabling'),
  'tia-569-pull': memory('ANSI/TIA-569, conduits: at most 30 m and two 90° bends between pull points'),
  'ieee-802-3': published('IEEE 802.3af, 802.3at and 802.3bt, power over Ethernet classes'),
  'nec-chapter-9-1': published('NEC chapter 9 tables 1 and 4, conduit fill'),
  'iet-on-site-guide': memory('IET On-Site Guide, cable capacities: cables take 45 % of trunking at most'),
  'nec-352-44': memory('NEC 352.44 and its table, expansion of PVC conduit'),
  'nec-352-30': memory('NEC 352.30(B), supports of PVC conduit of 1/2 to 1 in: every 3 ft'),
  'nec-800-133': memory(
    'NEC 800.133(A)(2), communications cable 50 mm (2 in) off light and power conductors',
  ),
  'nec-chapter-9-8': published('NEC chapter 9 table 8, conductor resistance'),
  'astm-b258': memory('ASTM B258 wire diameters with 100 % IACS annealed copper at 20 °C'),
  'thread-sizes': memory('IEC 60423 metric entry threads and NPT knockout sizes'),
  'rj45-size': memory('IEC 60603-7 plug body, 11.7 × 8.3 mm'),
  'meeus': published('J. Meeus, Astronomical Algorithms, 2nd edition, chapter 25, solar coordinates'),
  'jcgm-100': memory('JCGM 100:2008 (GUM) 5.1.2 and 6.2, independent errors and coverage'),
  'iso-7810': memory('ISO/IEC 7810, identification cards, size ID-1'),
  'iso-216': memory('ISO 216, trimmed sizes of paper'),
  'asme-y14-1': memory('ANSI/ASME Y14.1, drawing sheet size A'),
  'ec-975-98': memory('Council Regulation (EC) 975/98, specifications of euro coins'),
  'usc-31-5112': memory('31 U.S.C. 5112, specifications of coins'),
  'physics': { kind: 'physics', cite: 'Derived from geometry, statics or circuit theory; no table needed' },
  'practice': { kind: 'common practice', cite: 'Common practice in the trade, no published source' },
  'catalogue': { kind: 'catalogue', cite: 'The catalogue entry of the part; the maker’s own figure decides' },
  'job': { kind: 'job', cite: 'What was entered for this job' },
} as const satisfies Record<string, Source>

export type SourceId = keyof typeof SOURCES

/** A constant of the trade: it stands once, here with its unit and source, and `docs/sources.md` lists it. */
export interface Limit {
  readonly name: string
  readonly value: number
  readonly unit: string
  readonly source: SourceId
}

export const limit = (name: string, value: number, unit: string, source: SourceId): Limit => ({
  name,
  value,
  unit,
  source,
})

/** A formula the product computes with, for `docs/sources.md`. */
export interface Formula {
  readonly name: string
  readonly formula: string
  readonly source: SourceId
}

/** The constants and formulas that a stage rests on, for the page of sources and its check. */
export interface Register {
  readonly limits: readonly Limit[]
  readonly formulas: readonly Formula[]
}
