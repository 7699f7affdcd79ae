import { inSentence } from '../units'
import { gravest, PLANNED_STAGES, type Finding, type PlannedStage, type Verdict } from '../findings'
import type { State } from '../job/choices'
import type { Device, StepRecord } from '../job/job'
import type { Catalogue, JobSettings, Measured, Neighbours } from '../parts'
import { PIN_SCHEME_FOUND, type StepState } from '../procedure'
import type { Missing } from '../stages/table'
import { proposedFaults } from '../test'
import { logOf, oldSentence, type DeviceRecords, type Log, type Mark } from './log'
import type { MarkedAssessment } from './marked'
import { plannedFromScratch, type PlannedDevice, type PlannedStageState } from './planned'

/** One stage of one device, with its mark. */
export type StageState<S extends PlannedStage> = PlannedStageState<S> & { readonly mark: Mark }

/** A stage is null while the job lacks what it rests on: no supply that feeds the camera. */
export type DeviceStages = { readonly [S in PlannedStage]: StageState<S> | Missing<S> }

export interface DeviceAssessment extends Omit<MarkedAssessment, 'unjudged'> {
  /** Not computed yet: nothing is said of it. */
  readonly pending: boolean
  readonly state: State
  /** Ids that the catalogue lacks; the stages are null then. */
  readonly missing: readonly string[]
  readonly stages: DeviceStages | null
  /** Findings of the planned stages only. */
  readonly findings: readonly Finding[]
}

const UNKNOWN: Omit<DeviceAssessment, 'deviceId' | 'mark' | 'name' | 'state'> = {
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
export const pendingDevice = ({ id, mark, name, state }: Device): DeviceAssessment => ({
  ...UNKNOWN,
  deviceId: id,
  mark,
  name,
  state,
})

/** Of what nothing is recorded. */
export const NOTHING: DeviceRecords = { records: [], photos: [], faults: [] }

/** What the log has measured and the stages reckon with from then on. */
export function measuredOf(records: readonly StepRecord[]): Measured {
  const value = (id: string) => {
    const read = records.find(({ stepId, state }) => stepId === id && state === 'done')?.value ?? null
    return read !== null && read > 0 ? read : null
  }
  const found = records.find(({ stepId, state }) => stepId === 'mount/replaced' && state === 'done')?.choice
  return {
    installedM: value('route/length'),
    cableMm: value('seal/cable'),
    volts: value('power/volts'),
    pinScheme: PIN_SCHEME_FOUND[found ?? ''] ?? null,
  }
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
  const about = {
    pending: false,
    deviceId: device.id,
    mark: device.mark,
    name: device.name,
    state: device.state,
  }
  if (!plans) {
    return {
      ...about,
      missing,
      stages: null,
      findings,
      ...logOf([], recorded, units),
      proposedFaults: [],
      verdict: 'stop',
      sentence: `The catalogue lacks ${missing.join(', ')}. Choose other parts.`,
    }
  }
  const { steps, earlier, log } = logOf(tasks, recorded, units)
  const stages = Object.fromEntries(
    PLANNED_STAGES.map((name) => {
      const state = plans[name]
      return [name, state && { ...state, mark: state.planned ? markOf(state, steps, name) : 'not planned' }]
    }),
  ) as unknown as DeviceStages
  const next = steps.find(({ step }) => step.id === log.nextStepId)?.step.title ?? null
  return {
    ...about,
    missing,
    stages,
    findings,
    steps,
    earlier,
    log,
    proposedFaults: proposedFaults(device.id, steps, recorded.faults),
    verdict: gravest(findings),
    sentence: deviceSentence(device.state, stages, findings, log, next),
  }
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
  state: State,
  stages: DeviceStages,
  findings: readonly Finding[],
  { done, total }: Log,
  next: string | null,
): string {
  if (state === 'taken away') return oldSentence('Was there; is taken away.', { done, total }, next)
  const open = PLANNED_STAGES.filter((name) => !stages[name]?.planned)
  const worst =
    findings.find(({ verdict }) => verdict === 'stop') ?? findings.find(({ verdict }) => verdict === 'check')
  if (state === 'kept' && worst?.verdict !== 'stop')
    return oldSentence('Was there and stays: what is not planned is not judged.', { done, total }, next)
  if (open.length === PLANNED_STAGES.length) return 'Nothing is planned yet. Start with what it should see.'
  if (worst?.verdict === 'stop')
    return `Stopped at ${worst.stage}: ${inSentence(worst.title)}. ${worst.advice}`
  if (open.length > 0)
    return (
      `${open.map((name) => name[0]!.toUpperCase() + name.slice(1)).join(', ')} ` +
      `${open.length === 1 ? 'is' : 'are'} still to plan.`
    )
  if (total > 0 && done === total) return 'Every step is recorded.'
  const begun =
    done === 0 ? 'Planned throughout; ready to install.' : `${done} of ${total} steps are recorded.`
  const lead = worst ? `One look at ${worst.stage} first: ${inSentence(worst.title)}.` : begun
  return next === null ? lead : `${lead} Next: ${next}.`
}
