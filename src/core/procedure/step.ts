import type { Stage, Verdict } from '../findings'
import type { Cause } from '../job/choices'
import type { StepRecord } from '../job/job'
import type { Force, Place } from '../order'
import { print, type QuantityKind, type UnitSystem } from '../units'
import type { PhotoView } from './views'

/** How a step is recorded. Limits are in the inside unit of the quantity; null is open. */
export type StepEntry =
  | { readonly kind: 'done' }
  | {
      readonly kind: 'measure'
      readonly quantity: QuantityKind
      readonly label: string
      readonly least: number | null
      readonly most: number | null
      /** Two marks of a scale may stand for it. */
      readonly marks?: true
    }
  | { readonly kind: 'choice'; readonly options: readonly string[]; readonly good: readonly string[] }
  | { readonly kind: 'note'; readonly label: string }

/** What a step that fails points to: by itself, by what was answered, or by a value above its limits. */
export interface Causes {
  readonly failed?: Cause
  readonly answered?: Readonly<Record<string, Cause>>
  readonly above?: Cause
}

/** What holds a step in its place: another step that it comes before or after, and why. */
export interface Because {
  readonly when: 'before' | 'after'
  readonly stepId: string
  readonly title: string
  readonly why: string
  readonly force: Force
}

/** One step of the install log, derived from the plan. */
export interface Step {
  /** Stable while the plan is: `stage/key`. Records keep it. */
  readonly id: string
  /** The stage it belongs to; null for what is done on the bench before any. */
  readonly stage: Stage | null
  readonly place: Place
  readonly title: string
  readonly detail: string
  readonly items: readonly string[]
  readonly reason: string
  readonly caution: string | null
  /** A point where work stops until this is looked at: "Before you crimp". */
  readonly hold: string | null
  readonly entry: StepEntry
  readonly photo: 'asked' | 'required' | null
  /** What its photo must show; null where none is asked. */
  readonly view: PhotoView | null
  readonly causes: Causes
  /** Both ends of its cable get the mark first; `withMark` says so. */
  readonly labels: boolean
  /** What forces it to stand where it stands, the tightest from either side. */
  readonly because: readonly Because[]
}

/** The steps of what has a mark: where a cable is labelled, its step says with what. */
export const withMark = (steps: readonly Step[], mark: string): readonly Step[] =>
  steps.map((step) =>
    step.labels ? { ...step, detail: `Mark both ends ${mark} before you pull. ${step.detail}` } : step,
  )

/** A step with what has been recorded of it. */
export interface StepState {
  readonly step: Step
  readonly record: StepRecord | null
  readonly photos: number
  readonly verdict: Verdict | null
  /** What the verdict rests on, in words; empty while nothing is recorded. */
  readonly says: string
}

/** Judges a record of a step: out of limits is a Stop, a missing photo or a step left out is a Check. */
export function judge(
  step: Pick<Step, 'entry' | 'photo'>,
  record: Pick<StepRecord, 'state' | 'value' | 'choice' | 'note'>,
  photos: number,
  units: UnitSystem,
): { readonly verdict: Verdict; readonly says: string } {
  if (record.state === 'left out') return { verdict: 'check', says: `Left out: ${record.note}` }
  const { entry } = step
  if (entry.kind === 'measure') {
    if (record.value === null) return { verdict: 'check', says: 'No value is recorded.' }
    const shown = print({ value: record.value, kind: entry.quantity }, units)
    if (!withinLimits(entry, record.value))
      return { verdict: 'stop', says: `${shown}; ${printLimits(entry, units)}.` }
    if (photos > 0 || step.photo !== 'required')
      return { verdict: 'good', says: `${shown}; ${printLimits(entry, units)}.` }
  }
  if (entry.kind === 'choice') {
    if (record.choice === null || !entry.options.includes(record.choice))
      return { verdict: 'check', says: 'Nothing is chosen.' }
    if (!entry.good.includes(record.choice))
      return { verdict: 'stop', says: `${record.choice}; should be ${entry.good.join(' or ')}.` }
  }
  if (step.photo === 'required' && photos === 0) return { verdict: 'check', says: 'The photo is missing.' }
  if (entry.kind === 'choice') return { verdict: 'good', says: record.choice ?? '' }
  if (entry.kind === 'note')
    return record.note === ''
      ? { verdict: 'check', says: 'Nothing is written.' }
      : { verdict: 'good', says: record.note }
  return { verdict: 'good', says: 'Done.' }
}

type Measure = Extract<StepEntry, { kind: 'measure' }>

/** True when a value (inside unit) lies within the limits of a measured step. */
export function withinLimits({ least, most }: Measure, value: number): boolean {
  return (least === null || value >= least - 1e-9) && (most === null || value <= most + 1e-9)
}

/** Prints the limits of a measured step: "takes 6.0 to 12.0 mm", "at most 1.0°". */
export function printLimits({ least, most, quantity: kind }: Measure, units: UnitSystem): string {
  const printed = (value: number) => print({ value, kind }, units)
  if (least !== null && most !== null) return `takes ${printed(least)} to ${printed(most)}`
  if (most !== null) return `at most ${printed(most)}`
  return least !== null ? `at least ${printed(least)}` : 'any value'
}
