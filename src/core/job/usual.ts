import type { Allowances, Details, EquipmentChoice, FloorHeights, Policies, RunChoice } from './job'

/** What a job and its parts are as long as nobody says otherwise. */

/** Lengths left over on purpose; every one is editable per job. Common practice, no source. */
export const USUAL_ALLOWANCES: Allowances = {
  deviceSlackM: 1,
  headEndSlackM: 3,
  dripLoopM: 0.3,
  serviceLoopM: 1,
  cutOffM: 0.3,
  terminationM: 0.1,
  wastePercent: 5,
}

/** A gale-swept coast takes more: ask the local code for its map. Common practice, no source. */
export const USUAL_WIND_MS = 45

/** Nobody has said how high the floors lie. */
export const UNKNOWN_HEIGHTS: FloorHeights = { upper: null, loft: null, roof: null }

/** Mains of ordinary houses, by what the job shows: ask at the meter. Common practice, no source. */
export const USUAL_MAINS_V = { metric: 230, imperial: 120 } as const

export const USUAL_POLICIES: Policies = {
  pinScheme: 'T568B',
  sealing: 'by exposure',
  coaxSchool: 'twist-on',
  edition: '2014',
  contactGrease: 'in salt air',
  memoryCard: 'up there',
  film: 'last',
  deadTails: 'cap',
  tape: 'self-amalgamating',
  headEndWith: 'jack',
}

/** Nobody asks about it unless something is different: it is new and stands dry at the head end. */
export const USUAL_EQUIPMENT = {
  state: 'new',
  replaces: null,
  stands: 'head end',
  exposure: 'dry indoors',
} as const satisfies Partial<EquipmentChoice>

/** Nothing is chosen of a run yet but what it carries and from where to where. */
export const USUAL_RUN = {
  state: 'new',
  replaces: null,
  fromPort: null,
  fromEndId: null,
  toPort: null,
  toEndId: null,
  segments: [],
  cordsM: 0,
  lead: null,
  forced: null,
} as const satisfies Partial<RunChoice>

export const NO_DETAILS: Details = {
  serial: '',
  hardwareAddress: '',
  networkAddress: '',
  firmware: '',
  passwordReplaced: false,
}
