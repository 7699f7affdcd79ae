import { SPACES } from '../job/spaces'
import type { RunContext } from '../parts'
import { fedIn } from './lead'
import type { Route } from './plan'

/** What the route is judged by. */
export const ROUTE_JUDGED =
  'Length against the limit at its heat, leads, their coil and ends, jacket, drum, conduit fill, slack, drip ' +
  'loop; mains beside its way on the plan, room in pathways there that were measured'

/** What is not judged of a route, and why. */
export function unjudgedRoute(context: RunContext, { segments, lead, laid }: Route): string[] {
  const { measured } = context
  return [
    ...(segments.length === 0 ? ['The way: no stretch of it is entered.'] : []),
    ...(measured.installedM === null && lead === null
      ? ['The length as it lies: it is reckoned until somebody reads it off the jacket.']
      : []),
    ...(segments.some(({ space, conduitId }) => SPACES[space].sized && conduitId === null)
      ? ['How full a conduit, a duct or trunking is whose size is not entered.']
      : []),
    ...(segments.some(({ space }) => SPACES[space].tube)
      ? ['Whether conduits want expansion fittings, but for those on the plan whose growth is known.']
      : []),
    ...(lead !== null && laid === 'new' && fedIn(context, lead).first?.acrossMm == null
      ? ['Whether the end of the lead that goes first passes what is on its way: nobody said how wide it is.']
      : []),
    'The pull and the bends on the way, but for conduits and ducts on the plan: the log says how hard.',
  ]
}
