import { oncePer } from '../once'
import type { Occluders } from '../plan'
import { occludersWithin, type Box } from './narrowed'
import type { Setting } from './occluders'

/** What stood there before and does not now, and the other way round. */
interface Change {
  readonly gone: Occluders
  readonly come: Occluders
}

const changes = oncePer((_: Occluders) => new WeakMap<Occluders, Change>())

/** What is different between two settings of a floor; found once for all that look at it. */
export function changeOf(before: Occluders, after: Occluders): Change {
  const known = changes(after)
  const change = known.get(before) ?? { gone: lacking(before, after), come: lacking(after, before) }
  known.set(before, change)
  return change
}

const lacking = (all: Occluders, other: Occluders): Occluders => {
  const [uprights, boards] = [new Set(other.uprights), new Set(other.boards)]
  return {
    uprights: all.uprights.filter((one) => !uprights.has(one)),
    boards: all.boards.filter((one) => !boards.has(one)),
    solids: [],
  }
}

/** Whether the very same things stand within a box, on the same ground. */
export function staysWithin(before: Setting, after: Setting, box: Box): boolean {
  if (before === after) return true
  if (before.land !== after.land) return false
  const { gone, come } = changeOf(before, after)
  return [gone, come].every((one) => {
    const { uprights, boards } = occludersWithin(one, box)
    return uprights.length + boards.length === 0
  })
}
