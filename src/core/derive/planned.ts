import { PLANNED_STAGES, type Finding, type PlannedStage, type StageAssessment } from '../findings'
import type { Device } from '../job/job'
import {
  besideOf,
  resolve,
  wordsBefore,
  type Alike,
  type Beside,
  type Catalogue,
  type DeviceContext,
  type JobSettings,
  type Measured,
  type Neighbours,
  type OnPlan,
} from '../parts'
import { assessRoute, planFindings, unjudgedRoute } from '../route'
import { contradictionFinding, hiddenFinding, withMark, type Step } from '../procedure'
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

/** Everything of devices that are alike: all but what a look round from their own places adds. */
interface Group {
  readonly context: DeviceContext
  readonly stages: PlannedStages
  readonly findings: readonly Finding[]
  readonly steps: readonly Step[]
}

/** A device's plans assessed, from nothing. */
export const plannedFromScratch = (
  device: Device,
  job: JobSettings,
  catalogue: Catalogue,
  measured: Measured,
  neighbours?: Neighbours,
): PlannedDevice => planning(job, catalogue, neighbours)(device, measured)

/**
 * Assesses plans of one job's devices one by one. A job is a few kits many times over: what rests on the same
 * is computed once. What stages see of a device (`Alike`) is all that it can rest on.
 */
export function planning(
  job: JobSettings,
  catalogue: Catalogue,
  neighbours?: Neighbours,
): (device: Device, measured: Measured) => PlannedDevice {
  const known = new Map<string, Group | readonly string[]>()
  return (device, measured) => {
    const beside = besideOf(device, neighbours)
    const alike = alikeOf(device)
    const { tails, staying, replaced, before } = beside
    const key = JSON.stringify([alike, measured, tails, staying, replaced, wordsBefore(before)])
    let group = known.get(key)
    if (!group) known.set(key, (group = groupOf(alike, job, catalogue, measured, beside)))
    if (!('context' in group))
      return { device, measured, missing: group, stages: null, findings: [], steps: [] }
    const looked = withLook(group, device, job)
    const stages = withWay(looked, group.context, device, neighbours?.ways.get(device.id))
    const findings = stages === group.stages ? group.findings : findingsOf(stages)
    return { device, measured, missing: [], stages, findings, steps: withMark(group.steps, device.mark) }
  }
}

function alikeOf({ id: _, mark: _mark, name: _name, details: _details, ...device }: Device): Alike {
  if (device.sight === null) return { ...device, sight: null }
  const { place: _place, ...sight } = device.sight
  return { ...device, sight }
}

/** The group of a device, or the ids that the catalogue lacks. */
function groupOf(
  alike: Alike,
  job: JobSettings,
  catalogue: Catalogue,
  measured: Measured,
  beside: Beside,
): Group | readonly string[] {
  const context = resolve(alike, { ...job, ...NOWHERE }, catalogue, measured, beside)
  if ('missing' in context) return context.missing
  const { steps, contradictions, hidden } = stepsOf(context)
  const planOf = (name: PlannedStage) => {
    if (name !== 'sight') return alike[name]
    return alike.sight && { ...alike.sight, place: null }
  }
  const assessed = Object.fromEntries(
    PLANNED_STAGES.map((name) => {
      const stage = STAGE_TABLE[name] as Stage<unknown, unknown>
      const plan = alike.state === 'taken away' ? null : planOf(name)
      const input = plan ?? stage.propose(context)
      const result = input === null ? null : stage.assess(context, input)
      return [
        name,
        result && { planned: plan !== null, input, result, unjudged: stage.unjudged(context, input) },
      ]
    }),
  )
  const stages = withFindings(assessed as unknown as PlannedStages, (name) => [
    // Steps that wait for each other, or that nobody can do, stop the mount: its mark and its cell say so.
    ...(name === 'mount' ? [...contradictions.map(contradictionFinding), ...hidden.map(hiddenFinding)] : []),
    ...unreadOf(name, context),
  ])
  return { context, stages, findings: findingsOf(stages), steps }
}

const NOWHERE: Pick<JobSettings, 'site' | 'things'> = { site: null, things: [] }

/** Sight alone looks round from where a device stands; the rest is the group's. */
function withLook({ context, stages }: Group, device: Device, job: JobSettings): PlannedStages {
  const { sight } = device
  if (!sight?.place || !stages.sight?.planned) return stages
  const { site, things, floorHeightsM } = job
  const round = { ...context, site, things, floorHeightsM }
  const result = STAGE_TABLE.sight.assess(round, sight)
  const looked = { ...stages.sight, input: sight, result, unjudged: STAGE_TABLE.sight.unjudged(round, sight) }
  return withFindings({ ...stages, sight: looked }, (name) =>
    name === 'sight' ? unreadOf(name, context) : [],
  )
}

/** The plan's pathways say of a route whether it agrees, and start one that nobody has entered. */
function withWay(
  stages: PlannedStages,
  context: DeviceContext,
  { route }: Device,
  onPlan: OnPlan | undefined,
): PlannedStages {
  if (!onPlan || !stages.route) return stages
  if (route) {
    const found = planFindings(context, route, onPlan, stages.route.result.findings)
    return found.length > 0 ? withFindings(stages, (name) => (name === 'route' ? found : [])) : stages
  }
  if ('none' in onPlan) return stages
  const input = { ...stages.route.input, segments: [...onPlan.segments] }
  const result = assessRoute(context, input)
  return { ...stages, route: { planned: false, input, result, unjudged: unjudgedRoute(context, input) } }
}

const unreadOf = (name: PlannedStage, { ownParts }: DeviceContext): readonly Finding[] =>
  [unreadOfStage(name, ownParts)].filter((one) => one !== null)

const findingsOf = (stages: PlannedStages): readonly Finding[] =>
  PLANNED_STAGES.flatMap((name) => (stages[name]?.planned ? stages[name].result.findings : []))

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
