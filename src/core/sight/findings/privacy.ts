import { finding, type Finding } from '../../findings'
import { quantity } from '../../units'
import type { Asked } from './asked'

/** Whether it makes out somebody on ground where it must not look. */
export function privacyFindings({ context, around }: Asked): Finding[] {
  const { printed } = context
  return (around?.private() ?? []).map(({ name, share, bestPxM }) =>
    finding('sight', 'privacy', {
      verdict: 'check',
      title: 'It looks where it must not',
      short: 'private ground',
      figure: quantity(share * 100, 'share'),
      limit: quantity(0, 'share'),
      reason: `It sees ${Math.max(1, Math.round(share * 100))} % of ${name}, at up to ${printed(bestPxM, 'density')}.`,
      source: 'practice',
      advice:
        'Turn or tilt it away, or set a privacy mask over that part and note it for the hand-over. Local law decides.',
    }),
  )
}
