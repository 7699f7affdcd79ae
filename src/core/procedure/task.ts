import type { Stage } from '../findings'
import type { Place } from '../order'
import type { DeviceContext } from '../parts'
import type { Fact, Need, Reach } from './fact'
import { PHASES, type Phase } from './phases'
import type { Step, StepEntry } from './step'

/**
 * What a stage gives to do on a device: a step, where it is done, and what must hold before it and must not
 * hold yet.
 */
export interface Task extends Omit<Step, 'because'> {
  readonly phase: Phase
  readonly place: Place
  readonly gives: readonly Fact[]
  readonly after: readonly Need[]
  readonly before: readonly Need[]
  readonly reach: readonly Reach[]
}

export const DONE: StepEntry = { kind: 'done' }

/** A value to measure, within limits in the inside unit of its quantity; null is open. */
export const measure = (
  quantity: Extract<StepEntry, { kind: 'measure' }>['quantity'],
  label: string,
  least: number | null,
  most: number | null,
): Extract<StepEntry, { kind: 'measure' }> => ({ kind: 'measure', quantity, label, least, most })

/** One of several answers, of which the first is the good one. */
export const choice = (good: string, ...others: string[]): StepEntry => ({
  kind: 'choice',
  options: [good, ...others],
  good: [good],
})

/** One of several answers, of which more than one is good. */
export const anyOf = (good: readonly string[], ...others: string[]): StepEntry => ({
  kind: 'choice',
  options: [...good, ...others],
  good,
})

type Draft = Pick<Step, 'id' | 'title' | 'reason'> & Partial<Omit<Task, 'id' | 'stage' | 'phase'>>

const NOT_TOLD: Step['causes'] = {}
const NONE = [] as const

/** A task in its phase. The id says the stage: `stage/key`, or `bench/key` for what belongs to none. */
export function task(phase: Phase, draft: Draft): Task {
  const stage = draft.id.slice(0, draft.id.indexOf('/'))
  return {
    detail: '',
    items: [],
    caution: null,
    hold: null,
    entry: DONE,
    photo: null,
    view: null,
    causes: NOT_TOLD,
    labels: false,
    place: PHASES[phase],
    gives: NONE,
    after: NONE,
    before: NONE,
    reach: NONE,
    ...draft,
    stage: stage === 'bench' ? null : (stage as Stage),
    phase,
  }
}

/** The tasks that the chosen accessories of a stage bring along, with what holds for them there. */
export const accessoryTasks = (
  { accessories, policies }: DeviceContext,
  stage: Stage,
  phase: Phase,
  more: Partial<Pick<Task, 'caution' | 'after' | 'before' | 'reach'>> = {},
): Task[] =>
  accessories
    .filter((part) => part.stage === stage && !(stage === 'seal' && part.capsTails))
    .filter((part) => !part.card || policies.memoryCard === 'up there')
    .map((part) =>
      task(phase, {
        id: `${stage}/accessory-${part.id}`,
        title: part.name,
        detail: part.step,
        reason: part.reason,
        ...more,
      }),
    )
