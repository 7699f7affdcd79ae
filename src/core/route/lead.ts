import { finding, type Figure, type Finding } from '../findings'
import { acrossAll } from '../geometry'
import { SPACES } from '../job/spaces'
import { endPassMm } from '../mount'
import { fedLead, otherEnd, type FedLead, type RunContext } from '../parts'
import type { LeadLine } from '../stages/load'
import { atStart, inSentence, quantity, text } from '../units'
import { boreAcrossMm, others } from './first'
import { coilOf, oneTurnM } from './length'
import {
  END_KEYS,
  type CoilPlace,
  type EndKey,
  type ReadyLead,
  type Route,
  type Segment,
  type Way,
} from './plan'

/** A ready-made lead: how it goes, what it passes, and where what is left of it lies. */

export const fedIn = ({ ends }: Pick<RunContext, 'ends'>, lead: Pick<ReadyLead, 'fedFrom'>): FedLead =>
  fedLead(ends[0].connector, ends[1].connector, lead)

/** The context's end. */
export const endAt = ({ ends }: Pick<RunContext, 'ends'>, key: EndKey) => ends[key === 'near end' ? 0 : 1]

const isEnd = (place: CoilPlace): place is EndKey => place === 'near end' || place === 'far end'

/** What a place of a coil is called in a sentence: "at E1", "in the loft". */
export const coilWords = (context: Pick<RunContext, 'ends'>, place: CoilPlace): string =>
  isEnd(place)
    ? `at ${endAt(context, place).called}`
    : (SPACES[place].coil?.at ?? inSentence(SPACES[place].name))

/** How a coil is kept there. */
export const keptBy = (place: CoilPlace): string =>
  isEnd(place) ? 'tied in turns, nothing hanging on the plug' : (SPACES[place].coil?.how ?? '')

/** Why a coil cannot lie in a place, in a sentence; null where it can. */
function wrongPlace(context: RunContext, { segments }: Way, place: CoilPlace): string | null {
  if (isEnd(place)) {
    const { outdoors, boxed, called } = endAt(context, place)
    return outdoors && !boxed ? `At ${called} it hangs in the weather, with no box to lie in.` : null
  }
  const { name, coil } = SPACES[place]
  if (!segments.some(({ space }) => space === place))
    return `No stretch of its way is of this kind: ${inSentence(name)}.`
  return coil === undefined ? `${name}: nobody reaches a coil there again.` : null
}

/** Where the surplus of a lead can lie: in spaces of its way first, then at its ends. */
export function coilPlaces(context: RunContext, way: Way): CoilPlace[] {
  const spaces = new Set(way.segments.map(({ space }) => space))
  const places: readonly CoilPlace[] = [...spaces, 'far end', 'near end']
  return places.filter((place) => wrongPlace(context, way, place) === null)
}

/** A ready-made lead as a form and a drawing show it. */
export interface LeadShown {
  readonly lengthM: number
  /** From where it can be fed, in words. */
  readonly feeds: readonly { readonly from: EndKey; readonly words: string }[]
  /** Where its surplus can be coiled, and where it is said to be. */
  readonly places: readonly { readonly place: CoilPlace; readonly words: string }[]
  /** Its coil in words, "at E1"; null where nobody has said, and where nothing is left to coil. */
  readonly coil: string | null
}

export function leadShown(context: RunContext, way: Way, wayM: number): LeadShown | null {
  const { lead } = way
  if (!lead) return null
  const words = (place: CoilPlace) => coilWords(context, place)
  const places = new Set([...coilPlaces(context, way), ...(lead.coilAt === null ? [] : [lead.coilAt])])
  const coils = lead.lengthM - wayM >= oneTurnM(context.cable)
  return {
    lengthM: lead.lengthM,
    feeds: END_KEYS.map((from) => ({ from, words: feedWords(context, from) })),
    places: [...places].map((place) => ({ place, words: atStart(words(place)) })),
    coil: coils && lead.coilAt !== null ? words(lead.coilAt) : null,
  }
}

/** "E1: Factory RJ45 plug goes to E2 first". */
function feedWords(context: RunContext, from: EndKey): string {
  const { first } = fedIn(context, { fedFrom: from })
  const { called } = endAt(context, from)
  return first ? `${atStart(called)}: ${inSentence(first.name)} goes first` : atStart(called)
}

/** How it goes, for the lists; null where the cable is cut. */
export function leadLine(context: RunContext, { lead }: Way, wayM: number): LeadLine | null {
  if (!lead) return null
  const { from, first, last, free } = fedIn(context, lead)
  const leftM = Math.max(0, lead.lengthM - wayM)
  const coils = leftM >= oneTurnM(context.cable) && lead.coilAt !== null
  return {
    fedFrom: free ? null : endAt(context, from).called,
    first: first?.name ?? '',
    last: last?.name ?? '',
    passMm: first?.acrossMm == null ? null : endPassMm(first),
    leftM,
    coil: coils ? coilWords(context, lead.coilAt!) : '',
  }
}

/** What is taken, which end goes first, what that passes, and what is left to coil. */
export function leadFigures(context: RunContext, way: Way, wayM: number): Figure[] {
  const { lead } = way
  if (!lead) return []
  const { first, free } = fedIn(context, lead)
  const { fedFrom, leftM } = leadLine(context, way, wayM)!
  return [
    { label: 'Ready-made lead', reading: quantity(lead.lengthM, 'length') },
    { label: 'Fed from', reading: text(fedFrom ?? 'either end') },
    ...(first && !free ? [{ label: 'Goes first', reading: text(inSentence(first.name)) }] : []),
    ...(first?.acrossMm == null
      ? []
      : [{ label: 'Every hole on its way, at least', reading: quantity(endPassMm(first), 'size') }]),
    ...(leftM > 0 ? [{ label: 'Left over to coil', reading: quantity(leftM, 'length') }] : []),
  ]
}

