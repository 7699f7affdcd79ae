import type { StepState } from './step'

/** At most so many are said done with another in one tap: more is not remembered up there. */
export const MOST_TOGETHER = 4

/** Recorded, held for, or proved by a photo: it stands on a page of its own. */
const standsAlone = ({ step, record }: StepState): boolean =>
  record !== null || step.hold !== null || step.photo === 'required'

/** Something is measured, answered or written down. */
export const isAsked = ({ step }: StepState): boolean => step.entry.kind !== 'done'

/**
 * The steps that follow one at once and are recorded with it in one tap: plain ones at the same place that
 * nobody has recorded, and among them at most one with an answer of its own. None follow a step that is
 * recorded already.
 */
export function together(steps: readonly StepState[], index: number): readonly StepState[] {
  const first = steps[index]
  if (!first || first.record !== null) return []
  const rest: StepState[] = []
  for (const state of steps.slice(index + 1, index + 1 + MOST_TOGETHER)) {
    if (state.step.place !== first.step.place || standsAlone(state)) break
    if (isAsked(state) && rest.some(isAsked)) break
    rest.push(state)
  }
  return rest
}
