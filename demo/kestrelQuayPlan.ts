import { SPACES, type Background, type Place, type PlanThing, type Site, type SpaceId } from '@/core/job'
import { usualPathway } from '@/core/plan'

/**
 * The boatyard's ground: metres, the quay along the lower edge, up the sheet a little east of north. All of
 * it invented.
 */

export const KESTREL_SITE: Site = {
  latitudeDeg: 50.32,
  longitudeDeg: -4.12,
  upBearingDeg: 20,
  timeZone: 'Europe/London',
}

export const KESTREL_SKETCH: Omit<Background, 'sha256'> = {
  name: 'Site sketch',
  widthPx: 920,
  heightPx: 660,
  at: { x: -8, y: 62 },
  metresPerPx: 0.1,
  turnDeg: 0,
}

type Corner = readonly [x: number, y: number]
const point = ([x, y]: Corner) => ({ x, y })
/** A way for cables: level, or from one height to another. */
const way = (
  id: string,
  name: string,
  space: SpaceId,
  path: readonly Corner[],
  heightM: number,
  endM = heightM,
  conduitId: string | null = null,
): PlanThing => ({
  ...own(id, name),
  kind: 'pathway',
  path: path.map(point),
  ...usualPathway(space),
  heightM,
  endM,
  conduitId,
  freeMm: id === 'office-drop' ? 50 : 0,
  yetToPut: id === 'gate-rise',
  // The slipway pole's rise was put up without.
  expansionFitted: id !== 'pole-rise' && SPACES[space].tube === true,
})
const handHole = (id: string, name: string, at: Corner): PlanThing => ({
  ...own(id, name),
  kind: 'pull point',
  is: 'manhole',
  at: point(at),
  heightM: DUCT_M,
})
const standing = (equipmentId: string, name: string, at: Corner, heightM: number): PlanThing => ({
  ...own(`spot-${equipmentId}`, name),
  kind: 'equipment',
  at: point(at),
  heightM,
  equipmentId,
})
/** How deep the ducts lie. */
const DUCT_M = -0.6
const rectangle = (x: number, y: number, w: number, h: number) => [
  point([x, y]),
  point([x + w, y]),
  point([x + w, y + h]),
  point([x, y + h]),
]
const own = (id: string, name: string) => ({ id, floor: 'ground' as const, name, locked: false })
const opening = (id: string, name: string, alongM: number, widthM: number, headM: number, sillM = 0) => ({
  id,
  name,
  alongM,
  widthM,
  sillM,
  headM,
})
const wall = (
  id: string,
  name: string,
  from: Corner,
  to: Corner,
  heightM: number,
  openings: ReturnType<typeof opening>[] = [],
  thicknessM = 0,
): PlanThing => ({
  ...own(id, name),
  // Masonry stays where it is.
  locked: thicknessM > 0,
  kind: 'wall',
  from: point(from),
  to: point(to),
  baseM: 0,
  heightM,
  thicknessM,
  openings,
})
/** A brick's length and its plaster. */
const BRICK_M = 0.22

const soffit = (
  id: string,
  name: string,
  from: Corner,
  to: Corner,
  depthM: number,
  undersideM: number,
  lipM: number,
): PlanThing => ({
  ...own(id, name),
  kind: 'soffit',
  from: point(from),
  to: point(to),
  depthM,
  undersideM,
  lipM,
})
const block = (
  id: string,
  name: string,
  x: number,
  y: number,
  w: number,
  h: number,
  heightM: number,
): PlanThing => ({
  ...own(id, name),
  kind: 'obstacle',
  baseM: 0,
  heightM,
  form: { is: 'block', outline: rectangle(x, y, w, h) },
})
const round = (
  id: string,
  name: string,
  at: Corner,
  radiusM: number,
  heightM: number,
  baseM = 0,
): PlanThing => ({
  ...own(id, name),
  kind: 'obstacle',
  baseM,
  heightM,
  form: { is: 'round', at: point(at), radiusM },
})

