import { finding, type Finding } from '../../findings'
import { quantity } from '../../units'
import type { Asked } from './asked'
import { capital } from './words'

/** Whether something on the plan stands between the lens and its target. */
export function hiddenFindings({ context, sight, around }: Asked): Finding[] {
  const hidden = around?.hidden()
  if (!hidden) return []
  const { printed } = context
  return [
    finding('sight', 'hidden', {
      verdict: 'stop',
      title: 'The target is hidden',
      short: 'target hidden',
      figure: quantity(hidden.distanceM, 'length'),
      limit: quantity(sight.targetDistanceM, 'length'),
      reason:
        `${capital(hidden.name)} stands in between, ` +
        `${printed(hidden.distanceM, 'length')} from the lens.`,
      source: 'physics',
      advice:
        'Move the camera or turn it past what stands there, go higher, or place another camera behind it.',
    }),
  ]
}
