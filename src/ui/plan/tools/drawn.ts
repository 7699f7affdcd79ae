import {
  BrickWall,
  Circle,
  Crosshair,
  EyeOff,
  Focus,
  Footprints,
  LandPlot,
  Layers2,
  PanelTop,
  Pentagon,
  RectangleHorizontal,
  Router,
  Server,
  Spline,
  SquareX,
  Waypoints,
  type LucideIcon,
} from 'lucide-react'
import { usualOf } from '@/core/exchange'
import { distanceM, type PlanPoint } from '@/core/geometry'
import type { Job, PlanThing, ThingName, ThingOf } from '@/core/job'
import { USUAL_HEIGHTS, usualPathway } from '@/core/plan'

/** What can be drawn on the plan: an entry a drawing, from which tools, clicks and new things follow. */
interface Drawn {
  readonly name: string
  readonly icon: LucideIcon
  /** The letter that takes it up. */
  readonly key: string
  readonly how: string
  /** Exactly so many clicks, or as many as one likes until it is ended. */
  readonly clicks: 1 | 2 | 'until ended'
  /** So few points are something already, where they are ended; two where left out. */
  readonly least?: 1
  /** Goes on from its last corner once it is drawn. */
  readonly goesOn?: true
  /** What is drawn as it starts, beside ids and floor; its fields are checked after. */
  readonly start: (points: readonly PlanPoint[], on: Job) => readonly object[]
}

export type DrawnKind = Exclude<ThingName, 'obstacle'> | 'room' | 'block' | 'round'

const last = <K extends ThingName>({ things }: Job, of: K) =>
  things.findLast((thing): thing is Extract<PlanThing, ThingOf<K>> => thing.kind === of)
const numbered = (word: string, kind: ThingName, { things }: Job) =>
  `${word} ${things.filter((thing) => thing.kind === kind).length + 1}`
const wanted = ({ policies }: Job) => usualOf('target', policies)
/** As high as the wall that was drawn last. */
const wallBetween = (from: PlanPoint, to: PlanPoint, on: Job) => {
  const like = last(on, 'wall')
  const { baseM, heightM, thicknessM } = like ?? {
    baseM: 0,
    heightM: USUAL_HEIGHTS.wallM,
    thicknessM: USUAL_HEIGHTS.wallThickM,
  }
  return { kind: 'wall', from, to, baseM, heightM, thicknessM, openings: [] }
}
const standing = { kind: 'obstacle', baseM: 0, heightM: USUAL_HEIGHTS.obstacleM } as const

