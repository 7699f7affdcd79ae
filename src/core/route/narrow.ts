import { finding, type Finding } from '../findings'
import type { OnPlan, RunContext } from '../parts'
import { quantity } from '../units'
import type { Route } from './plan'

/** Whether a pathway on the plan that is no conduit has room for all that is led through it. */
export function narrowFindings(
  { printed, measured }: RunContext,
  { laid }: Route,
  onPlan: OnPlan,
): readonly Finding[] {
  if (laid === 'kept' || measured.installedM !== null || 'none' in onPlan) return []
  return onPlan.narrows.map(({ along, cables, thickMm, passMm, freeMm }, i) => {
    const [many, packs] = [cables > 1, thickMm > freeMm]
    const [thick, wide] = [printed(thickMm, 'size'), printed(passMm, 'size')]
    return finding('route', `narrow-${i + 1}`, {
      verdict: packs ? 'stop' : 'check',
      title: packs ? `Too thick for ${along}` : `Tight in ${along}`,
      short: packs ? 'too thick' : 'tight',
      figure: quantity(passMm, 'size'),
      limit: quantity(freeMm, 'size'),
      reason:
        (many
          ? `${cables} lengths of cable together pack to ${thick} and want `
          : `It is ${thick} thick and wants `) +
        `${wide} to be drawn; ${printed(freeMm, 'size')} are free in ${along}.`,
      source: 'job',
      advice: `Lead ${many ? 'some' : 'it'} around ${along}, or make it ${wide} wide and say so on the plan.`,
    })
  })
}
