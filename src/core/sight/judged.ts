import type { PlaceContext } from '../parts'
import type { Floor } from '../job/choices'
import { apartBy, type World } from './floors'
import { oncePer } from '../once'
import { landOf } from './land'
import type { Sight } from './plan'

/** What the sight is judged by. */
export const SIGHT_JUDGED = 'Pixels at the target, dead zone, tilt, face angle, lens, shutter, infrared reach'

/** What is not judged of a sight, and why. */
export function unjudgedSight(context: PlaceContext, { place }: Sight): string[] {
  const { site, exposure, things } = context
  const off = place === null
  const beyond = place ? privateBeyond(context, place.floor) : []
  return [
    ...(off ? ['What stands in between, near surfaces, private ground: it stands on no plan.'] : []),
    ...(exposure.outdoors && (off || site === null)
      ? [`The sun: ${off ? 'it stands on no plan' : 'where the site lies is not given'}.`]
      : []),
    ...(place && landOf(things, place.floor)
      ? ['Ground that slopes, for the nearest ground and the far limit: they are reckoned on level ground.']
      : []),
    ...beyond.map((why) => `Private ground on other floors: ${why}.`),
    'What is not drawn, plants that grow, and how much light there is at night.',
  ]
}

/** Why private ground on other floors is not looked at from one, each reason once. */
const privateBeyond = (world: World, floor: Floor): readonly string[] => [
  ...new Set(floorsWithPrivate(world.things).flatMap((other) => apartBy(world, floor, other) ?? [])),
]

const floorsWithPrivate = oncePer((things: World['things']): readonly Floor[] => [
  ...new Set(things.flatMap((thing) => (thing.kind === 'privacy' ? [thing.floor] : []))),
])
