import { byGravity, gravest, worstOf, type Finding, type StageAssessment, type Verdict } from '../findings'
import type { Job, Run } from '../job/job'
import { ownIdsIn, type Catalogue, type Neighbours, type OwnPart } from '../parts'
import {
  contradictionFinding,
  inForcedOrder,
  type EarlierStep,
  type Step,
  type StepState,
} from '../procedure'
import { assessRoute, type RouteStrip } from '../route'
import {
  CARRIES,
  endsInWords,
  portsAt,
  routeOf,
  runContext,
  runFindings,
  runTasks,
  unjudgedRun,
  type RunOf,
} from '../run'
import { proposedFaults, type FaultProposal } from '../test'
import { inSentence } from '../units'
import { measuredOf } from './device'
import { logOf, oldSentence, type DeviceRecords, type Log } from './log'
import { unreadOfStage } from './unread'

/** What one run comes to. */
export interface RunAssessment {
  /** Its id: steps, photos and faults name it as they name a device. */
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  /** What it carries, and its two ends with their ports. */
  readonly carries: string
  readonly ends: string
  readonly cable: string
  /** Ports that it can end in, as they are recorded, the end that it comes from first. */
  readonly ports: readonly [from: readonly string[], to: readonly string[]]
  /** Null where the catalogue lacks a part. */
  readonly way: Omit<StageAssessment<RouteStrip>, 'findings'> | null
  readonly findings: readonly Finding[]
  readonly unjudged: readonly string[]
  readonly steps: readonly StepState[]
  readonly earlier: readonly EarlierStep[]
  readonly log: Log
  readonly proposedFaults: readonly FaultProposal[]
  readonly verdict: Verdict
  readonly sentence: string
}

/** What of a job its runs rest on. */
type Of = Pick<
  Job,
  'devices' | 'equipment' | 'runs' | 'ownParts' | 'policies' | 'allowances' | 'mainsV' | 'units'
>

interface Planned extends Pick<RunAssessment, 'carries' | 'ends' | 'cable' | 'ports' | 'unjudged'> {
  readonly restsOn: readonly unknown[]
  readonly way: NonNullable<RunAssessment['way']>
  readonly steps: readonly Step[]
  readonly findings: readonly Finding[]
}

/** The stages that judge a run. */
const STAGES = ['route', 'terminate'] as const

const KNOWN = new WeakMap<Run, Planned>()

/** Everything that the plan of a run rests on, in words or as the very object. */
function groundOf({ run, cable, ends, conduits, measured, printed, ...of }: RunOf, own: readonly OwnPart[]) {
  const shared = run.segments.flatMap(({ conduitName }) => conduits.get(conduitName) ?? [])
  return [
    cable,
    of.mainsV,
    of.replaced,
    of.allowances,
    of.policies,
    measured.installedM,
    printed(1, 'length'),
    shared.join(),
    ...own,
    ...ends.flatMap(({ part, camera, connector, shared, mark, name, state, place, outdoors, onPole }) => [
      part,
      camera,
      connector,
      shared.map((use) => `${use.mark} ${use.name}`).join(),
      [mark, name, state, place, outdoors, onPole].join(),
    ]),
  ]
}

/** What rests on its plan: the same as before while nothing of what it rests on has changed. */
function planned(context: RunOf, job: Pick<Of, 'ownParts'>): Planned {
  const { run, cable, ends } = context
  const ids = job.ownParts.length > 0 ? ownIdsIn(run) : NO_IDS
  const entered = job.ownParts.filter(({ id }) => ids.has(id))
  const restsOn = groundOf(context, entered)
  const known = KNOWN.get(run)
  if (known?.restsOn.length === restsOn.length && known.restsOn.every((one, i) => one === restsOn[i]))
    return known
  const { findings: onTheWay, ...way } = assessRoute(context, routeOf(run))
  const { steps, contradictions } = inForcedOrder(runTasks(context))
  const unread = run.state === 'taken away' ? [] : STAGES.map((stage) => unreadOfStage(stage, entered))
  const made: Planned = {
    restsOn,
    carries: CARRIES[run.carries].name,
    ends: endsInWords(context),
    cable: cable.name,
    ports: [portsAt(ends[0], run.carries), portsAt(ends[1], run.carries)],
    unjudged: unjudgedRun(context),
    way,
    steps,
    findings: byGravity([
      ...runFindings(context, onTheWay),
      ...contradictions.map(contradictionFinding),
      ...unread.filter((one) => one !== null),
    ]),
  }
  KNOWN.set(run, made)
  return made
}

const NO_IDS: ReadonlySet<string> = new Set()

/** Everything computed for one run. */
export function assessRun(
  run: Run,
  job: Of,
  catalogue: Catalogue,
  neighbours: Neighbours,
  recorded: DeviceRecords,
): RunAssessment {
  const { id: deviceId, mark, name, state } = run
  const about = { deviceId, mark, name }
  const { installedM } = measuredOf(recorded.records)
  const context = runContext(run, job, catalogue, installedM, neighbours)
  if ('missing' in context)
    return {
      ...about,
      carries: CARRIES[run.carries].name,
      ends: '',
      cable: run.cableId,
      ports: [[], []],
      way: null,
      findings: [],
      unjudged: [],
      ...logOf([], recorded, job.units),
      proposedFaults: [],
      verdict: 'stop',
      sentence: `The catalogue lacks ${context.missing.join(', ')}. Choose other parts.`,
    }
  const { restsOn: _, steps: tasks, ...made } = planned(context, job)
  const { steps, earlier, log } = logOf(tasks, recorded, job.units)
  const next = steps.find(({ step }) => step.id === log.nextStepId)?.step.title ?? null
  const worst = worstOf(made.findings)
  const lead = {
    'new': `${made.carries}: ${inSentence(made.cable)}.`,
    'kept': 'Was there and stays.',
    'taken away': 'Was there; is taken away.',
  }[state]
  return {
    ...about,
    ...made,
    steps,
    earlier,
    log,
    proposedFaults: proposedFaults(deviceId, steps, recorded.faults),
    verdict: gravest(made.findings),
    sentence: worst
      ? `${worst.verdict === 'stop' ? 'Stopped' : 'One look first'}: ${inSentence(worst.title)}. ${worst.advice}`
      : oldSentence(lead, log, next),
  }
}
