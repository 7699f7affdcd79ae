import { aroundTimes, crossing, distanceM, type PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { SPACES } from '../job/spaces'
import { bitMm, endPassMm, passageMm, printBit } from '../mount'
import type { Catalogue } from '../parts'
import { nameOf, type PlanThing, type ThingOf } from '../plan'
import type { UnitSystem } from '../units'
import type { CableWay } from './cables'
import { PATHWAY_LIMITS } from './limits'
import type { Lane } from './network'
import type { Trace } from './way'

type Wall = ThingOf<'wall'>

/** A hole in a wall on the plan that a pathway leads through, for everything that goes there. */
export interface WallHole {
  readonly wall: string
  /** The pathway, by name. */
  readonly through: string
  readonly floor: Floor
  readonly at: PlanPoint
  /** Above its floor, and how deep as the pathway goes, m; 0 where nobody said how thick the wall is. */
  readonly heightM: number
  readonly deepM: number
  readonly marks: readonly string[]
  /** What must pass, mm; null for a conduit or a duct whose outside nobody says. */
  readonly passMm: number | null
  /** The bit or hole saw; null where none is as large. */
  readonly bit: string | null
}

/** Where a way goes through a wall. */
interface Met {
  readonly wall: Wall
  readonly lane: Lane
  readonly at: PlanPoint
  readonly heightM: number
  readonly deepM: number
}

/** Every hole that the ways of these cables ask for in walls, by wall. */
export function wallHoles(
  things: readonly PlanThing[],
  cables: readonly CableWay[],
  { conduits }: Pick<Catalogue, 'conduits'>,
  units: UnitSystem,
): readonly WallHole[] {
  const walls = things.filter((thing): thing is Wall => thing.kind === 'wall')
  const holes = new Map<string, { readonly met: Met; readonly cables: Map<string, CableWay> }>()
  for (const cable of cables) {
    if (!('way' in cable.found)) continue
    for (const met of metBy(cable.found.way.traces, walls)) {
      const key = `${met.wall.id} ${met.lane.pathway.id} ${Math.round(distanceM(met.wall.from, met.at) * 100)}`
      const hole = holes.get(key) ?? { met, cables: new Map<string, CableWay>() }
      hole.cables.set(cable.id, cable)
      holes.set(key, hole)
    }
  }
  return [...holes.values()]
    .map(({ met: { wall, lane, at, heightM, deepM }, cables: led }): WallHole => {
      const { space, floor, name, conduitId } = lane.pathway
      const { outsideMm } = conduits.get(conduitId ?? '') ?? {}
      const tubeMm = outsideMm === undefined ? null : passageMm('bare cable', outsideMm)
      const passMm = SPACES[space].tube ? tubeMm : passedMm([...led.values()])
      const isSold = passMm !== null && bitMm(passMm, 'clear', units) >= passMm - 1e-9
      return {
        wall: nameOf(wall),
        through: name === '' ? SPACES[space].name : name,
        floor,
        at,
        heightM,
        deepM,
        marks: [...led.values()].map(({ mark }) => mark),
        passMm,
        bit: isSold ? printBit(passMm, 'clear', units) : null,
      }
    })
    .sort((a, b) => a.wall.localeCompare(b.wall) || a.through.localeCompare(b.through))
}

/** The walls that a way leads through, in its order: along pathways, not from one to a device. */
function metBy(traces: readonly Trace[], walls: readonly Wall[]): Met[] {
  const first = traces.findIndex(({ on }) => on !== null)
  const last = traces.findLastIndex(({ on }) => on !== null)
  return traces.flatMap(({ floor, points, on }, i) => {
    if (!on || on.lane.lengthM === 0) return []
    const { lane, from, to } = on
    const totalM = points.slice(1).reduce((sum, point, at) => sum + distanceM(points[at]!, point), 0)
    let goneM = 0
    return points.slice(1).flatMap((b, at): Met[] => {
      const a = points[at]!
      const [startM, pieceM] = [goneM, distanceM(a, b)]
      goneM += pieceM
      return walls.flatMap((wall): Met[] => {
        const met = wall.floor === floor ? throughWall(a, b, wall) : null
        if (!met) return []
        const alongM = startM + met.share * pieceM
        // What only comes up to a wall leaves it to the hole of what hangs there.
        if (i === first && alongM < PATHWAY_LIMITS.joinM.value) return []
        if (i === last && totalM - alongM < PATHWAY_LIMITS.joinM.value) return []
        const share = from + (to - from) * (alongM / totalM)
        const heightM = lane.pathway.heightM + share * lane.riseM
        return isOpenAt(wall, met.alongWallM, heightM)
          ? []
          : [{ wall, lane, at: met.at, heightM, deepM: met.deepM }]
      })
    })
  })
}

/** Where a straight piece goes from one side of a wall's line to the other; a point on it is on its left. */
function throughWall(a: PlanPoint, b: PlanPoint, { from, to, thicknessM }: Wall) {
  const leftOf = ({ x, y }: PlanPoint) => (to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x) >= 0
  if (leftOf(a) === leftOf(b)) return null
  const met = crossing(a, b, from, to)
  if (!met) return null
  const at = { x: a.x + (b.x - a.x) * met.along, y: a.y + (b.y - a.y) * met.along }
  const wallM = distanceM(from, to)
  const cross = (to.x - from.x) * (b.y - a.y) - (to.y - from.y) * (b.x - a.x)
  const slant = Math.abs(cross) / (wallM * distanceM(a, b))
  return { share: met.along, at, alongWallM: met.across * wallM, deepM: thicknessM / slant }
}

/** Whether there is no wall at a place: above it, below it, or in a door or a window. */
const isOpenAt = ({ baseM, heightM: tallM, openings }: Wall, alongM: number, heightM: number): boolean =>
  heightM < baseM ||
  heightM > baseM + tallM ||
  openings.some(
    (one) =>
      alongM >= one.alongM &&
      alongM <= one.alongM + one.widthM &&
      heightM >= one.sillM &&
      heightM <= one.headM,
  )

/** The least circle round so many cables of the thickest, mm. */
const aroundMm = (cables: readonly CableWay[], count = cables.length): number =>
  aroundTimes(count) * Math.max(0, ...cables.map(({ cable }) => cable.diameterMm))

/**
 * What passes together, mm: the least circle round so many cables of the thickest, with room to move, and
 * beside it the widest of the ends that go first of ready-made leads, which are never cut.
 */
export function passedMm(cables: readonly CableWay[]): number {
  const ends = cables.flatMap(({ ready }) => (ready ? [endPassMm(ready.first)] : []))
  if (ends.length === 0) return passageMm('bare cable', aroundMm(cables))
  return Math.max(...ends) + aroundMm(cables, cables.length - 1)
}

/** The same as it packs, with no room to move; an end keeps its own. */
export const thickMm = (cables: readonly CableWay[]): number =>
  cables.some(({ ready }) => ready) ? passedMm(cables) : aroundMm(cables)