/** Whether a lead of its length reaches, and where what is left of it lies. */
export function leadFinding(context: RunContext, way: Way, wayM: number): Finding | null {
  const { printed, cable } = context
  const { lead } = way
  if (lead === null) return null
  const { lengthM, coilAt } = lead
  const leftM = lengthM - wayM
  if (leftM < 0)
    return finding('route', 'lead', {
      verdict: 'stop',
      title: 'The ready-made lead is too short',
      short: 'lead too short',
      figure: quantity(lengthM, 'length'),
      limit: quantity(wayM, 'length'),
      reason: 'It is never cut or lengthened.',
      source: 'practice',
      advice: `Take a lead of ${printed(wayM, 'length')} or more.`,
    })
  const leastM = oneTurnM(cable)
  const common = {
    figure: quantity(leftM, 'length'),
    limit: quantity(leastM, 'length'),
    source: 'practice',
  } as const
  if (leftM < leastM)
    return finding('route', 'lead', {
      ...common,
      verdict: 'good',
      title: 'The ready-made lead reaches',
      reason: 'What is left of it is less than one turn of a coil, and goes into the slack.',
    })
  const { turns, acrossMm, thickMm } = coilOf(leftM, cable)
  const coil = `${turns} turns of ${printed(acrossMm, 'size')} across, ${printed(thickMm, 'size')} thick at the least`
  const wrong = coilAt === null ? 'Nobody has said where it lies.' : wrongPlace(context, way, coilAt)
  if (wrong === null)
    return finding('route', 'lead', {
      ...common,
      verdict: 'good',
      title: 'The ready-made lead reaches, and its surplus has a place',
      reason: `A coil ${coilWords(context, coilAt!)}: ${coil}.`,
    })
  const [place] = coilPlaces(context, way)
  const shorter = `take a lead of ${printed(wayM, 'length')} and hardly more`
  return finding('route', 'lead', {
    ...common,
    verdict: 'check',
    title:
      coilAt === null ? 'The surplus of the lead has no place' : 'The surplus of the lead cannot lie there',
    short: 'no place for the coil',
    reason: `${wrong} A coil of ${coil}.`,
    advice: place
      ? `Coil it ${coilWords(context, place)} and say so, or ${shorter}.`
      : `No place on its way takes a coil that is reached again: ${shorter}, or cut the cable from a drum.`,
  })
}

/**
 * Whether the end that goes first passes every conduit and duct of the way beside what else is led there.
 * Where it does so before the others, it goes before them; where what lies there already is in its way, not
 * at all. Nothing is said of a lead that lies there itself.
 */
export function leadBoreFindings(
  context: RunContext,
  { lead, laid, segments }: Pick<Route, 'lead' | 'laid'> & { readonly segments: readonly Segment[] },
): Finding[] {
  const { before, conduits, catalogue, cable, measured, printed } = context
  if (lead === null || laid === 'kept' || before === 'drawn' || measured.installedM !== null) return []
  const fed = fedIn(context, lead)
  const { first, last } = fed
  if (!first) return []
  return segments.flatMap((segment): Finding[] => {
    const boreMm = boreAcrossMm(catalogue, segment)
    if (boreMm === null) return []
    const { id, conduitId, conduitName } = segment
    const where = conduitName || catalogue.conduits.get(conduitId!)!.name
    const of = (shared: typeof conduits) => (conduitName === '' ? undefined : shared.get(conduitName)) ?? []
    const all = others(of(conduits), cable.diameterMm)
    const needMm = acrossAll([endPassMm(first), ...all])
    if (needMm <= boreMm) return []
    const firstMm = acrossAll([endPassMm(first), ...of(before)])
    const [goesFirst, alone] = [firstMm <= boreMm, endPassMm(first) <= boreMm]
    const other = endAt(context, otherEnd(fed.from)).called
    const turns = last?.acrossMm != null && acrossAll([endPassMm(last), ...all]) <= boreMm
    const wider = `a conduit of ${printed(needMm, 'size')} inside or more, or cut the cable from a drum.`
    const instead = goesFirst ? `Draw it through before the others, or take ${wider}` : `Take ${wider}`
    return [
      finding('route', `lead-bore-${id}`, {
        verdict: goesFirst ? 'check' : 'stop',
        ...boreWords(goesFirst, alone),
        figure: quantity(goesFirst ? needMm : firstMm, 'size'),
        limit: quantity(boreMm, 'size'),
        reason: `${where}: ${first.name} goes first${alone ? '; by itself it passes' : ''}.`,
        source: 'practice',
        advice: turns ? `Feed it from ${other}: its narrower end passes.` : instead,
      }),
    ]
  })
}

function boreWords(goesFirst: boolean, alone: boolean): { readonly title: string; readonly short: string } {
  if (goesFirst)
    return { title: 'The lead’s end does not pass beside the other cables', short: 'end not beside others' }
  return alone
    ? { title: 'The lead’s end does not pass beside what lies there', short: 'end not beside what lies' }
    : { title: 'The lead’s end does not pass the conduit', short: 'end does not pass' }
}
