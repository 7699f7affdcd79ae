import { boundsOf, type PlanPoint } from '../geometry'
import type { Sight } from '../job/job'
import type { Place, PlanThing, Site, ThingOf } from '../job/plan'
import { mayReach } from './around'
import { riseM, type World } from './floors'
import { boxAbout, type Box } from './narrowed'
import { sunYear } from './sun'
import { occluderOf, type Occluders } from '../plan'

/**
 * Which change of the plan can have a say in what is judged of a camera. Whoever is not touched keeps what
 * was found; the answer may be too careful, never too careless.
 */

/** What of a device decides whether the plan around it matters. */
export interface Standing {
  readonly sight: Sight | null
  readonly outdoors: boolean
}

/** Advice lowers a lens no further than this, m. */
const LOWEST_LENS_M = 0.3

/**
 * Whether any of the changed things of a plan can matter to a device; `world` holds all of them as they are
 * now.
 */
export function touchedBy(
  changed: readonly PlanThing[],
  { sight, outdoors }: Standing,
  site: Site | null,
  world: World,
): boolean {
  const place = sight?.place
  if (!place) return false
  // Across floors, and of how the ground lies, too careful is cheap: such things seldom change.
  if (changed.some(({ kind }) => kind === 'slab' || kind === 'ground level')) return true
  const elsewhere = changed.filter(({ floor }) => floor !== place.floor)
  // Of private ground on a floor that is not looked at it is said that it is not.
  const matters = ({ kind, floor }: PlanThing) =>
    kind === 'privacy' || riseM(world, place.floor, floor) !== null
  if (elsewhere.some(matters)) return true
  const here = changed.filter(({ floor }) => floor === place.floor)
  if (here.length === 0) return false
  const privacies = world.things.filter(
    (thing): thing is ThingOf<'privacy'> =>
      thing.kind === 'privacy' && thing.floor === place.floor && mayReach(place, thing.outline),
  )
  const wedges = privacies.map(({ outline }) => boxAbout([place, ...outline], 0.5))
  return here.some((thing) => {
    if (thing.kind === 'privacy') return mayReach(place, thing.outline)
    const points = standingPoints(occluderOf(thing))
    if (points.length === 0) return false
    const box = boxAbout(points, 0.01)
    if (outOfBoxM(box, place) < reachM(sight)) return true
    if (wedges.some((wedge) => meet(wedge, box))) return true
    return outdoors && site !== null && mayShade(occluderOf(thing), points, place, site)
  })
}

/**
 * How far out (m) the axis of a sight is followed, with the target where it is or where advice may bring
 * it: no further than twice the height, where a face is met at the least angle.
 */
const reachM = ({ targetDistanceM, heightM }: Sight): number =>
  1.6 * Math.max(targetDistanceM, 2 * heightM, 4) + 3

const standingPoints = ({ uprights, boards }: Occluders): PlanPoint[] => [
  ...uprights.flatMap(({ a, b }) => [a, b]),
  ...boards.flatMap(({ outline }) => outline),
]

const outOfBoxM = ({ left, right, bottom, top }: Box, { x, y }: PlanPoint): number =>
  Math.hypot(Math.max(left - x, 0, x - right), Math.max(bottom - y, 0, y - top))

const meet = (a: Box, b: Box): boolean =>
  a.left <= b.right && b.left <= a.right && a.bottom <= b.top && b.bottom <= a.top

const WIDER_RAD = (1 * Math.PI) / 180

/** Whether the sun ever stands behind it, seen from a place outside its box: low enough, at its bearing. */
function mayShade(
  { uprights, boards }: Occluders,
  points: readonly PlanPoint[],
  place: Place,
  site: Site,
): boolean {
  const topM = Math.max(...uprights.map(({ toM }) => toM), ...boards.map(({ heightM }) => heightM))
  const rise = topM - LOWEST_LENS_M
  if (rise <= 0) return false
  const highest = Math.sin(Math.atan2(rise, outOfBoxM(boundsOf(points)!, place)))
  const [mx, my] = [points[0]!.x - place.x, points[0]!.y - place.y]
  const turnTo = (x: number, y: number) => Math.atan2(mx * y - my * x, mx * x + my * y)
  const turns = points.map(({ x, y }) => turnTo(x - place.x, y - place.y))
  const [right, left] = [Math.min(...turns) - WIDER_RAD, Math.max(...turns) + WIDER_RAD]
  if (left - right > Math.PI / 2) return true
  const { ways } = sunYear(site)
  for (let k = 0; k < ways.length && ways[k + 2]! <= highest; k += 3) {
    const turn = turnTo(ways[k]!, ways[k + 1]!)
    if (turn >= right && turn <= left) return true
  }
  return false
}
