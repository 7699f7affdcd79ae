import type { JacketNeed } from '../job/choices'
import type { SourceId } from '../sources'

/**
 * The kinds of part a job is made of. The data stands in the catalogue; this is its contract with the
 * computation.
 */

/** Energy (J) of the blow that each class of IEC 62262 stands. */
export const IMPACT_J = { IK07: 2, IK08: 5, IK09: 10, IK10: 20 } as const

interface Part {
  readonly id: string
  readonly name: string
}

/** An opening of a part that water could use. */
export interface Opening {
  readonly key: string
  readonly name: string
  readonly kind: 'tail joint' | 'cable entry' | 'grommet seat' | 'spare entry' | 'gasket' | 'wall edge'
  /** From where its nut or rubber is put in and tightened; left out where nothing is put in. */
  readonly side?: 'rear' | 'side' | 'inside'
  /** Clear hole of an entry in mm; null where nothing screws in. */
  readonly holeMm: number | null
  /**
   * Ratings the opening has by itself when its own gasket is seated, e.g. ['IP66']; empty when it needs a
   * sealing part.
   */
  readonly builtIn: readonly string[]
}

/**
 * From where a part's screws are turned: through its own open front, from outside, through the open back of
 * what it sits on, or inside what encloses it.
 */
export type Fastened = 'from its front' | 'from outside' | 'from behind' | 'inside its support'

/** What turns the picture of a camera, and so how it is aimed. */
export type Head = 'three joints' | 'ball' | 'gimbal' | 'slider' | 'lamp joint' | 'motors' | 'none'

/** How a camera's angle range is counted: always from the normal of its own base. */
export interface Camera extends Part {
  readonly form: 'bullet' | 'dome' | 'turret' | 'box' | 'ptz' | 'panoramic' | 'floodlight'
  readonly sensor: {
    readonly widthMm: number
    readonly heightMm: number
    readonly widthPx: number
    readonly heightPx: number
  }
  /**
   * Rectilinear lenses follow the pinhole; a strongly distorting one is given by its field of view and
   * treated as f-theta.
   */
  readonly lens:
    | { readonly kind: 'rectilinear'; readonly focalMm: readonly [min: number, max: number] }
    | {
        readonly kind: 'f-theta'
        readonly horizontalFovDeg: number
        readonly verticalFovDeg: number
        readonly focalMm: readonly [min: number, max: number]
      }
  /** Angle between the lens axis and the normal of the camera's base, degrees. */
  readonly axisFromBaseDeg: readonly [min: number, max: number]
  readonly infraredReachM: number
  /** Protection against impact by IEC 62262; null when the maker gives none. */
  readonly impact: keyof typeof IMPACT_J | null
  readonly massKg: number
  /** Diameter or width of the base and depth from base to lens. */
  readonly baseMm: number
  readonly depthMm: number
  readonly fixing: { readonly holes: number; readonly atLeast: number; readonly spacingMm: number }
  readonly needs: Interface
  readonly fastened: Fastened
  readonly head: Head
  readonly cable: 'pair' | 'coax and power' | 'mains'
  /** How the site cable meets the camera. */
  readonly connection: 'network tail' | 'inside' | 'coax and power tails' | 'mains leads'
  readonly openings: readonly Opening[]
  readonly power: {
    /** Worst hour: heater, infrared and motors on. */
    readonly worstW: number
    readonly poe: boolean
    readonly dcV: readonly [min: number, max: number] | null
    readonly mains: boolean
  }
  /** Tails that are left over when the camera runs on PoE. */
  readonly unusedTails: readonly string[]
  /** What must be minded while fitting this form of camera. */
  readonly notes: readonly string[]
}

/** What fits on what, by interface and not by name. */
export type Interface = 'surface' | 'box lid' | 'pipe thread' | 'hood' | 'arm' | 'pole plate' | 'bracket'

