import type { Reading } from '../units'
import type { SourceId } from '../sources'

/** The nine words of the trade, in the order in which the work is done. */
export const STAGES = [
  'sight',
  'mount',
  'route',
  'terminate',
  'seal',
  'power',
  'aim',
  'test',
  'handover',
] as const
export type Stage = (typeof STAGES)[number]

/** The stages that compute something today: the ones with a tab and a column. */
export const PLANNED_STAGES = ['sight', 'mount', 'route', 'terminate', 'seal', 'power'] as const
export type PlannedStage = (typeof PLANNED_STAGES)[number]

export type Verdict = 'good' | 'check' | 'stop'

/**
 * What the computation has to say: always with the figure, the limit, the reason, the source and what to
 * do.
 */
export interface Finding {
  /** Stable within a device: `stage/key`. A fault raised from it keeps this as its origin. */
  readonly id: string
  readonly stage: Stage
  readonly verdict: Verdict
  readonly title: string
  /** The trouble in a few words, for the board's cell; null only when the verdict is good. */
  readonly short: string | null
  readonly figure: Reading
  readonly limit: Reading | null
  readonly reason: string
  readonly source: SourceId
  /** What to do about it; null only when the verdict is good. */
  readonly advice: string | null
}

type Said = Omit<Finding, 'id' | 'stage' | 'verdict' | 'advice' | 'short'>
type Bad = Said & { readonly verdict: 'check' | 'stop'; readonly short: string; readonly advice: string }
type Good = Said & { readonly verdict: 'good'; readonly advice?: null; readonly short?: null }

/**
 * Builds a finding; the type makes a Check or Stop without advice, or without words for the board,
 * impossible.
 */
export function finding(stage: Stage, key: string, of: Bad | Good): Finding {
  const { verdict, title, short, figure, limit, reason, source, advice } = of
  return {
    id: `${stage}/${key}`,
    stage,
    verdict,
    title,
    short: short ?? null,
    figure,
    limit,
    reason,
    source,
    advice: advice ?? null,
  }
}

const WEIGHT: Record<Verdict, number> = { good: 0, check: 1, stop: 2 }

/** The gravest verdict among findings; good when there are none. */
export function gravest(findings: readonly Finding[]): Verdict {
  let worst: Verdict = 'good'
  for (const { verdict } of findings) if (WEIGHT[verdict] > WEIGHT[worst]) worst = verdict
  return worst
}

/** The gravest finding that is not good, the first of its kind; null when all are. */
export function worstOf(findings: readonly Finding[]): Finding | null {
  return (
    findings.find(({ verdict }) => verdict === 'stop') ??
    findings.find(({ verdict }) => verdict === 'check') ??
    null
  )
}

/** Stops first, then checks, then good; otherwise in the order given. */
export function byGravity(findings: readonly Finding[]): Finding[] {
  return [...findings].sort((a, b) => WEIGHT[b.verdict] - WEIGHT[a.verdict])
}

/** A figure the screens show: what it is and how much. */
export interface Figure {
  readonly label: string
  readonly reading: Reading
}

/**
 * What one stage of one device comes to. `T` is what its drawing needs, in metres, millimetres and degrees.
 */
export interface StageAssessment<T> {
  /** The one figure that matters, for the board's cell. */
  readonly headline: Reading
  readonly figures: readonly Figure[]
  readonly findings: readonly Finding[]
  readonly drawing: T
}
