import { finding, type Finding } from '../../findings'
import { distanceM } from '../../geometry'
import { quantity, text } from '../../units'
import { SIGHT_LIMITS } from '../limits'
import type { Asked } from './asked'

/** Whether it stands where the customer asked for it, or the move was agreed. */
export function wishFindings({ context, sight }: Asked): Finding[] {
  const { printed } = context
  const { wish, place } = sight
  const away = wish.at && place ? distanceM(wish.at, place) : 0
  const moved = away > SIGHT_LIMITS.wishM.value
  if ((wish.kept && !moved) || (!wish.kept && wish.reason !== '' && wish.agreedBy !== '')) return []
  return [
    finding('sight', 'wish', {
      verdict: 'check',
      title: 'Moved from the customer’s wish',
      short: 'move not agreed',
      figure: moved ? quantity(away, 'length') : text('not agreed'),
      limit: moved ? quantity(SIGHT_LIMITS.wishM.value, 'length') : text('agreed'),
      reason:
        wish.place === '' && moved
          ? `It stands ${printed(away, 'length')} from where the customer asked for it, and nobody ` +
            'is noted to have agreed.'
          : `The customer asked for: ${wish.place || 'another place'}.`,
      source: 'practice',
      advice: 'Note why it stands elsewhere and who agreed, before you drill.',
    }),
  ]
}
