import type { Allowances, Policies } from '../job/job'
import type { QuantityKind } from '../units'
import type { Cable } from './kinds/cable'
import type { Connector } from './kinds/connector'
import type { Catalogue } from './parts'

/** The place at one end of a cable, as its length needs it. */
export interface EndPlace {
  /** What the slack there is called by: "the device", "E1". */
  readonly called: string
  readonly slackM: number
  /** Its other end is its neighbour, so that none is left over. */
  readonly patched?: boolean
  readonly outdoors: boolean
  readonly onPole: boolean
  /** A box stands there that holds what is left over. */
  readonly boxed: boolean
  /** What it ends with; null while nothing is chosen. */
  readonly connector: Connector | null
}

/** Values read off at the device, in metres, millimetres and volts; null while nobody has. */
export interface Measured {
  readonly installedM: number | null
  readonly cableMm: number | null
  readonly volts: number | null
  /** What the far end of an old run was found to be made to. */
  readonly pinScheme: Policies['pinScheme'] | null
}

/**
 * What lies in each conduit, by its name, before a ready-made lead goes into it: diameters in mm. Or the lead
 * lies there itself.
 */
export type Before = ReadonlyMap<string, readonly number[]> | 'drawn'

/** What one cable rests on, whatever is at its ends: a camera's own, or a run between any two things. */
export interface RunContext {
  readonly cable: Cable
  /** Across its jacket, mm: as measured once somebody has, else by the catalogue. */
  readonly cableMm: number
  /** The near end first; stretches are told from there. */
  readonly ends: readonly [near: EndPlace, far: EndPlace]
  readonly allowances: Allowances
  readonly policies: Policies
  readonly measured: Measured
  /** Diameters (mm) of all cables in each conduit of the job that several runs share, by its name. */
  readonly conduits: ReadonlyMap<string, readonly number[]>
  /** Of a ready-made lead. */
  readonly before: Before
  readonly catalogue: Catalogue
  /** Prints a value in the job's units, for the sentences of findings and steps. */
  readonly printed: (value: number, kind: QuantityKind) => string
}

/** The same in words: alike where they are alike. */
export const wordsBefore = (before: Before = new Map()): string =>
  before === 'drawn' ? before : JSON.stringify([...before])
