import type { SourceId } from '../sources'

/** What cables go through, and what each kind of it brings with it. */

/** What a space asks of a cable's jacket. */
export const JACKET_NEEDS = {
  'sunlight': 'Sunlight makes an ordinary jacket brittle.',
  'wet': 'Water stands there and creeps through an ordinary jacket.',
  'buried': 'Soil and stones press on it, and water never leaves.',
  'riser': 'Between floors a jacket must not carry fire upwards (riser rating).',
  'air handling': 'Where air is moved a jacket must not smoke (plenum rating).',
} as const
export type JacketNeed = keyof typeof JACKET_NEEDS

/** Forms of what cables lie in and fill. */
export const SIZED_FORMS = { conduit: 'Conduit', trunking: 'Trunking' } as const
export type SizedForm = keyof typeof SIZED_FORMS

/** What holds a cable, how often on the level and upright, and how it is put on. */
export interface Support {
  readonly name: string
  readonly everyM: number
  readonly uprightM: number
  readonly how: string
  readonly source: SourceId
}

export interface Space {
  readonly name: string
  readonly asks: readonly JacketNeed[]
  readonly support: Support | null
  readonly temperatureC: number
  /** In winter, where it freezes outdoors. Common practice, no source: a field of every pathway. */
  readonly coldestC: number
  /** Labour of one cable through it, min/m, two people at most. Common practice, no source. */
  readonly minutesPerM: number
  /** Rain reaches the cable where it leaves it, and runs along it. Common practice, no source. */
  readonly rained?: true
  /** Closed all along: cables are drawn through it from end to end. */
  readonly tube?: true
  /** What has a size there that cables fill: only pieces of that form. */
  readonly sized?: SizedForm
  /** A wire carries the cables there. */
  readonly strung?: true
  /** What a cable is brought through it with, the handiest first; left out where it is open to the hand. */
  readonly tools?: readonly ToolId[]
  /**
   * It covers cables, and they come out past an edge that would pinch or cut them: what that asks for at its
   * end, and half-way where that differs. Common practice, no source.
   */
  readonly edge?: { readonly atEnd: string; readonly between?: string }
  /**
   * Where a coil of surplus is kept there, and how; none where nobody reaches it again. Common practice, no
   * source.
   */
  readonly coil?: { readonly at: string; readonly how: string }
  readonly caution: string
}

/** What a cable is brought through a closed space with. */
export type ToolId = 'rods' | 'magnet' | 'pole' | 'tape' | 'line'

const CLIP: Support = {
  name: 'clips',
  everyM: 0.25,
  uprightM: 0.4,
  how:
    'the nail under the cable on the level, so that it carries; in the colour of the wall, under a cover ' +
    'strip where it is on show',
  source: 'practice',
}
const TIE: Support = {
  name: 'ties that stand sunlight',
  everyM: 0.5,
  uprightM: 0.5,
  how: 'none that bites; slack for the cable where the wire ends',
  source: 'practice',
}
const HOOK: Support = {
  name: 'J-hooks or straps',
  everyM: 1.5,
  uprightM: 1.5,
  how: 'no tie that bites into the jacket',
  source: 'tia-569',
}

/** What opens a conduit or a duct on its way. */
export const PULL_POINTS = {
  'pull box': 'Pull box',
  'manhole': 'Manhole or hand hole',
  'access port': 'Access port in a ceiling or wall',
} as const

/**
 * Kinds of space a cable runs through. Clip spacing is UK common practice; 1.5 m for hooks is TIA-569 from
 * memory.
 */
export const SPACES: Record<
  | 'buried duct'
  | 'riser'
  | 'air-handling space'
  | 'loft'
  | 'soffit channel'
  | 'wall cavity'
  | 'joist bay'
  | 'garage or basement'
  | 'conduit'
  | 'clipped outside'
  | 'board lap'
  | 'catenary'
  | 'under decking'
  | 'trunking indoors',
  Space
