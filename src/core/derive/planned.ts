import { PLANNED_STAGES, type Finding, type PlannedStage, type StageAssessment } from '../findings'
import type { Device } from '../job/job'
import { resolve, type Catalogue, type JobSettings, type Measured, type Neighbours } from '../parts'
import { contradictionFinding, hiddenFinding, type Step } from '../procedure'
import type { Plans } from '../stages/plans'
import { stepsOf } from '../stages/steps'
import type { Stage } from '../stages/stage'
import { STAGE_TABLE, type DrawingOf, type Missing } from '../stages/table'
import { unreadOfStage } from './unread'

/** What one stage of a device comes to: as planned, or as proposed as long as nothing was. */
export interface PlannedStageState<S extends PlannedStage> {
  readonly planned: boolean
  readonly input: Plans[S]
  readonly result: StageAssessment<DrawingOf<S>>
  /** What is not judged of it, each with the reason. */
  readonly unjudged: readonly string[]
}

export type PlannedStages = { readonly [S in PlannedStage]: PlannedStageState<S> | Missing<S> }

/** Everything of a device that rests on its plans and on what was measured, not on the rest of its log. */
export interface PlannedDevice {
  readonly device: Device
  readonly measured: Measured
  /** Ids that the catalogue lacks; there are no stages then. */
  readonly missing: readonly string[]
  readonly stages: PlannedStages | null
  /** Of the planned stages only. */
  readonly findings: readonly Finding[]
  readonly steps: readonly Step[]
}

/** A device's plans assessed, from nothing. */
export function plannedFromScratch(
  device: Device,
  job: JobSettings,
  catalogue: Catalogue,
  measured: Measured,
  neighbours?: Neighbours,
): PlannedDevice {
  const context = resolve(device, job, catalogue, measured, neighbours)
  if ('missing' in context) {
    return { device, measured, missing: context.missing, stages: null, findings: [], steps: [] }
  }
  const stageOf = (name: PlannedStage) => {
    const stage = STAGE_TABLE[name] as Stage<unknown, unknown>
    const plan = device.state === 'taken away' ? null : device[name]
    const input = plan ?? stage.propose(context)
    const result = input === null ? null : stage.assess(context, input)
    return result && { planned: plan !== null, input, result, unjudged: stage.unjudged(context, input) }
  }
  const { steps, contradictions, hidden } = stepsOf(context)
  const assessed = Object.fromEntries(PLANNED_STAGES.map((name) => [name, stageOf(name)]))
  const stages = withFindings(assessed as unknown as PlannedStages, (name) => [
    // Steps that wait for each other, or that nobody can do, stop the mount: its mark and its cell say so.
    ...(name === 'mount' ? [...contradictions.map(contradictionFinding), ...hidden.map(hiddenFinding)] : []),
    ...[unreadOfStage(name, context.ownParts)].filter((one) => one !== null),
  ])
  const findings = PLANNED_STAGES.flatMap((name) =>
    stages[name]?.planned ? stages[name].result.findings : [],
  )
  return { device, measured, missing: [], stages, findings, steps }
}

/** Stages with findings that more than one of them can have. */
function withFindings(
  stages: PlannedStages,
  more: (name: PlannedStage) => readonly Finding[],
): PlannedStages {
  const all = Object.entries(stages) as [PlannedStage, PlannedStages[PlannedStage]][]
  const made = all.map(([name, stage]) => {
    const added = stage ? more(name) : []
    if (stage === null || added.length === 0) return [name, stage]
    return [name, { ...stage, result: { ...stage.result, findings: [...stage.result.findings, ...added] } }]
  })
  return Object.fromEntries(made) as PlannedStages
}