export const DRAWN: Record<DrawnKind, Drawn> = {
  'wall': {
    name: 'Wall',
    icon: BrickWall,
    key: 'w',
    how: 'Click from corner to corner; Enter or Escape ends.',
    clicks: 2,
    goesOn: true,
    start: ([from, to], on) => {
      return from && to ? [wallBetween(from, to, on)] : []
    },
  },
  'room': {
    name: 'Room of four walls',
    icon: RectangleHorizontal,
    key: 'q',
    how: 'Click two corners that lie across from each other.',
    clicks: 2,
    start: ([a, c], on) => {
      if (!a || !c) return []
      const round = [a, { x: c.x, y: a.y }, c, { x: a.x, y: c.y }]
      // Against the clock, so that the walls stand inside what was drawn.
      const corners = (c.x - a.x) * (c.y - a.y) > 0 ? round : round.reverse()
      return corners.map((from, i) => wallBetween(from, corners[(i + 1) % 4]!, on))
    },
  },
  'soffit': {
    name: 'Soffit edge',
    icon: PanelTop,
    key: 's',
    how: 'Click both ends of the outer edge, the wall on its left.',
    clicks: 2,
    start: ([from, to], on) => {
      const like = last(on, 'soffit')
      const depthM = like?.depthM ?? USUAL_HEIGHTS.soffitDepthM
      const undersideM = like?.undersideM ?? USUAL_HEIGHTS.undersideM
      return [{ kind: 'soffit', from, to, depthM, undersideM, lipM: like?.lipM ?? USUAL_HEIGHTS.lipM }]
    },
  },
  'block': {
    name: 'Block',
    icon: Pentagon,
    key: 'o',
    how: 'Click the corners; click the first again, or Enter, to close.',
    clicks: 'until ended',
    start: (outline) => [{ ...standing, form: { is: 'block', outline } }],
  },
  'round': {
    name: 'Round obstacle',
    icon: Circle,
    key: 'c',
    how: 'A tree or pole: click its middle, then its rim.',
    clicks: 2,
    start: ([at, rim]) => {
      const radiusM = at && rim ? Math.max(0.05, distanceM(at, rim)) : 0
      return [{ ...standing, form: { is: 'round', at, radiusM } }]
    },
  },
  'premises': {
    name: 'Premises',
    icon: LandPlot,
    key: 'p',
    how: 'Click round the ground that matters: blind spots count inside it.',
    clicks: 'until ended',
    start: (outline) => [{ kind: 'premises', outline }],
  },
  'area': {
    name: 'Area of interest',
    icon: Focus,
    key: 'a',
    how: 'Click the corners; click the first again, or Enter, to close.',
    clicks: 'until ended',
    start: (outline, on) => [{ kind: 'area', name: numbered('Area', 'area', on), outline, ...wanted(on) }],
  },
  'privacy': {
    name: 'Privacy area',
    icon: EyeOff,
    key: 'y',
    how: 'Click round what must not be seen.',
    clicks: 'until ended',
    start: (outline) => [{ kind: 'privacy', outline }],
  },
  'target': {
    name: 'Target',
    icon: Crosshair,
    key: 't',
    how: 'Click where it stands.',
    clicks: 1,
    start: ([at], on) => [{ kind: 'target', name: numbered('Target', 'target', on), at, ...wanted(on) }],
  },
  'walk': {
    name: 'Walk',
    icon: Footprints,
    key: 'n',
    how: 'Click along the path; Enter ends it.',
    clicks: 'until ended',
    start: (path, on) => [{ kind: 'walk', name: numbered('Walk', 'walk', on), path }],
  },
  'head end': {
    name: 'Head end',
    icon: Server,
    key: 'd',
    how: 'Click where it is.',
    clicks: 1,
    start: ([at]) => [{ kind: 'head end', at }],
  },
  'equipment': {
    name: 'Equipment',
    icon: Router,
    key: 'j',
    how: 'Click where it stands: a switch, an injector or a protector out on site. Then say which it is.',
    clicks: 1,
    start: ([at], on) => {
      const heightM = last(on, 'equipment')?.heightM ?? USUAL_HEIGHTS.equipmentM
      return [{ kind: 'equipment', at, heightM, equipmentId: null }]
    },
  },
  'pull point': {
    name: 'Pull point',
    icon: SquareX,
    key: 'h',
    how: 'Click on a conduit or duct where its cables can be reached: a pull box, a hand hole.',
    clicks: 1,
    start: ([at], on) => {
      const heightM =
        last(on, 'pull point')?.heightM ?? last(on, 'pathway')?.heightM ?? USUAL_HEIGHTS.pathwayM
      return [{ kind: 'pull point', at, is: 'pull box', heightM }]
    },
  },
  'slab': {
    name: 'Floor slab',
    icon: Layers2,
    key: 'b',
    how: 'Click round what this floor stands on: nobody looks through it to the floor below.',
    clicks: 'until ended',
    start: (outline) => [{ kind: 'slab', outline }],
  },
  'ground level': {
    name: 'Ground level',
    icon: Spline,
    key: 'g',
    how: 'Click along ground of one height; Enter ends it. One click is a single point.',
    clicks: 'until ended',
    least: 1,
    start: (path, on) => {
      const groundM = last(on, 'ground level')?.groundM ?? 0
      return [{ kind: 'ground level', path, groundM, endM: groundM }]
    },
  },
  'pathway': {
    name: 'Pathway for cables',
    icon: Waypoints,
    key: 'r',
    how: 'Click along it; Enter ends it. One click goes straight up. A point on another one joins it.',
    clicks: 'until ended',
    least: 1,
    start: (path, on) => {
      const like = last(on, 'pathway')
      const usual = usualPathway(like?.space ?? 'clipped outside')
      // One that goes straight up comes from the floor.
      const heightM = path.length === 1 ? 0 : (like?.endM ?? usual.heightM)
      const endM = path.length === 1 ? usual.endM : heightM
      return [{ kind: 'pathway', path, ...usual, heightM, endM }]
    },
  },
}

/** How many points a drawing has at least, where it is ended by hand. */
export const leastOf = (kind: DrawnKind): number => DRAWN[kind].least ?? 2