export const KESTREL_THINGS: PlanThing[] = [
  {
    ...own('yard', 'The yard'),
    kind: 'premises',
    outline: (
      [
        [4, 4],
        [80, 4],
        [80, 58],
        [58, 58],
        [58, 39],
        [42.5, 39],
        [42.5, 58],
        [36, 58],
        [36, 33.5],
        [4, 33.5],
      ] as Corner[]
    ).map(point),
  },
  wall(
    'workshop-south',
    'Workshop front',
    [8, 34],
    [34, 34],
    6.2,
    [opening('doors', 'big doors', 9, 6, 4.2), opening('ramp-door', 'ramp door', 20.5, 1.2, 2.1)],
    BRICK_M,
  ),
  wall('workshop-east', 'Workshop east wall', [34, 34], [34, 52], 6.2, [], BRICK_M),
  wall('workshop-north', 'Workshop back', [34, 52], [8, 52], 6.2, [], BRICK_M),
  wall('workshop-west', 'Workshop west wall', [8, 52], [8, 34], 6.2, [], BRICK_M),
  wall('engine-west', 'Engine store wall', [28, 52], [28, 44], 3, [
    opening('engine-door', 'store door', 5, 1, 2.1),
  ]),
  wall('engine-south', 'Engine store wall', [28, 44], [34, 44], 3),
  soffit('workshop-eaves', 'Workshop eaves', [8, 32.8], [34, 32.8], 1.2, 4.6, 0.2),
  soffit('rack-eaves', 'Rack eaves', [35.2, 34], [35.2, 52], 1.2, 3.7, 0.35),
  wall(
    'office-south',
    'Office front',
    [44, 40],
    [56, 40],
    5.6,
    [opening('office-door', 'office door', 5, 1, 2.1), opening('office-window', 'window', 8, 2, 2, 0.9)],
    BRICK_M,
  ),
  wall('office-east', 'Office east wall', [56, 40], [56, 50], 5.6, [], BRICK_M),
  wall('office-north', 'Office back', [56, 50], [44, 50], 5.6, [], BRICK_M),
  wall('office-west', 'Office west wall', [44, 50], [44, 40], 5.6, [], BRICK_M),
  wall('office-partition', 'Chandlery wall', [49, 40], [49, 50], 2.6, [
    opening('chandlery-door', 'chandlery door', 4, 0.9, 2.1),
  ]),
  soffit('office-soffit', 'Office soffit', [44, 39.4], [56, 39.4], 0.6, 2.95, 0),
  block('gatehouse', 'Gatehouse', 72, 46, 4, 4, 3.2),
  block('fuel-hut', 'Fuel hut', 60, 14, 4, 4, 4.6),
  block('boat', 'Boat on its cradle', 27.5, 13, 4, 10, 3.6),
  block('mast-racks', 'Mast racks', 38.5, 46, 1.5, 10, 1.4),
  block('container', 'Container', 66, 24, 2.4, 6, 2.6),
  round('lamp-pole', 'Lamp pole', [46, 20], 0.09, 6),
  round('tree', 'Old pine', [52, 28], 2.2, 5, 2.2),
  round('tree-trunk', '', [52, 28], 0.25, 2.2),
  wall('fence-north-west', 'Fence', [36, 58], [63, 58], 1.8),
  wall('fence-north-east', 'Fence', [69, 58], [80, 58], 1.8),
  wall('fence-east', 'Fence', [80, 58], [80, 4], 1.8),
  {
    ...own('slipway', 'Slipway'),
    kind: 'area',
    outline: rectangle(27, 2, 11, 22),
    level: 'recognise',
    targetHeightM: 1.6,
  },
  {
    ...own('gate', 'Gate'),
    kind: 'area',
    outline: rectangle(63, 54, 6, 4),
    level: 'detect',
    targetHeightM: 1.6,
  },
  {
    ...own('doorstep', 'Office doorstep'),
    kind: 'area',
    outline: rectangle(48.9, 36.2, 1.6, 1.8),
    level: 'identify',
    targetHeightM: 1.6,
  },
  {
    ...own('apron', 'Workshop apron'),
    kind: 'area',
    outline: rectangle(16.5, 25.5, 7, 4),
    level: 'recognise',
    targetHeightM: 1.6,
  },
  { ...own('garden', 'Neighbour’s garden'), kind: 'privacy', outline: rectangle(-6, 35, 8, 10) },
  { ...own('pump', 'Fuel pump'), kind: 'target', at: point([62, 4]), level: 'recognise', targetHeightM: 1.6 },
  {
    ...own('way-in', 'From the gate to the slip'),
    kind: 'walk',
    path: (
      [
        [66, 60],
        [66, 50],
        [50, 35],
        [40, 28],
        [34, 6],
      ] as Corner[]
    ).map(point),
  },
  {
    ...own('office-floor', 'Chart room'),
    floor: 'upper',
    kind: 'slab',
    outline: rectangle(44, 40, 12, 10),
  },
  { ...own('cupboard', 'Head end'), kind: 'head end', at: point([45.2, 49]) },
  way('office-drop', 'Drop to the cupboard', 'wall cavity', [[45.2, 48.9]], 0.8, 3),
  way(
    'office-ceiling',
    'Over the office ceiling',
    'loft',
    [
      [45.2, 48.9],
      [45.2, 42],
      [45.2, 39.6],
    ],
    3,
  ),
  way(
    'office-soffit-way',
    'In the office soffit',
    'soffit channel',
    [
      [44.2, 39.6],
      [55.8, 39.6],
    ],
    3,
  ),
  way(
    'till-trunking',
    'Trunking to the till',
    'trunking indoors',
    [
      [45.2, 47],
      [53.3, 47],
    ],
    2.6,
    2.6,
    'trunking-38-16',
  ),
  way('yard-wall', 'Down the office wall', 'conduit', [[45.2, 42]], DUCT_M, 3, 'metric-25'),
  way(
    'yard-duct',
    'Duct across the yard',
    'conduit',
    [
      [45.2, 42],
      [33.7, 42],
    ],
    DUCT_M,
    DUCT_M,
    'pvc-1',
  ),
  way('workshop-wall', 'Up the workshop wall', 'conduit', [[33.7, 42]], DUCT_M, 3.6, 'pvc-1'),
  way(
    'workshop-east-way',
    'Workshop loft, east',
    'loft',
    [
      [33.7, 51.4],
      [33.7, 42],
      [33.7, 34.3],
    ],
    3.6,
  ),
  way(
    'workshop-south-way',
    'Workshop loft, front',
    'loft',
    [
      [33.7, 34.3],
      [8.4, 34.3],
      [8.4, 40],
    ],
    3.6,
  ),
  way(
    'jetty-duct',
    'Duct to the jetty',
    'conduit',
    [
      [45.2, 42],
      [45.8, 20],
      [59.7, 17.2],
      [61.8, 13.4],
    ],
    DUCT_M,
    DUCT_M,
    'pvc-1',
  ),
  way('pole-rise', 'Up the slipway pole', 'conduit', [[45.8, 20]], DUCT_M, 4.3, 'pvc-three-quarter'),
  way('pontoon-rise', 'Up the pontoon gate', 'conduit', [[59.7, 17.2]], DUCT_M, 2.6, 'pvc-half'),
  way('jetty-rise', 'Up the jetty arm', 'conduit', [[61.8, 13.4]], DUCT_M, 4, 'pvc-half'),
  way(
    'gate-duct',
    'Duct to the gatehouse',
    'conduit',
    [
      [45.4, 35],
      [71.7, 35],
      [71.7, 48],
    ],
    DUCT_M,
    DUCT_M,
    'pvc-three-quarter',
  ),
  way('gate-rise', 'Up the gatehouse', 'conduit', [[71.7, 48]], DUCT_M, 2.6, 'pvc-half'),
  standing('jetty', 'E2 Jetty switch', [61.8, 14.6], 1.6),
  standing('bench-jacks', 'E11 Workshop bench jacks', [33.4, 38], 1.2),
  standing('till-jacks', 'E12 Chandlery till jacks', [53.2, 47.2], 1),
  handHole('office-hole', 'Hand hole by the office', [45.2, 42]),
  handHole('pole-hole', 'Hand hole at the pole', [45.8, 20]),
]

const stands = (x: number, y: number, panDeg: number): Place => ({
  floor: 'ground',
  x,
  y,
  panDeg,
  rollDeg: 0,
  locked: false,
})

/** Where each device stands, by its mark. */
export const KESTREL_PLACES: Readonly<Record<string, Place>> = {
  '01': stands(20, 33.88, 180),
  '02': stands(45.78, 20, 222),
  '03': stands(53.5, 47, 200),
  '04': stands(50.9, 39.7, 206),
  '05': stands(62, 13.4, 180),
  '06': stands(34.15, 33.85, 140),
  '07': stands(43.88, 45, 203),
  '08': stands(71.88, 48, 270),
  '09': stands(30.5, 33.88, 165),
  '10': stands(33.7, 51.7, 225),
  '11': stands(34.6, 47, 90),
  '12': stands(59.88, 16, 225),
  '13': stands(7.88, 40, 250),
}
