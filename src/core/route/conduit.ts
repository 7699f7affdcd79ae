import { finding, type Finding } from '../findings'
import type { Way } from './plan'
import type { RunContext } from '../parts'
import { quantity } from '../units'
import { ROUTE_LIMITS } from './limits'

/** Share (%) of a conduit's inside area that cables of these diameters (mm) take up. */
export function fillPercent(diametersMm: readonly number[], boreAreaMm2: number): number {
  return (100 * diametersMm.reduce((sum, mm) => sum + (Math.PI / 4) * mm ** 2, 0)) / boreAreaMm2
}

/** Highest fill by the number of cables. NEC chapter 9 table 1. */
export function fillLimit(count: number) {
  const { conduitFillOne, conduitFillTwo, conduitFillMore } = ROUTE_LIMITS
  if (count <= 1) return conduitFillOne
  return count === 2 ? conduitFillTwo : conduitFillMore
}

/** Fill of every conduit on the way, with all runs of the job that share it by name. */
export function conduitFindings({ cable, catalogue, conduits }: RunContext, route: Way): Finding[] {
  return route.segments.flatMap((segment) => {
    const conduit = segment.conduitId === null ? undefined : catalogue.conduits.get(segment.conduitId)
    if (!conduit || segment.space !== 'conduit') return []
    const diameters = (segment.conduitName === '' ? undefined : conduits.get(segment.conduitName)) ?? [
      cable.diameterMm,
    ]
    const limit = fillLimit(diameters.length)
    const fill = fillPercent(diameters, conduit.boreAreaMm2)
    if (fill <= limit.value) return []
    const larger = [...catalogue.conduits.values()]
      .filter(({ boreAreaMm2 }) => fillPercent(diameters, boreAreaMm2) <= limit.value)
      .sort((a, b) => a.boreAreaMm2 - b.boreAreaMm2)[0]
    const what = diameters.length === 1 ? `One ${cable.name}` : `${diameters.length} cables together`
    return [
      finding('route', `conduit-${segment.id}`, {
        verdict: 'check',
        title: 'Tight in the conduit',
        short: 'conduit too full',
        figure: quantity(fill, 'share'),
        limit: quantity(limit.value, 'share'),
        reason: `${what} in ${conduit.name}. A guide for a clean pull; codes exempt communications cable.`,
        source: limit.source,
        advice: larger
          ? `Take ${larger.name}, or lead some of them another way.`
          : 'Lead some of them another way: no conduit of the catalogue is large enough.',
      }),
    ]
  })
}
