import { inSentence } from '../units'
import { gravest, PLANNED_STAGES, type Finding, type PlannedStage, type Verdict } from '../findings'
import type { Device, Fault, Photo, StepRecord } from '../job/job'
import type { Catalogue, JobSettings, Measured, Neighbours } from '../parts'
import { earlierSteps, judge, type EarlierStep, type StepState } from '../procedure'
import type { Missing } from '../stages/table'
import { proposedFaults, type FaultProposal } from '../test'
import { plannedFromScratch, type PlannedDevice, type PlannedStageState } from './planned'

/** The mark of a board cell. */
export type Mark = 'not planned' | 'ready' | 'done' | 'check' | 'stop'

/** One stage of one device, with its mark. */
export type StageState<S extends PlannedStage> = PlannedStageState<S> & { readonly mark: Mark }

/** A stage is null while the job lacks what it rests on: no supply that feeds the camera. */
export type DeviceStages = { readonly [S in PlannedStage]: StageState<S> | Missing<S> }

export interface DeviceAssessment {
  /** Not computed yet: nothing is said of it. */
  readonly pending: boolean
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  /** Ids that the catalogue lacks; the stages are null then. */
  readonly missing: readonly string[]
  readonly stages: DeviceStages | null
  /** Findings of the planned stages only. */
  readonly findings: readonly Finding[]
  readonly steps: readonly StepState[]
  /** Recorded for an older plan: what the plan as it stands no longer asks for. */
  readonly earlier: readonly EarlierStep[]
  readonly log: {
    readonly done: number
    readonly total: number
    readonly mark: Mark
    readonly nextStepId: string | null
  }
  readonly proposedFaults: readonly FaultProposal[]
  readonly verdict: Verdict
  readonly sentence: string
}

const UNKNOWN: Omit<DeviceAssessment, 'deviceId' | 'mark' | 'name'> = {
  pending: true,
  missing: [],
  stages: null,
  findings: [],
  steps: [],
  earlier: [],
  log: { done: 0, total: 0, mark: 'not planned', nextStepId: null },
  proposedFaults: [],
  verdict: 'check',
  sentence: 'Being computed.',
}

/** A device of which nothing is computed yet. */
export const pendingDevice = ({ id, mark, name }: Device): DeviceAssessment => ({
  ...UNKNOWN,
  deviceId: id,
  mark,
  name,
})

/** What of the job is recorded on one device. */
export interface DeviceRecords {
  readonly records: readonly StepRecord[]
  readonly photos: readonly Photo[]
  readonly faults: readonly Fault[]
}

const NOTHING: DeviceRecords = { records: [], photos: [], faults: [] }

/** What the log has measured and the stages reckon with from then on. */
export function measuredOf(records: readonly StepRecord[]): Measured {
  const value = (id: string) => {
    const read = records.find(({ stepId, state }) => stepId === id && state === 'done')?.value ?? null
    return read !== null && read > 0 ? read : null
  }
  return { installedM: value('route/length'), cableMm: value('seal/cable'), volts: value('power/volts') }
}

/** Everything computed for one device, from nothing. Pure and total. */
export function assessDevice(
  device: Device,
  job: JobSettings,
  catalogue: Catalogue,
  recorded: DeviceRecords = NOTHING,
  neighbours?: Neighbours,
): DeviceAssessment {
  const planned = plannedFromScratch(device, job, catalogue, measuredOf(recorded.records), neighbours)
  return withLog(planned, job.units, recorded)
}

const MADE_OF = new WeakMap<DeviceAssessment, PlannedDevice>()

/** The planned half that an assessment was made of. */
export const plannedHalf = (assessed: DeviceAssessment): PlannedDevice | undefined => MADE_OF.get(assessed)

/** A planned device with what is recorded on it. */
export function withLog(
  planned: PlannedDevice,
  units: JobSettings['units'],
  recorded: DeviceRecords,
): DeviceAssessment {
  const made = logged(planned, units, recorded)
  MADE_OF.set(made, planned)
  return made
}