export interface MountPart extends Part {
  readonly kind:
    | 'junction box'
    | 'back box'
    | 'electrical box'
    | 'wall arm'
    | 'ceiling plate'
    | 'rod'
    | 'hood'
    | 'pole adapter'
    | 'corner adapter'
    | 'plate'
    | 'housing'
    | 'bracket'
  readonly needs: Interface
  readonly offers: Interface
  /** Which way the next part faces: as before, or turned down. */
  readonly turns: 'same' | 'down'
  readonly massKg: number
  readonly baseMm: number
  readonly depthMm: number
  /** How far it carries the load away from the surface. */
  readonly reachMm: number
  readonly fixing: { readonly holes: number; readonly atLeast: number; readonly spacingMm: number }
  readonly fastened: Exclude<Fastened, 'inside its support'>
  /** Its back is open: what sits on it is reached from behind until it is up. */
  readonly openBehind?: true
  /** It is let into the surface, through an opening that is cut for it. */
  readonly cutIn?: true
  /** Its middle is open and flat: a joint behind it is made in front of it and pushed through. */
  readonly passesJoint?: true
  /** What it holds, mL, where a mains joint is made in it. */
  readonly volumeMl?: number
  /** True when a tail and its joint fit inside. */
  readonly enclosesJoint: boolean
  readonly openings: readonly Opening[]
  /** What must be done before this part is closed or goes up. */
  readonly before: string | null
  /** The only way a surface may face under it; either when it is left out. */
  readonly onlyOn?: Surface['facing']
  /** The camera sits inside it: the wind meets this part and not the camera. */
  readonly coversCamera?: true
  /** It spreads the load over a ceiling tile. */
  readonly spreadsTile?: true
}

export type Holding =
  | 'wood'
  | 'masonry'
  | 'hollow masonry'
  | 'steel sheet'
  | 'soft sheet'
  | 'tile'
  | 'pole'
  | 'box'

export interface Surface extends Part {
  /** What it is called beside a camera: one stands on a wall, hangs under a soffit or a ceiling. */
  readonly called: 'wall' | 'soffit' | 'ceiling' | 'pole' | 'box'
  readonly facing: 'wall' | 'down'
  readonly holding: Holding
  readonly watch: string
  readonly caution: string
}

export interface Fixing extends Part {
  readonly kind:
    | 'wood screw'
    | 'lag screw'
    | 'plug and screw'
    | 'expansion bolt'
    | 'hollow anchor'
    | 'self-drilling screw'
    | 'rivet nut'
    | 'band'
    | 'machine screw'
  readonly holdsIn: readonly Holding[]
  /** Surfaces for which it is tried first. */
  readonly usualFor?: readonly Holding[]
  readonly diameterMm: number
  /** Root of the thread; null where no pilot is cut by it. */
  readonly rootMm: number | null
  readonly threadMm: number
  /** Hole to drill for a plug, anchor or machine thread; null for screws that take a pilot by wood. */
  readonly holeMm: number | null
  /** Whether the hole must grip it ('anchor'), or let it through ('clear'). */
  readonly holeFit: 'anchor' | 'clear'
  /** Catalogue pull-out value for one fixing; null for wood, where it is computed. */
  readonly pullN: number | null
  /** Catalogue value across the fixing, for one. */
  readonly shearN: number
  /** Diameters of pole that a band goes round; null for what is no band. */
  readonly bandMm: readonly [min: number, max: number] | null
  readonly basis: string
  readonly source: SourceId
}

export interface Wood extends Part {
  /** What is taken for wood that nobody has looked at yet. */
  readonly usual?: true
  readonly specificGravity: number
  readonly source: SourceId
}

export interface Cable extends Part {
  readonly kind: 'pair' | 'coax' | 'coax and power' | 'power' | 'fibre'
  readonly diameterMm: number
  /** Across what a connector grips: the jacket, or the coax alone of a combined cable. */
  readonly fittingMm: number
  readonly coax: 'RG59' | 'RG6' | null
  /** Gauge of the data conductors, or of the power cores of a combined cable. */
  readonly awg: number | null
  readonly conductor: 'solid' | 'stranded'
  readonly screened: boolean
  /** What its jacket stands beside dry rooms. */
  readonly stands: readonly JacketNeed[]
  /** Tightest bend as a multiple of the diameter, hardest pull in newtons, and who says so. */
  readonly bendTimes: number
  readonly pullN: number
  readonly handling: SourceId
  /** Longest run for its signal; null for pair cable, whose limit depends on heat. */
  readonly longestRunM: number | null
  readonly drumM: number
  readonly source: SourceId
}

export interface Connector extends Part {
  readonly kind: 'plug' | 'jack' | 'coax' | 'screw terminal' | 'mains joint' | 'fibre'
  readonly takes: readonly Cable['kind'][]
  readonly conductor: readonly Cable['conductor'][]
  readonly jacketMm: readonly [min: number, max: number]
  readonly coax: Cable['coax']
  readonly school: 'twist-on' | 'crimp-on' | null
  readonly boot: 'none' | 'slide-on' | 'moulded'
  /** Its greatest width once made, corner to corner, mm; null for what is not led through anything. */
  readonly acrossMm: number | null
  readonly strip: string
}

