import { FLOORS, type Floor } from '../job/choices'
import type { FloorHeights } from '../job/job'
import type { PlanThing } from '../plan'

/** Which floors look at each other: heights count from one datum, the ground floor. */

/** What stands on a site, and how its floors lie above each other. */
export interface World {
  readonly things: readonly PlanThing[]
  readonly floorHeightsM: FloorHeights
}

/** From the lowest up. */
export const FLOORS_UP = Object.keys(FLOORS) as Floor[]

const heightOf = ({ floorHeightsM }: World, floor: Floor): number | null =>
  floor === 'ground' ? 0 : floorHeightsM[floor]

/** How high another floor lies above one, m; null where nobody said of either. */
export function riseM(world: World, floor: Floor, other: Floor): number | null {
  if (floor === other) return 0 // whether its height is known or not
  const [here, there] = [heightOf(world, floor), heightOf(world, other)]
  return here === null || there === null ? null : there - here
}

/**
 * Why it is not judged what cameras of one floor see of another; null where it is. Between the two lies the
 * slab of every floor above the lower one: without it a camera would look through a ceiling.
 */
export function apartBy(world: World, floor: Floor, other: Floor): string | null {
  if (floor === other) return null
  const [low, high] = [FLOORS_UP.indexOf(floor), FLOORS_UP.indexOf(other)].sort((a, b) => a - b) as [
    number,
    number,
  ]
  const above = FLOORS_UP.slice(low + 1, high + 1).filter(
    (one) => one === floor || one === other || world.things.some((thing) => thing.floor === one),
  )
  const unsaid = [FLOORS_UP[low]!, ...above].find((one) => heightOf(world, one) === null)
  if (unsaid) return `how high ${called(unsaid)} lies is not said`
  const open = above.find(
    (one) => !world.things.some((thing) => thing.kind === 'slab' && thing.floor === one),
  )
  return open ? `no floor slab is drawn on ${called(open)}` : null
}

/** A floor as it is called in a sentence. */
export const called = (floor: Floor): string =>
  floor === 'ground' ? 'the ground floor' : `the ${FLOORS[floor].toLowerCase()}`
