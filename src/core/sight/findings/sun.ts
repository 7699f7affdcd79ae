import { finding, type Finding } from '../../findings'
import { text } from '../../units'
import { SIGHT_LIMITS } from '../limits'
import type { Asked } from './asked'

/** Whether the sun stands too long in the picture. */
export function sunFindings({ around }: Asked): Finding[] {
  const sun = around?.sun()
  if (!sun || sun.hoursAYear <= SIGHT_LIMITS.sunHoursAYear.value) return []
  const worst = sun.worst[0]!
  return [
    finding('sight', 'sun', {
      verdict: 'check',
      title: 'The sun stands in the picture',
      short: 'sun in picture',
      figure: text(`${Math.round(sun.hoursAYear)} h a year`),
      limit: text(`${SIGHT_LIMITS.sunHoursAYear.value} h`),
      reason: `Worst about ${worst.day}, ${worst.from} to ${worst.to}, if the sky is clear.`,
      source: SIGHT_LIMITS.sunHoursAYear.source,
      advice:
        'Turn it, tilt it further down, hang it under an edge that shades the lens, or cover the ' +
        'view from the other side.',
    }),
  ]
}
