import { byGravity, type Finding, type StageAssessment } from '../findings'
import type { Job, Run } from '../job/job'
import { whileSame } from '../once'
import { ownIdsIn, wordsBefore, type Catalogue, type Neighbours, type OnPlan } from '../parts'
import { contradictionFinding, inForcedOrder, withMark, type Step } from '../procedure'
import type { Draw } from '../power'
import { assessRoute, planFindings, type RouteStrip } from '../route'
import {
  CARRIES,
  endsInWords,
  portsAt,
  routeOf,
  runContext,
  runFindings,
  runTasks,
  runVolts,
  unjudgedRun,
  type RunOf,
} from '../run'
import { inSentence } from '../units'
import { measuredOf } from './device'
import type { DeviceRecords } from './log'
import { lacking, markedAssessment, type MarkedAssessment } from './marked'
import { unreadOfStage } from './unread'

/** What one run comes to. */
export interface RunAssessment extends MarkedAssessment {
  /** What it carries, and its two ends with their ports. */
  readonly carries: string
  readonly ends: string
  readonly cable: string
  /** Ports that it can end in, as they are recorded, the end that it comes from first. */
  readonly ports: readonly [from: readonly string[], to: readonly string[]]
  /** What the plan says of its cable; null where it says nothing. */
  readonly onPlan: OnPlan | null
  /** Null where the catalogue lacks a part. */
  readonly way: Omit<StageAssessment<RouteStrip>, 'findings'> | null
  /** What it takes of the supply that feeds it. */
  readonly draw: Draw | null
}

/** What of a job its runs rest on. */
type Of = Pick<
  Job,
  'devices' | 'equipment' | 'runs' | 'ownParts' | 'policies' | 'allowances' | 'mainsV' | 'units'
>

interface Planned extends Pick<RunAssessment, 'carries' | 'ends' | 'cable' | 'ports' | 'way' | 'draw'> {
  readonly steps: readonly Step[]
  readonly findings: readonly Finding[]
  readonly unjudged: readonly string[]
}

/** The stages that judge a run. */
const STAGES = ['route', 'terminate', 'power'] as const

const plannedOf = whileSame<Run, Planned>()

/** Everything that the plan of a run rests on, in words or as the very object. */
function groundOf(
  { run, cable, ends, conduits, before, measured, printed, catalogue, ...of }: RunOf,
  onPlan: OnPlan | null,
) {
  const led = onPlan && 'segments' in onPlan ? onPlan.segments : []
  const beside = [...run.segments, ...led].flatMap(({ conduitName }) => conduits.get(conduitName) ?? [])
  return [
    catalogue,
    cable,
    of.mainsV,
    of.replaced,
    of.allowances,
    of.policies,
    measured.installedM,
    printed(1, 'length'),
    beside.join(),
    wordsBefore(before),
    JSON.stringify(onPlan),
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
const planned = (context: RunOf, job: Pick<Of, 'ownParts'>, onPlan: OnPlan | null): Planned =>
  plannedOf(context.run, groundOf(context, onPlan), () => plannedFromScratch(context, job, onPlan))

function plannedFromScratch(context: RunOf, job: Pick<Of, 'ownParts'>, onPlan: OnPlan | null): Planned {
  const { run, cable, ends } = context
  const own = ownIdsIn(run)
  const ownParts = job.ownParts.filter(({ id }) => own.has(id))
  const route = routeOf(run)
  const { findings: entered, ...way } = assessRoute(context, route)
  const onTheWay = onPlan ? [...entered, ...planFindings(context, route, onPlan, entered)] : entered
  const { steps, contradictions } = inForcedOrder(runTasks(context))
  const unread = run.state === 'taken away' ? [] : STAGES.map((stage) => unreadOfStage(stage, ownParts))
  return {
    carries: CARRIES[run.carries].name,
    ends: endsInWords(context),
    cable: cable.name,
    ports: [portsAt(ends[0], run.carries), portsAt(ends[1], run.carries)],
    unjudged: unjudgedRun(context),
    way,
    draw: drawOf(context),
    steps: withMark(steps, run.mark),
    findings: byGravity([
      ...runFindings(context, onTheWay),
      ...contradictions.map(contradictionFinding),
      ...unread.filter((one) => one !== null),
    ]),
  }
}

/** Of a low-voltage run: what its supply gives for it, at which of its ports. */
function drawOf(context: RunOf): Draw | null {
  const volts = runVolts(context)
  if (volts === null) return null
  const { source, drawW } = volts
  const port = /-(\d+)$/.exec(source.port ?? '')?.[1]
  return { supplyId: source.id, mark: context.run.mark, port: port ? Number(port) : null, drawW }
}

const assessed = whileSame<Run, RunAssessment>()

/** Everything computed for one run: the very same while nothing that it rests on has changed. */
export function assessRun(
  run: Run,
  job: Of,
  catalogue: Catalogue,
  neighbours: Neighbours,
  recorded: DeviceRecords,
): RunAssessment {
  const { records, photos, faults } = recorded
  const restsOn = [
    ...[catalogue, neighbours, records, photos, faults, job.devices, job.equipment, job.runs],
    ...[job.ownParts, job.policies, job.allowances, job.mainsV, job.units],
  ]
  return assessed(run, restsOn, () => runFromScratch(run, job, catalogue, neighbours, recorded))
}

function runFromScratch(
  run: Run,
  job: Of,
  catalogue: Catalogue,
  neighbours: Neighbours,
  recorded: DeviceRecords,
): RunAssessment {
  const { installedM } = measuredOf(recorded.records)
  const context = runContext(run, job, catalogue, installedM, neighbours)
  const onPlan = neighbours.ways.get(run.id) ?? null
  if ('missing' in context)
    return {
      ...lacking(run, context.missing, recorded, job.units),
      carries: CARRIES[run.carries].name,
      ends: '',
      cable: run.cableId,
      ports: [[], []],
      onPlan,
      way: null,
      draw: null,
    }
  const made = planned(context, job, onPlan)
  const { carries, ends, cable, ports, way, draw } = made
  const what = `${carries}: ${inSentence(cable)}`
  return {
    ...markedAssessment(run, made, what, recorded, job.units),
    carries,
    ends,
    cable,
    ports,
    onPlan,
    way,
    draw,
  }
}
