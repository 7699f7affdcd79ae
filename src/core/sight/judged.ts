import type { PlaceContext } from '../parts'
import type { Sight } from './plan'

/** What the sight is judged by. */
export const SIGHT_JUDGED = 'Pixels at the target, dead zone, tilt, face angle, lens, shutter, infrared reach'

/** What is not judged of a sight, and why. */
export function unjudgedSight({ site, exposure }: PlaceContext, { place }: Sight): string[] {
  const off = place === null
  return [
    ...(off ? ['What stands in between, near surfaces, private ground: it stands on no plan.'] : []),
    ...(exposure.outdoors && (off || site === null)
      ? [`The sun: ${off ? 'it stands on no plan' : 'where the site lies is not given'}.`]
      : []),
    'What is not drawn, plants that grow, and how much light there is at night.',
  ]
}
