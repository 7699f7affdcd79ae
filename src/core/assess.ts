import {
  gravest,
  PLANNED_STAGES,
  type Finding,
  type PlannedStage,
  type StageAssessment,
  type Verdict,
} from './findings'
import type {
  Device,
  Fault,
  Job,
  Mount,
  Photo,
  Power,
  Route,
  Seal,
  Sight,
  StepRecord,
  Terminate,
} from './job/job'
import { assessMount, ladder, proposeMount, type MountSection } from './mount'
import {
  neighboursOf,
  resolve,
  type Catalogue,
  type JobSettings,
  type Measured,
  type Neighbours,
} from './parts'
import { assessPower, assessSupplies, proposePower, type PowerLadder, type SupplyAssessment } from './power'
import { judge, stepsOf, type StepState } from './procedure'
import { assessRoute, proposeRoute, type RouteStrip } from './route'
import { assessSeal, proposeSeal, type SealChain } from './seal'
import { assessSight, proposeSight, type Elevation } from './sight'
import { assessTerminate, proposeTerminate, type CableEnds } from './terminate'
import { proposedFaults, type FaultProposal } from './test'
import { print } from './units'

/** The mark of a board cell. */
export type Mark = 'not planned' | 'ready' | 'done' | 'check' | 'stop'

/** One stage of one device: what was planned, or what is proposed as long as nothing was. */
export interface StageState<Input, Drawing> {
  readonly planned: boolean
  readonly input: Input
  readonly result: StageAssessment<Drawing>
  readonly mark: Mark
}

export interface DeviceStages {
  readonly sight: StageState<Sight, Elevation>
  readonly mount: StageState<Mount, MountSection>
  readonly route: StageState<Route, RouteStrip>
  readonly terminate: StageState<Terminate, CableEnds>
  readonly seal: StageState<Seal, SealChain>
  /** Null while the job has no supply that feeds the camera. */
  readonly power: StageState<Power, PowerLadder> | null
}

