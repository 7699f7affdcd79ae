import type { Stage } from '../findings'
import type { DeviceContext } from '../parts'
import type { Phase } from './phases'
import type { Step, StepEntry } from './step'

/** What a stage gives to do on a device: a step, and the phase of the work in which it is done. */
export interface Task extends Step {
  readonly phase: Phase
}

export const DONE: StepEntry = { kind: 'done' }

/** A value to measure, within limits in the inside unit of its quantity; null is open. */
export const measure = (
  quantity: Extract<StepEntry, { kind: 'measure' }>['quantity'],
  label: string,
  least: number | null,
  most: number | null,
): StepEntry => ({ kind: 'measure', quantity, label, least, most })

/** One of several answers, of which the first is the good one. */
export const choice = (good: string, ...others: string[]): StepEntry => ({
  kind: 'choice',
  options: [good, ...others],
  good: [good],
})

type Draft = Pick<Step, 'id' | 'title' | 'reason'> & Partial<Omit<Step, 'id' | 'stage'>>

const NOT_TOLD: Step['causes'] = {}

/** A task in its phase. The id says the stage: `stage/key`, or `bench/key` for what belongs to none. */
export function task(phase: Phase, draft: Draft): Task {
  const place = draft.id.slice(0, draft.id.indexOf('/'))
  return {
    detail: '',
    items: [],
    caution: null,
    hold: null,
    entry: DONE,
    photo: null,
    causes: NOT_TOLD,
    ...draft,
    stage: place === 'bench' ? null : (place as Stage),
    phase,
  }
}

/** The tasks that the chosen accessories of a stage bring along. */
export const accessoryTasks = (
  { accessories }: DeviceContext,
  stage: Stage,
  phase: Phase,
  caution: string | null = null,
): Task[] =>
  accessories
    .filter((part) => part.stage === stage && !(stage === 'seal' && part.capsTails))
    .map((part) =>
      task(phase, {
        id: `${stage}/accessory-${part.id}`,
        title: part.name,
        detail: part.step,
        reason: part.reason,
        caution,
      }),
    )
