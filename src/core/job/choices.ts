import type { SourceId } from '../sources'

/**
 * Closed lists that a job's record is made of. Labels stand here too, so that one thing has one name
 * everywhere.
 */

export const UNIT_SYSTEMS = { metric: 'Metric', imperial: 'Feet and inches' } as const

export const PIN_SCHEMES = { T568A: 'T568A', T568B: 'T568B' } as const

export const SEALING_POLICIES = {
  'always': 'Always fit the full coupling',
  'by exposure': 'By exposure: coupling where rain can reach, tape inside a dry soffit or box',
} as const

/** When the memory card goes in. */
export const CARD_TIMES = {
  'up there': 'Up there, while it is open',
  'on the bench': 'On the bench',
} as const

/** When the film comes off lens and bubble. */
export const FILM_TIMES = {
  'last': 'Last of all',
  'on the bench': 'On the bench, gloves from then on',
} as const

/** What becomes of tails that are not used where water reaches them. */
export const DEAD_TAILS = {
  'cap': 'Capped',
  'take off': 'Taken off where they unplug',
  'leave': 'Left as they are',
} as const

/** What a joint that stands dry and sheltered is taped with; where it is damp it is always the second. */
export const TAPES = {
  'plain': 'Plain tape where it is dry',
  'self-amalgamating': 'Self-amalgamating tape everywhere',
} as const

/** What a run of pairs ends with at the head end. */
export const HEAD_ENDS = {
  jack: 'A keystone jack and a patch lead',
  plug: 'A plug, straight into the port',
} as const

export const COAX_SCHOOLS = { 'twist-on': 'Twist-on', 'crimp-on': 'Crimp-on' } as const

export const EDITIONS = {
  '2014': 'EN/IEC 62676-4:2014',
  '2025': '2025 edition (check against your copy)',
} as const
export type Edition = keyof typeof EDITIONS

export interface Level {
  readonly name: string
  readonly edition: Edition
  readonly densityPxM: number
  readonly source: SourceId
}

const level = (name: string, edition: Edition, densityPxM: number): Level => ({
  name,
  edition,
  densityPxM,
  source: edition === '2014' ? 'en-62676-4-2014' : 'iec-62676-4-2025',
})

/** Pixels per metre at the target that each level of detail asks for. */
export const LEVELS = {
  monitor: level('Monitor', '2014', 12.5),
  detect: level('Detect', '2014', 25),
  observe: level('Observe', '2014', 62.5),
  recognise: level('Recognise', '2014', 125),
  identify: level('Identify', '2014', 250),
  inspect: level('Inspect', '2014', 1000),
  overview: level('Overview', '2025', 20),
  outline: level('Outline', '2025', 40),
  discern: level('Discern', '2025', 80),
  perceive: level('Perceive', '2025', 125),
  characterise: level('Characterise', '2025', 250),
  validate: level('Validate', '2025', 500),
  scrutinise: level('Scrutinise', '2025', 1500),
} as const
export type LevelId = keyof typeof LEVELS

/**
 * What poles are made of, with stiffness (GPa) and allowable bending stress (MPa) of the material. Handbook
 * values: steel
 * 0.66 of a yield of 235 MPa, aluminium 0.6 of 170 MPa, timber along the grain.
 */
export const POLE_MATERIALS = {
  steel: { name: 'Steel', elasticGPa: 200, bendingMPa: 155 },
  aluminium: { name: 'Aluminium', elasticGPa: 69, bendingMPa: 100 },
  timber: { name: 'Timber', elasticGPa: 10, bendingMPa: 10 },
} as const

/** Whether something comes new, was there and stays, or was there and goes. */
export const STATES = {
  'new': 'New',
  'kept': 'Existing, stays',
  'taken away': 'Existing, is taken away',
} as const
export type State = keyof typeof STATES

/** Whether the cable of a device is pulled for it or was there before. */
export const LAID = { new: 'New, pulled for it', kept: 'Existing, stays' } as const

/** Whether the hole that the cable comes through is drilled for it or was there before. */
export const HOLES = { new: 'New, drilled for it', kept: 'There before, used again' } as const

