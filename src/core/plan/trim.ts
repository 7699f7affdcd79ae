import { along, bearingDeg, crossing, distanceM, type PlanPoint } from '../geometry'
import { SHORTEST_M } from './kind'
import { tidied, type PlanThing, type ThingOf } from './things'

type Wall = ThingOf<'wall'>

/** How far a wall is looked along for another to end on, m. */
const FAR_M = 500
/** Two walls that come so near have met, m. */
const MET_M = 1e-6

/** The end of a wall nearer to a point. */
export const endNear = ({ from, to }: Wall, at: PlanPoint): 'from' | 'to' =>
  distanceM(from, at) < distanceM(to, at) ? 'from' : 'to'

/**
 * A wall with one end carried on to the next wall in its way; null where none stands there. Its openings
 * stay where they are.
 */
export function extended(wall: Wall, end: 'from' | 'to', things: readonly PlanThing[]): Wall | null {
  const [tip, tail] = end === 'to' ? [wall.to, wall.from] : [wall.from, wall.to]
  const meetsM = meetings(wall, tip, along(tip, bearingDeg(tail, tip), FAR_M), things)
  return meetsM.length === 0 ? null : ending(wall, end, distanceM(tail, tip) + meetsM[0]!)
}

/** A wall with one end cut back to the last wall that crosses it; null where none does. */
export function trimmed(wall: Wall, end: 'from' | 'to', things: readonly PlanThing[]): Wall | null {
  const [tip, tail] = end === 'to' ? [wall.to, wall.from] : [wall.from, wall.to]
  const meetsM = meetings(wall, tip, tail, things)
  const leftM = meetsM.length === 0 ? 0 : distanceM(tail, tip) - meetsM[0]!
  return leftM < SHORTEST_M ? null : ending(wall, end, leftM)
}

/** How far from `start` other walls of the floor cross the line to `end`, nearest first, m. */
function meetings(wall: Wall, start: PlanPoint, end: PlanPoint, things: readonly PlanThing[]): number[] {
  return things
    .flatMap((thing) => {
      if (thing.kind !== 'wall' || thing.id === wall.id || thing.floor !== wall.floor) return []
      const met = crossing(start, end, thing.from, thing.to)
      return met ? [met.along * distanceM(start, end)] : []
    })
    .filter((metres) => metres > MET_M)
    .sort((a, b) => a - b)
}

/** The wall so long, one end where it was; openings are told from its start, so they move with that. */
function ending(wall: Wall, end: 'from' | 'to', lengthM: number): Wall | null {
  const byM = lengthM - distanceM(wall.from, wall.to)
  if (end === 'to')
    return kept({ ...wall, to: tidied(along(wall.from, bearingDeg(wall.from, wall.to), lengthM)) }, lengthM)
  const from = tidied(along(wall.to, bearingDeg(wall.to, wall.from), lengthM))
  const openings = wall.openings.map((opening) => ({ ...opening, alongM: opening.alongM + byM }))
  return kept({ ...wall, from, openings }, lengthM)
}

/** Null where an opening would be cut. */
const kept = (wall: Wall, lengthM: number): Wall | null =>
  wall.openings.every(({ alongM, widthM }) => alongM >= 0 && alongM + widthM <= lengthM + MET_M) ? wall : null
