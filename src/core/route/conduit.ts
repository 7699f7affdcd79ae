import { SPACES, type SizedForm } from '../job/spaces'
import { finding, type Finding } from '../findings'
import type { Segment } from './plan'
import type { Conduit, RunContext } from '../parts'
import { quantity } from '../units'
import { ROUTE_LIMITS } from './limits'

const areaMm2 = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2

/** Share (%) of a conduit's inside area that cables of these diameters (mm) take up. */
export function fillPercent(diametersMm: readonly number[], boreAreaMm2: number): number {
  return (100 * diametersMm.reduce((sum, mm) => sum + areaMm2(mm), 0)) / boreAreaMm2
}

/** Highest fill by the number of cables: NEC chapter 9 table 1; of trunking whatever their number. */
export function fillLimit(count: number, form: SizedForm = 'conduit') {
  const { conduitFillOne, conduitFillTwo, conduitFillMore, trunkingFill } = ROUTE_LIMITS
  if (form === 'trunking') return trunkingFill
  if (count <= 1) return conduitFillOne
  return count === 2 ? conduitFillTwo : conduitFillMore
}

/**
 * Whether cables of these diameters (mm) go into a bore with room to draw them. Where all are of one size and
 * four fifths of a further one fit, it goes in too: NEC chapter 9 note 7.
 */
export function goesIn(diametersMm: readonly number[], boreAreaMm2: number): boolean {
  const { length: count } = diametersMm
  const limit = fillLimit(count).value
  const [first] = diametersMm
  if (first === undefined || fillPercent(diametersMm, boreAreaMm2) <= limit) return true
  if (count < 3 || diametersMm.some((mm) => mm !== first)) return false
  const fit = (limit * boreAreaMm2) / (100 * areaMm2(first))
  return fit - (count - 1) >= ROUTE_LIMITS.conduitRoundsUp.value - 1e-9
}

/** The bore over three cables (mm) of about one size; null where they are not three. */
function jamRatio(diametersMm: readonly number[], boreAreaMm2: number): number | null {
  return diametersMm.length === 3 ? boreMm(boreAreaMm2) / meanMm(diametersMm) : null
}
const boreMm = (boreAreaMm2: number): number => Math.sqrt((4 * boreAreaMm2) / Math.PI)
const meanMm = (diametersMm: readonly number[]): number =>
  diametersMm.reduce((sum, mm) => sum + mm, 0) / diametersMm.length

const jams = (ratio: number | null): boolean =>
  ratio !== null && ratio >= ROUTE_LIMITS.jamLeast.value && ratio <= ROUTE_LIMITS.jamMost.value

export const formOf = ({ form }: Pick<Conduit, 'form'>): SizedForm => form ?? 'conduit'

/** The smallest of a form that takes cables of these diameters (mm) and lets none wedge; null for none. */
export function conduitFor(
  diametersMm: readonly number[],
  conduits: Iterable<Conduit>,
  form: SizedForm = 'conduit',
): Conduit | null {
  const limit = fillLimit(diametersMm.length, form).value
  const fit = [...conduits].filter((one) => {
    const { boreAreaMm2 } = one
    if (formOf(one) !== form || fillPercent(diametersMm, boreAreaMm2) > limit) return false
    return form === 'trunking' || !jams(jamRatio(diametersMm, boreAreaMm2))
  })
  return fit.sort((a, b) => a.boreAreaMm2 - b.boreAreaMm2)[0] ?? null
}

/** Cables in one conduit: how full it is, and whether three of them may wedge. */
export interface Filled {
  readonly percent: number
  readonly goesIn: boolean
  /** Null where they are not three. */
  readonly jamRatio: number | null
  readonly jams: boolean
}

export function filled(diametersMm: readonly number[], conduit: Conduit): Filled {
  const { boreAreaMm2 } = conduit
  const percent = fillPercent(diametersMm, boreAreaMm2)
  // Laid in from its open side, none wedges there, and none is rounded up.
  if (formOf(conduit) === 'trunking')
    return { percent, goesIn: percent <= fillLimit(1, 'trunking').value, jamRatio: null, jams: false }
  const ratio = jamRatio(diametersMm, boreAreaMm2)
  return {
    percent,
    goesIn: goesIn(diametersMm, boreAreaMm2),
    jamRatio: ratio,
    jams: jams(ratio),
  }
}

const FILLED_FOR: Readonly<Record<SizedForm, string>> = {
  conduit: 'A guide for a clean pull; codes exempt communications cable.',
  trunking: 'So that its lid closes, and one can be taken out again.',
}

/** Fill of every conduit and trunking on the way, with all runs of the job that share it by name. */
export function conduitFindings(
  { cable, catalogue, conduits }: RunContext,
  route: { readonly segments: readonly Segment[] },
  /** Whether a conduit may take the place of the one of a name. */
  may: (name: string, conduit: Conduit) => boolean = () => true,
): Finding[] {
  return route.segments.flatMap((segment): Finding[] => {
    const conduit = segment.conduitId === null ? undefined : catalogue.conduits.get(segment.conduitId)
    const form = SPACES[segment.space].sized
    if (!conduit || !form || formOf(conduit) !== form) return []
    const diameters = (segment.conduitName === '' ? undefined : conduits.get(segment.conduitName)) ?? [
      cable.diameterMm,
    ]
    const { percent, goesIn: goes, jamRatio: ratio, jams: wedged } = filled(diameters, conduit)
    if (goes && !wedged) return []
    const limit = fillLimit(diameters.length, form)
    const free = [...catalogue.conduits.values()].filter((one) => may(segment.conduitName, one))
    const alone = conduitFor(diameters, free, form)
    const larger = alone ?? conduitFor(diameters, catalogue.conduits.values(), form)
    const what = diameters.length === 1 ? `One ${cable.name}` : `${diameters.length} cables together`
    const advice = larger
      ? `Take ${larger.name}${alone ? '' : ' with expansion fittings'}, or lead some of them another way.`
      : `Lead some of them another way: no ${form} of the catalogue is right for them.`
    if (!goes)
      return [
        finding('route', `conduit-${segment.id}`, {
          verdict: 'check',
          title: `Tight in the ${form}`,
          short: `${form} too full`,
          figure: quantity(percent, 'share'),
          limit: quantity(limit.value, 'share'),
          reason: `${what} in ${conduit.name}. ${FILLED_FOR[form]}`,
          source: limit.source,
          advice,
        }),
      ]
    const { jamLeast, jamMost } = ROUTE_LIMITS
    return [
      finding('route', `jam-${segment.id}`, {
        verdict: 'check',
        title: 'Three cables may wedge in the conduit',
        short: 'three may wedge',
        figure: quantity(boreMm(conduit.boreAreaMm2), 'size'),
        limit: quantity(meanMm(diameters) * (ratio! < 3 ? jamLeast.value : jamMost.value), 'size'),
        reason:
          `${conduit.name} is ${jamLeast.value} to ${jamMost.value} of them wide: ` +
          'three slip side by side in a bend and lock.',
        source: jamLeast.source,
        advice,
      }),
    ]
  })
}