/** A piece of a seal in the order in which it goes onto the cable. */
export interface SealPiece {
  readonly name: string
  readonly way: string
  /** Before the plug, after it, or on the camera's own tail. */
  readonly when: 'before the plug' | 'after the plug' | 'on the tail'
}

export interface Seal extends Part {
  readonly kind: 'coupling kit' | 'gland' | 'grommet' | 'tape' | 'blank' | 'sealant'
  readonly closes: readonly Opening['kind'][]
  readonly clampMm: readonly [min: number, max: number] | null
  /** Hole it screws into, mm; null where it screws into none. */
  readonly holeMm: number | null
  readonly ratings: readonly string[]
  readonly passesPlug: boolean
  readonly refusesBoot: boolean
  readonly pieces: readonly SealPiece[]
  /** How it is made good, in one sentence. */
  readonly make: string
  readonly source: SourceId
}

export interface Conduit extends Part {
  readonly boreAreaMm2: number
  readonly source: SourceId
}

/** What feeds cameras. */
export interface Supply {
  readonly name: string
  readonly kind: 'poe switch' | 'injector' | 'dc supply' | 'ac supply' | 'mains'
  readonly ports: number
  readonly budgetW: number
  /** Highest PoE class a port gives; null when it gives none. */
  readonly poeClass: number | null
  readonly volts: number
  /** Its ports agree on what a camera takes; without that each reserves the whole class. */
  readonly signals: boolean
  /** Volts it can be set to; null where they are fixed. */
  readonly adjustV: readonly [min: number, max: number] | null
}

export const EQUIPMENT_KINDS = {
  'recorder': 'Recorder',
  'switch': 'Switch',
  'supply': 'Supply',
  'circuit': 'Mains circuit',
  'injector': 'Injector',
  'splitter': 'Splitter',
  'in-line adapter': 'In-line adapter',
  'protector': 'Surge protector',
  'media converter': 'Media converter',
  'box': 'Box',
  'jack plate': 'Jack plate',
  'microphone': 'Microphone',
  'lamp': 'Lamp',
} as const
export type EquipmentKind = keyof typeof EQUIPMENT_KINDS

/** What is installed beside cameras: it has a mark, a place, a record and steps of its own. */
export interface EquipmentPart extends Part {
  readonly kind: EquipmentKind
  /** What it gives to cameras; null where it feeds none. */
  readonly feeds: Omit<Supply, 'name'> | null
  /** Sockets and terminals that runs end in, by what for. */
  readonly ports: readonly Port[]
  /** It has an address and a password. */
  readonly networked: boolean
  /** It keeps pictures. */
  readonly records?: true
  /** What it runs on itself. */
  readonly runsOn: 'mains plug' | 'mains joint' | 'PoE' | 'DC' | 'nothing'
  readonly held: 'in a rack' | 'on a shelf' | 'on the wall' | 'on the pole' | 'in line' | 'in a box'
  /** Ratings of its case; empty where it is made for dry rooms only. */
  readonly ratings: readonly string[]
  readonly massKg: number
  /** Cable entries of its case that are closed from outside. */
  readonly entries: number
}

export const PURPOSES = {
  network: 'Network',
  uplink: 'Uplink',
  fibre: 'Fibre',
  video: 'Video',
  dc: 'DC',
  mains: 'Mains',
  audio: 'Audio',
  alarm: 'Alarm',
  earth: 'Earth',
} as const
export type Purpose = keyof typeof PURPOSES

export interface Port {
  readonly purpose: Purpose
  readonly count: number
}

export interface Accessory extends Part {
  /** It keeps surges from both ends of the run. */
  readonly protects?: true
  /** It is pushed into the camera: when, is a habit of the job. */
  readonly card?: true
  /** It caps tails that are not used, which is a step anyway where a camera has any. */
  readonly capsTails?: true
  readonly step: string
  readonly reason: string
  readonly stage: 'power' | 'terminate' | 'seal' | 'mount'
  /** It lets a camera made for one kind of cable work over another. */
  readonly adapts?: { readonly camera: Camera['cable']; readonly onto: Cable['kind'] }
}

export type Table<T> = ReadonlyMap<string, T>

/** All parts that a job may name, by id. */
export interface Catalogue {
  readonly cameras: Table<Camera>
  readonly mounts: Table<MountPart>
  readonly surfaces: Table<Surface>
  readonly fixings: Table<Fixing>
  readonly woods: Table<Wood>
  readonly cables: Table<Cable>
  readonly connectors: Table<Connector>
  readonly seals: Table<Seal>
  readonly conduits: Table<Conduit>
  readonly equipment: Table<EquipmentPart>
  readonly accessories: Table<Accessory>
}