export interface DeviceAssessment {
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  /** Ids that the catalogue lacks; the stages are null then. */
  readonly missing: readonly string[]
  readonly stages: DeviceStages | null
  /** Findings of the planned stages only. */
  readonly findings: readonly Finding[]
  readonly steps: readonly StepState[]
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

export interface Assessment {
  readonly jobId: string
  /** How things stand. */
  readonly sentence: string
  /** What to do next. */
  readonly next: string
  readonly devices: readonly DeviceAssessment[]
  readonly supplies: readonly SupplyAssessment[]
  readonly counts: {
    readonly devices: number
    readonly stopped: number
    readonly checks: number
    readonly unplanned: number
    readonly ready: number
    readonly done: number
  }
}

/** What the list of jobs shows of one. */
export interface JobSummary {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly sentence: string
  readonly stopped: number
  readonly stepsDone: number
  readonly steps: number
  readonly openFaults: number
}

/** A job in one line. */
export function summarise(job: Job, { sentence, counts, devices }: Assessment): JobSummary {
  return {
    id: job.id,
    name: job.name,
    address: job.address,
    sentence,
    stopped: counts.stopped,
    stepsDone: devices.reduce((sum, { log }) => sum + log.done, 0),
    steps: devices.reduce((sum, { log }) => sum + log.total, 0),
    openFaults: job.faults.filter(({ state }) => state !== 'closed').length,
  }
}

/** What of the job is recorded on one device. */
export interface DeviceRecords {
  readonly records: readonly StepRecord[]
  readonly photos: readonly Photo[]
  readonly faults: readonly Fault[]
}

const NOTHING: DeviceRecords = { records: [], photos: [], faults: [] }

/** What the log has measured and the stages reckon with from then on. */
function measuredOf(records: readonly StepRecord[]): Measured {
  const value = (id: string) => {
    const read = records.find(({ stepId, state }) => stepId === id && state === 'done')?.value ?? null
    return read !== null && read > 0 ? read : null
  }
  return { installedM: value('route/length'), cableMm: value('seal/cable'), volts: value('power/volts') }
}

/** Everything computed for one device. Pure and total. */
export function assessDevice(
  device: Device,
  job: JobSettings,
  catalogue: Catalogue,
  on: DeviceRecords = NOTHING,
  neighbours?: Neighbours,
): DeviceAssessment {
  const context = resolve(device, job, catalogue, measuredOf(on.records), neighbours)
  const about = { deviceId: device.id, mark: device.mark, name: device.name }
  if ('missing' in context) {
    return {
      ...about,
      missing: context.missing,
      stages: null,
      findings: [],
      steps: [],
      log: { done: 0, total: 0, mark: 'not planned', nextStepId: null },
      proposedFaults: [],
      verdict: 'stop',
      sentence: `The catalogue lacks ${context.missing.join(', ')}. Choose other parts.`,
    }
  }
  const steps = stepsOf(context).map((step): StepState => {
    const record = on.records.find(({ stepId }) => stepId === step.id) ?? null
    const photos = on.photos.reduce((count, { stepId }) => count + (stepId === step.id ? 1 : 0), 0)
    return record
      ? { step, record, photos, ...judge(step, record, photos, job.units) }
      : { step, record, photos, verdict: null, says: '' }
  })
  const stage = <I, D>(
    name: PlannedStage,
    plan: I | null,
    propose: () => I,
    assess: (input: I) => StageAssessment<D>,
  ): StageState<I, D> => {
    const input = plan ?? propose()
    const result = assess(input)
    return {
      planned: plan !== null,
      input,
      result,
      mark: plan === null ? 'not planned' : markOf(gravest(result.findings), steps, name),
    }
  }
  const { sight, mount, route, terminate, seal } = device
  const power = device.power ?? proposePower(context)
  const powered = power && assessPower(context, power)
  const stages: DeviceStages = {
    sight: stage(
      'sight',
      sight,
      () => proposeSight(context),
      (input) => assessSight(context, input),
    ),
    mount: stage(
      'mount',
      mount,
      () => proposeMount(context),
      (input) => assessMount(context, input),
    ),
    route: stage(
      'route',
      route,
      () => proposeRoute(context),
      (input) => assessRoute(context, input),
    ),
    terminate: stage(
      'terminate',
      terminate,
      () => proposeTerminate(context),
      (input) => assessTerminate(context, input),
    ),
    seal: stage(
      'seal',
      seal,
      () => proposeSeal(context),
      (input) => assessSeal(context, input),
    ),
    power:
      powered &&
      stage(
        'power',
        device.power,
        () => power,
        () => powered,
      ),
  }
  const findings = PLANNED_STAGES.flatMap((name) =>
    stages[name]?.planned ? stages[name].result.findings : [],
  )
  const done = steps.filter(({ record }) => record !== null).length
  const next = steps.find(({ record }) => record === null)
  const verdict = gravest(findings)
  const measured: Verdict = steps.some((state) => state.verdict === 'stop')
    ? 'stop'
    : steps.some((state) => state.verdict === 'check')
      ? 'check'
      : 'good'
  const complete = steps.length > 0 && done === steps.length
  return {
    ...about,
    missing: [],
    stages,
    findings,
    steps,
    log: {
      done,
      total: steps.length,
      nextStepId: next?.step.id ?? null,
      mark: steps.length === 0 ? 'not planned' : measured !== 'good' ? measured : complete ? 'done' : 'ready',
    },
    proposedFaults: proposedFaults(device.id, steps, on.faults),
    verdict,
    sentence: deviceSentence(stages, findings, done, steps.length, next?.step.title ?? null),
  }
}

function markOf(verdict: Verdict, steps: readonly StepState[], stage: PlannedStage): Mark {
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
    return `Stopped at ${worst.stage}: ${worst.title.toLowerCase()}. ${worst.advice}`
  if (open.length > 0)
    return `${open.map((name) => name[0]!.toUpperCase() + name.slice(1)).join(', ')} ${open.length === 1 ? 'is' : 'are'} still to plan.`
  if (total > 0 && done === total) return 'Every step is recorded.'
  const lead = worst
    ? `One look at ${worst.stage} first: ${worst.title.toLowerCase()}.`
    : done === 0
      ? 'Planned throughout; ready to install.'
      : `${done} of ${total} steps are recorded.`
  return next === null ? lead : `${lead} Next: ${next}.`
}

/**
 * Everything computed for a job, from nothing. Pure, total, deterministic: any valid job gives an
 * Assessment.
 */
export function assess(job: Job, catalogue: Catalogue): Assessment {
  return assessAgain(null, job, catalogue)
}

/** An assessment together with the job it was made from. */
export interface Assessed {
  readonly job: Job
  readonly assessment: Assessment
}

/**
 * The same as `assess`, taking over from an earlier assessment every device whose record, and whose part of
 * the job, are the very same objects.
 */
export function assessAgain(before: Assessed | null, job: Job, catalogue: Catalogue): Assessment {
  const sameSettings =
    before !== null &&
    before.job.units === job.units &&
    before.job.policies === job.policies &&
    before.job.allowances === job.allowances &&
    before.job.supplies === job.supplies &&
    before.job.site === job.site &&
    before.job.things === job.things &&
    before.job.windMS === job.windMS &&
    before.job.terrain === job.terrain &&
    before.job.mainsV === job.mainsV &&
    sameConduits(before.job.devices, job.devices, catalogue)
  const sameRecords =
    sameSettings &&
    before.job.records === job.records &&
    before.job.photos === job.photos &&
    before.job.faults === job.faults
  const old = new Map(
    sameRecords ? before.job.devices.map((device, index) => [device, before.assessment.devices[index]!]) : [],
  )
  const neighbours = neighboursOf(job.devices, catalogue)
  const records = groupByDevice(job.records)
  const photos = groupByDevice(job.photos)
  const faults = groupByDevice(job.faults)
  const devices = job.devices.map(
    (device) =>
      old.get(device) ??
      assessDevice(
        device,
        job,
        catalogue,
        {
          records: records.get(device.id) ?? NOTHING.records,
          photos: photos.get(device.id) ?? NOTHING.photos,
          faults: faults.get(device.id) ?? NOTHING.faults,
        },
        neighbours,
      ),
  )
  const draws = job.devices.flatMap((device, index) => {
    const power = devices[index]!.stages?.power
    return power?.planned
      ? [
          {
            supplyId: power.input.supplyId,
            mark: device.mark,
            port: power.input.port,
            drawW: power.result.drawing.drawW,
          },
        ]
      : []
  })
  const counts = count(devices)
  return {
    jobId: job.id,
    ...standing(job, devices, counts),
    devices,
    supplies: assessSupplies(job.supplies, draws, catalogue),
    counts,
  }
}

/** True when every conduit that runs share holds the same cables. */
function sameConduits(before: readonly Device[], after: readonly Device[], catalogue: Catalogue): boolean {
  if (before === after) return true
  const words = (devices: readonly Device[]) => JSON.stringify([...neighboursOf(devices, catalogue).conduits])
  return words(before) === words(after)
}

function groupByDevice<T extends { deviceId: string | null }>(items: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    if (item.deviceId === null) continue
    const group = groups.get(item.deviceId)
    if (group) group.push(item)
    else groups.set(item.deviceId, [item])
  }
  return groups
}

