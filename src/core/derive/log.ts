import type { Fault, Photo, StepRecord } from '../job/job'
import { earlierSteps, judge, type EarlierStep, type Step, type StepState } from '../procedure'
import { inSentence, type UnitSystem } from '../units'

/** The mark of a board cell. */
export type Mark = 'not planned' | 'ready' | 'done' | 'check' | 'stop'

/** What of the job is recorded on one device or piece of equipment. */
export interface DeviceRecords {
  readonly records: readonly StepRecord[]
  readonly photos: readonly Photo[]
  readonly faults: readonly Fault[]
}

/** How far a log has come. */
export interface Log {
  readonly done: number
  readonly total: number
  readonly mark: Mark
  readonly nextStepId: string | null
}

interface Logged {
  readonly steps: readonly StepState[]
  /** Recorded for an older plan: what the plan as it stands no longer asks for. */
  readonly earlier: readonly EarlierStep[]
  readonly log: Log
}

/** Steps with what is recorded of them. */
export function logOf(tasks: readonly Step[], { records, photos }: DeviceRecords, units: UnitSystem): Logged {
  const taken = new Map<string, number>()
  for (const { stepId } of photos) if (stepId !== null) taken.set(stepId, (taken.get(stepId) ?? 0) + 1)
  const photosOf = (stepId: string) => taken.get(stepId) ?? 0
  const byStep = new Map(records.map((record) => [record.stepId, record]))
  const steps = tasks.map((step): StepState => {
    const record = byStep.get(step.id) ?? null
    const photos = photosOf(step.id)
    if (!record) return { step, record, photos, verdict: null, says: '' }
    const { verdict, says } = judge(step, record, photos, units)
    return { step, record, photos, verdict, says: `${says}${askedThen(step.title, record.title)}` }
  })
  const done = steps.filter(({ record }) => record !== null).length
  return {
    steps,
    earlier: earlierSteps(records, new Set(tasks.map(({ id }) => id)), photosOf, units),
    log: {
      done,
      total: steps.length,
      nextStepId: steps.find(({ record }) => record === null)?.step.id ?? null,
      mark: logMark(steps, done),
    },
  }
}

/** What the step asked when it was recorded, where the plan has made another of it since. */
const askedThen = (title: string, then: string): string =>
  then === '' || then === title ? '' : ` It asked then: ${inSentence(then)}.`

/** The gravest of what was measured; done when nothing is left. */
function logMark(steps: readonly StepState[], done: number): Mark {
  if (steps.length === 0) return 'not planned'
  if (steps.some(({ verdict }) => verdict === 'stop')) return 'stop'
  if (steps.some(({ verdict }) => verdict === 'check')) return 'check'
  return done === steps.length ? 'done' : 'ready'
}

/** How something stands of which only the log is asked. */
export function oldSentence(
  lead: string,
  { done, total }: Pick<Log, 'done' | 'total'>,
  next: string | null,
): string {
  if (next === null) return `${lead} Every step is recorded.`
  return `${lead} ${done === 0 ? '' : `${done} of ${total} steps are recorded. `}Next: ${next}.`
}
