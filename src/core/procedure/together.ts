import type { StepState } from './step'

/** At most so many are said done with another in one tap: more is not remembered up there. */
export const MOST_TOGETHER = 4

/** Nothing to measure, answer, hold for or prove by a photo: it is done, or it is not. */
const isPlain = ({ step, record }: StepState): boolean =>
  record === null && step.entry.kind === 'done' && step.hold === null && step.photo !== 'required'

/**
 * The steps that follow one at once and can be said done with it: plain ones at the same place that nobody
 * has recorded. None follow a step that is recorded already.
 */
export function together(steps: readonly StepState[], index: number): readonly StepState[] {
  const first = steps[index]
  if (!first || first.record !== null) return []
  const rest: StepState[] = []
  for (const state of steps.slice(index + 1, index + 1 + MOST_TOGETHER)) {
    if (state.step.place !== first.step.place || !isPlain(state)) break
    rest.push(state)
  }
  return rest
}