const isDone = ({ log }: DeviceAssessment) => log.total > 0 && log.done === log.total
const isPlanned = ({ stages }: DeviceAssessment) =>
  stages !== null && PLANNED_STAGES.every((name) => stages[name]?.planned)

function count(devices: readonly DeviceAssessment[]): Assessment['counts'] {
  const counts = { devices: devices.length, stopped: 0, checks: 0, unplanned: 0, ready: 0, done: 0 }
  for (const device of devices) {
    if (isDone(device)) counts.done++
    else if (device.verdict === 'stop') counts.stopped++
    else if (!isPlanned(device)) counts.unplanned++
    else if (device.verdict === 'check') counts.checks++
    else counts.ready++
  }
  return counts
}

function standing(
  job: Job,
  devices: readonly DeviceAssessment[],
  counts: Assessment['counts'],
): { sentence: string; next: string } {
  if (counts.devices === 0)
    return {
      sentence: 'No devices yet.',
      next: 'Add the first one: camera, mount, surface, exposure, cable.',
    }
  const parts = [
    counts.done > 0 ? `${counts.done} ${counts.done === 1 ? 'is' : 'are'} done` : null,
    counts.ready > 0 ? `${counts.ready} can be installed` : null,
    counts.stopped > 0 ? `${counts.stopped} ${counts.stopped === 1 ? 'is' : 'are'} stopped` : null,
    counts.checks > 0 ? `${counts.checks} ${counts.checks === 1 ? 'wants' : 'want'} a look` : null,
    counts.unplanned > 0
      ? `${counts.unplanned} ${counts.unplanned === 1 ? 'is' : 'are'} not planned through`
      : null,
  ].filter((part) => part !== null)
  const sentence = `${counts.devices} device${counts.devices === 1 ? '' : 's'}. ${parts.join(', ')}.`
  const open = devices.filter((device) => !isDone(device) && device.verdict !== 'stop' && isPlanned(device))
  const first = open.find(({ log }) => log.done > 0) ?? open[0] ?? devices.find((device) => !isDone(device))
  if (!first) return { sentence, next: 'Everything is recorded: hand over.' }
  const heightM = job.devices.find(({ id }) => id === first.deviceId)?.sight?.heightM
  const climb =
    heightM === undefined
      ? ''
      : `, ladder ${print({ value: ladder(heightM).workingLengthM, kind: 'length' }, job.units)}`
  return { sentence, next: `Next: ${first.mark} ${first.name}${climb}. ${first.sentence}` }
}