/** Where equipment stands. */
export const STANDS = { 'head end': 'At the head end', 'on site': 'Out on site' } as const
export type Stand = keyof typeof STANDS

/** How the land lies round the site, for the wind: exposure categories B, C and D of ASCE 7. */
export const TERRAINS = {
  'built-up': 'Town, suburb or wood',
  'open': 'Open country',
  'water': 'Flat and open to water',
} as const
export type Terrain = keyof typeof TERRAINS

/** The floors a site may have a plan of. A camera is drawn on the plan of the floor that it looks on. */
export const FLOORS = { ground: 'Ground', upper: 'Upper floor', loft: 'Loft', roof: 'Roof' } as const
export type Floor = keyof typeof FLOORS

export interface Exposure {
  readonly name: string
  /** Tests of IEC 60529's second digit that an opening there must have passed. */
  readonly tests: readonly number[]
  /** The same for an edge against a wall whose bottom stays open: what gets behind it runs out again. */
  readonly edgeTests: readonly number[]
  /** First digit of IEC 60529 that keeps the dust of the place out; 0 where none is asked. */
  readonly dust: number
  readonly outdoors: boolean
  readonly salt: boolean
  readonly why: string
}

/**
 * What reaches a joint. Which tests and which dust digit each asks for is common practice, no source; both
 * are IEC 60529's.
 */
export const EXPOSURES = {
  'dry indoors': {
    name: 'Dry indoors',
    tests: [],
    edgeTests: [],
    dust: 0,
    outdoors: false,
    salt: false,
    why: 'No water is expected.',
  },
  'damp indoors': {
    name: 'Damp indoors',
    tests: [2],
    edgeTests: [2],
    dust: 0,
    outdoors: false,
    salt: false,
    why: 'Condensation drips.',
  },
  'under a soffit': {
    name: 'Under a soffit',
    tests: [4],
    edgeTests: [4],
    dust: 5,
    outdoors: true,
    salt: false,
    why: 'Blown spray reaches it.',
  },
  'open weather': {
    name: 'Open weather',
    tests: [5],
    edgeTests: [4],
    dust: 5,
    outdoors: true,
    salt: false,
    why: 'Driving rain and a hose reach it.',
  },
  'marine': {
    name: 'Marine',
    tests: [6],
    edgeTests: [4],
    dust: 5,
    outdoors: true,
    salt: true,
    why: 'Gales drive salt water at it.',
  },
  'buried or flooding': {
    name: 'Buried or flooding',
    tests: [7],
    edgeTests: [7],
    dust: 6,
    outdoors: true,
    salt: false,
    why: 'It stands under water at times.',
  },
} as const satisfies Record<string, Exposure>

/** What must pass the cable hole. */
export const PASSAGES = {
  'bare cable': 'Bare cable',
  'plug': 'Cable with an unbooted plug on',
  'coupler': 'Weatherproof coupler of the tail',
  'tail and plugs': 'Whole tail and plugs pushed back',
} as const
export type PassageId = keyof typeof PASSAGES

export const SEVERITIES = {
  'safety': 'Safety',
  'will fail': 'Will fail',
  'below standard': 'Below standard',
  'looks': 'Looks',
} as const
export type SeverityId = keyof typeof SEVERITIES

/** Causes seen in the trade. */
export const CAUSES = [
  'water inside',
  'unsealed entry or gland',
  'drilled face',
  'rust',
  'missing screws',
  'not upright or level',
  'loose',
  'cable too tight',
  'cable unprotected',
  'cable unsupported',
  'wrong cable',
  'wrong clips',
  'no drip loop',
  'shared cable',
  'bad termination',
  'polarity',
  'no bonding or protector',
  'wrong position against the wish',
  'picture not as promised',
  'dirty bubble or film left on',
  'glare',
  'out of focus',
  'default password',
  'wrong address or name',
  'label missing',
  'not enough power',
  'too many volts',
  'part not in stock',
  'other',
] as const
export type Cause = (typeof CAUSES)[number]