> = {
  'loft': {
    name: 'Loft',
    asks: [],
    support: HOOK,
    temperatureC: 45,
    coldestC: -5,
    minutesPerM: 2,
    coil: { at: 'in the loft', how: 'tied to a rafter, off the insulation, near the hatch' },
    caution: 'Step on joists only; heat, insulation fibres and wasps; wear a head torch and mask.',
  },
  'soffit channel': {
    name: 'Soffit channel',
    asks: [],
    support: null,
    temperatureC: 35,
    coldestC: -10,
    minutesPerM: 4,
    edge: { atEnd: 'Notch the trim, round and smooth; tape its edge' },
    coil: { at: 'in the soffit', how: 'tied up behind a vent or a panel that comes off' },
    tools: ['rods'],
    caution: 'Ladder work at the eaves: mind overhead lines.',
  },
  'wall cavity': {
    name: 'Wall or vent cavity',
    asks: [],
    support: null,
    temperatureC: 25,
    coldestC: 0,
    minutesPerM: 6,
    edge: { atEnd: 'Line the opening with a grommet' },
    tools: ['magnet', 'rods'],
    caution: 'Check the far side and hidden mains before you drill; keep fire-stopping whole.',
  },
  'joist bay': {
    name: 'Joist bay',
    asks: [],
    support: HOOK,
    temperatureC: 25,
    coldestC: 10,
    minutesPerM: 5,
    tools: ['pole', 'rods'],
    caution: 'Mains share these bays: keep 50 mm (2 in) away.',
  },
  'garage or basement': {
    name: 'Garage or basement',
    asks: [],
    support: HOOK,
    temperatureC: 25,
    coldestC: 5,
    minutesPerM: 2.5,
    coil: { at: 'in the garage or basement', how: 'tied up high, where nothing is stored against it' },
    caution: 'Old boards may hold asbestos: leave them whole until they are tested.',
  },
  'conduit': {
    name: 'Conduit',
    asks: [],
    support: null,
    temperatureC: 30,
    coldestC: -10,
    minutesPerM: 2,
    rained: true,
    tube: true,
    sized: 'conduit',
    edge: { atEnd: 'Bush its end', between: 'Out through a box or a tee, bushed' },
    tools: ['tape', 'line'],
    caution: 'Tape cut edges; draw, never jerk.',
  },
  'clipped outside': {
    name: 'Clipped outside',
    asks: ['sunlight'],
    support: CLIP,
    temperatureC: 35,
    coldestC: -10,
    minutesPerM: 3,
    rained: true,
    caution: 'Nail below the cable on a level run, so that the nail carries it.',
  },
  'board lap': {
    name: 'Under the lap of siding boards',
    asks: ['sunlight'],
    support: CLIP,
    temperatureC: 35,
    coldestC: -10,
    minutesPerM: 2.5,
    rained: true,
    caution: 'Lift no board: it splits, and lets water in. Drip loop before the cable leaves the lap.',
  },
  'catenary': {
    name: 'Catenary wire outdoors',
    asks: ['sunlight'],
    support: TIE,
    temperatureC: 35,
    coldestC: -15,
    minutesPerM: 5,
    rained: true,
    strung: true,
    caution:
      'Over a way: bar it below, and hang it clear of what drives there. Keep away from overhead power lines. ' +
      'Local rules decide on bonding a metal wire, on wind and on ice.',
  },
  'under decking': {
    name: 'Under decking',
    asks: ['wet'],
    support: CLIP,
    temperatureC: 30,
    coldestC: -10,
    minutesPerM: 4,
    rained: true,
    coil: { at: 'under the decking', how: 'tied up off the ground' },
    tools: ['pole', 'rods'],
    caution: 'Mind splinters and nesting animals; tie surplus up off the ground.',
  },
  'trunking indoors': {
    name: 'Trunking indoors',
    asks: [],
    support: null,
    temperatureC: 25,
    coldestC: 15,
    minutesPerM: 2.5,
    sized: 'trunking',
    edge: { atEnd: 'Cut it out to fit, file it smooth' },
    caution: 'Keep data and mains in separate compartments.',
  },
  'buried duct': {
    name: 'Buried duct',
    asks: ['wet', 'buried'],
    support: null,
    temperatureC: 20,
    coldestC: 5,
    minutesPerM: 2,
    rained: true,
    tube: true,
    sized: 'conduit',
    edge: { atEnd: 'Bush its end and seal it', between: 'Out through a chamber, bushed and sealed' },
    tools: ['tape', 'line'],
    caution: 'Ask where services lie before you dig; keep away from buried mains.',
  },
  'riser': {
    name: 'Riser between floors',
    asks: ['riser'],
    support: HOOK,
    temperatureC: 25,
    coldestC: 15,
    minutesPerM: 4,
    coil: { at: 'in the riser', how: 'tied to the tray, at a door' },
    caution: 'Open shaft: guard it. Close every floor again with fire-stopping; local rules decide.',
  },
  'air-handling space': {
    name: 'Air-handling space',
    asks: ['air handling'],
    support: HOOK,
    temperatureC: 25,
    coldestC: 10,
    minutesPerM: 3,
    coil: { at: 'above the ceiling', how: 'tied up clear of the tiles, over one that lifts' },
    caution: 'Local rules decide which jackets may lie where air is moved.',
  },
}
export type SpaceId = keyof typeof SPACES
