import { SPACES } from '../job/choices'
import type { RunContext } from '../parts'
import type { Route } from './plan'

/** What the route is judged by. */
export const ROUTE_JUDGED =
  'Length against the limit at its heat, leads, jacket, drum, conduit fill, slack, drip loop; mains beside ' +
  'its way on the plan, room in pathways there that were measured'

/** What is not judged of a route, and why. */
export function unjudgedRoute({ measured }: RunContext, { segments, leadLengthM }: Route): string[] {
  return [
    ...(segments.length === 0 ? ['The way: no stretch of it is entered.'] : []),
    ...(measured.installedM === null && leadLengthM === null
      ? ['The length as it lies: it is reckoned until somebody reads it off the jacket.']
      : []),
    ...(segments.some(({ space, conduitId }) => SPACES[space].sized && conduitId === null)
      ? ['How full a conduit, a duct or trunking is whose size is not entered.']
      : []),
    ...(segments.some(({ space }) => SPACES[space].tube)
      ? ['Whether conduits want expansion fittings, but for those on the plan whose growth is known.']
      : []),
    'The pull and the bends on the way, but for conduits and ducts on the plan: the log says how hard.',
  ]
}
