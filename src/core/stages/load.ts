/** How a ready-made lead goes, in words. */
export interface LeadLine {
  /** "E1"; null where either end may go first. */
  readonly fedFrom: string | null
  /** What goes first and what stays; '' while nothing is chosen there. */
  readonly first: string
  readonly last: string
  /** What the end that goes first wants to pass, mm; null while it is not known. */
  readonly passMm: number | null
  /** What is left over, m, and where that is coiled; '' where nobody has said or nothing is left. */
  readonly leftM: number
  readonly coil: string
}

/** One run to cut: from which kind of cable, how much. */
export interface CutLine {
  readonly mark: string
  readonly name: string
  readonly cableId: string
  readonly cable: string
  /** Metres to cut; null for a ready-made lead, whose length is `installedM`. */
  readonly cutM: number | null
  readonly installedM: number
  readonly lead: LeadLine | null
}

/** What a run that is cut is called by. */
export type Marked = Pick<CutLine, 'mark' | 'name'>

/** Holes of one bit in one kind of surface. */
export interface DrillLine {
  readonly surface: string
  readonly purpose: 'pilot' | 'fixing hole' | 'cable hole'
  readonly bit: string
  readonly bitMm: number
  readonly count: number
  readonly marks: readonly string[]
}

/** What is loaded into the van, in the order in which it is listed. */
export const LOADED = [
  'camera',
  'equipment',
  'mount',
  'fixing',
  'bit',
  'cable',
  'support',
  'connector',
  'seal',
  'sealant',
  'accessory',
] as const

/** One thing to load. `spare` comes on top of `count`; cable is counted in metres. */
export interface VanLine {
  readonly kind: (typeof LOADED)[number]
  readonly item: string
  readonly count: number
  readonly spare: number
  readonly unit: 'pieces' | 'm'
  readonly marks: readonly string[]
}

/** Holes that one device asks for. */
export type Hole = Omit<DrillLine, 'marks'>

/** What a stage of one device takes along: runs to cut, holes to drill, things to load. */
export interface Load {
  readonly cuts?: readonly CutLine[]
  readonly holes?: readonly Hole[]
  readonly items: readonly LoadItem[]
}

/** `spare` is what one such item asks for whatever the count; `unit` is pieces where it says nothing. */
export interface LoadItem extends Pick<VanLine, 'kind' | 'item' | 'count'> {
  readonly spare?: number
  readonly unit?: VanLine['unit']
}