function logged(
  { device, missing, stages: plans, findings, steps: tasks }: PlannedDevice,
  units: JobSettings['units'],
  recorded: DeviceRecords,
): DeviceAssessment {
  const about = { pending: false, deviceId: device.id, mark: device.mark, name: device.name }
  const taken = new Map<string, number>()
  for (const { stepId } of recorded.photos)
    if (stepId !== null) taken.set(stepId, (taken.get(stepId) ?? 0) + 1)
  const photosOf = (stepId: string) => taken.get(stepId) ?? 0
  if (!plans) {
    return {
      ...about,
      missing,
      stages: null,
      findings,
      steps: [],
      earlier: earlierSteps(recorded.records, new Set(), photosOf, units),
      log: { done: 0, total: 0, mark: 'not planned', nextStepId: null },
      proposedFaults: [],
      verdict: 'stop',
      sentence: `The catalogue lacks ${missing.join(', ')}. Choose other parts.`,
    }
  }
  const records = new Map(recorded.records.map((record) => [record.stepId, record]))
  const steps = tasks.map((step): StepState => {
    const record = records.get(step.id) ?? null
    const photos = photosOf(step.id)
    return record
      ? { step, record, photos, ...judge(step, record, photos, units) }
      : { step, record, photos, verdict: null, says: '' }
  })
  const stages = Object.fromEntries(
    PLANNED_STAGES.map((name) => {
      const state = plans[name]
      return [name, state && { ...state, mark: state.planned ? markOf(state, steps, name) : 'not planned' }]
    }),
  ) as unknown as DeviceStages
  const done = steps.filter(({ record }) => record !== null).length
  const next = steps.find(({ record }) => record === null)
  return {
    ...about,
    missing,
    stages,
    findings,
    steps,
    earlier: earlierSteps(recorded.records, new Set(tasks.map(({ id }) => id)), photosOf, units),
    log: {
      done,
      total: steps.length,
      nextStepId: next?.step.id ?? null,
      mark: logMark(steps, done),
    },
    proposedFaults: proposedFaults(device.id, steps, recorded.faults),
    verdict: gravest(findings),
    sentence: deviceSentence(stages, findings, done, steps.length, next?.step.title ?? null),
  }
}

/** The gravest of what was measured; done when nothing is left. */
function logMark(steps: readonly StepState[], done: number): Mark {
  if (steps.length === 0) return 'not planned'
  if (steps.some(({ verdict }) => verdict === 'stop')) return 'stop'
  if (steps.some(({ verdict }) => verdict === 'check')) return 'check'
  return done === steps.length ? 'done' : 'ready'
}

function markOf(
  { result }: { readonly result: { readonly findings: readonly Finding[] } },
  steps: readonly StepState[],
  stage: PlannedStage,
): Mark {
  const verdict: Verdict = gravest(result.findings)
  if (verdict !== 'good') return verdict
  const own = steps.filter(({ step }) => step.stage === stage)
  return own.length > 0 && own.every(({ record }) => record !== null) ? 'done' : 'ready'
}

function deviceSentence(
  stages: DeviceStages,
  findings: readonly Finding[],
  done: number,
  total: number,
  next: string | null,
): string {
  const open = PLANNED_STAGES.filter((name) => !stages[name]?.planned)
  const worst =
    findings.find(({ verdict }) => verdict === 'stop') ?? findings.find(({ verdict }) => verdict === 'check')
  if (open.length === PLANNED_STAGES.length) return 'Nothing is planned yet. Start with what it should see.'
  if (worst?.verdict === 'stop')
    return `Stopped at ${worst.stage}: ${inSentence(worst.title)}. ${worst.advice}`
  if (open.length > 0)
    return `${open.map((name) => name[0]!.toUpperCase() + name.slice(1)).join(', ')} ${open.length === 1 ? 'is' : 'are'} still to plan.`
  if (total > 0 && done === total) return 'Every step is recorded.'
  const begun =
    done === 0 ? 'Planned throughout; ready to install.' : `${done} of ${total} steps are recorded.`
  const lead = worst ? `One look at ${worst.stage} first: ${inSentence(worst.title)}.` : begun
  return next === null ? lead : `${lead} Next: ${next}.`
}
