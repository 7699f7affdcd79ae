import { PLANNED_STAGES } from '../findings'
import type { Job } from '../job/job'
import { ladder } from '../mount'
import { oncePer } from '../once'
import type { Draw } from '../power'
import { print } from '../units'
import type { DeviceAssessment } from './device'
import type { EquipmentAssessment } from './equipment'
import type { RunAssessment } from './run'

/** What the devices of a job add up to. */

export interface Assessment {
  readonly jobId: string
  /** How things stand. */
  readonly sentence: string
  /** What to do next. */
  readonly next: string
  readonly devices: readonly DeviceAssessment[]
  readonly equipment: readonly EquipmentAssessment[]
  readonly runs: readonly RunAssessment[]
  readonly counts: {
    readonly devices: number
    /** Not computed yet. */
    readonly pending: number
    readonly stopped: number
    readonly checks: number
    readonly unplanned: number
    readonly ready: number
    /** Were there before and are taken away. */
    readonly going: number
    readonly done: number
  }
}

/**
 * A job of more devices is not computed while somebody waits: the page fetches it and fills, the list of jobs
 * has it summed up beside.
 */
export const MOST_AT_ONCE = 60

/** A job in the list of jobs. */
export interface ListedJob {
  readonly id: string
  readonly name: string
  readonly address: string
  readonly lastChange: string
  /** What it comes to; null while nobody has computed it yet. */
  readonly summary: JobSummary | null
  /** Whether the summary is of an earlier state, and is being computed anew. */
  readonly pending: boolean
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

/** Everything of a job that has a mark, steps and findings of its own. */
export const allAssessed = ({
  devices,
  equipment,
  runs,
}: Pick<Assessment, 'devices' | 'equipment' | 'runs'>) => [...devices, ...equipment, ...runs]

/** A job in one line. */
export function summarise(job: Job, assessment: Assessment): JobSummary {
  const { sentence, counts } = assessment
  const logs = allAssessed(assessment).map(({ log }) => log)
  return {
    id: job.id,
    name: job.name,
    address: job.address,
    sentence,
    stopped: counts.stopped,
    stepsDone: logs.reduce((sum, { done }) => sum + done, 0),
    steps: logs.reduce((sum, { total }) => sum + total, 0),
    openFaults: job.faults.filter(({ state }) => state !== 'closed').length,
  }
}

/** Every step that it has is recorded. */
export const isDone = ({ log }: DeviceAssessment) => log.total > 0 && log.done === log.total
/** Every stage is planned; what was there before needs no plan. */
export const isPlanned = ({ state, stages }: DeviceAssessment) =>
  state !== 'new' || (stages !== null && PLANNED_STAGES.every((name) => stages[name]?.planned))

type Counts = Assessment['counts']

/** What a device adds to its job; made once of each. */
interface Told {
  /** What it is counted as. */
  readonly as: Exclude<keyof Counts, 'devices'>
  /** Can be worked at. */
  readonly open: boolean
  /** Something is recorded on it. */
  readonly begun: boolean
  /** What it takes of the supply that feeds it. */
  readonly draw: Draw | null
}

export const toldOf = oncePer((device: DeviceAssessment): Told => {
  const [done, planned] = [isDone(device), isPlanned(device)]
  const { log, mark, stages, verdict } = device
  const power = stages?.power
  return {
    as: countedAs(device, done, planned),
    open: !done && verdict !== 'stop' && planned,
    begun: log.done > 0,
    draw: power?.planned
      ? {
          supplyId: power.input.supplyId,
          mark,
          port: power.input.port,
          drawW: power.result.drawing.drawW,
        }
      : null,
  }
})

function countedAs(
  { pending, state, verdict }: DeviceAssessment,
  done: boolean,
  planned: boolean,
): Told['as'] {
  if (pending) return 'pending'
  if (done) return 'done'
  if (state === 'taken away') return 'going'
  if (verdict === 'stop') return 'stopped'
  if (!planned) return 'unplanned'
  return verdict === 'check' ? 'checks' : 'ready'
}

export function counted(devices: readonly DeviceAssessment[]): Counts {
  const counts = {
    devices: devices.length,
    pending: 0,
    stopped: 0,
    checks: 0,
    unplanned: 0,
    ready: 0,
    going: 0,
    done: 0,
  }
  for (const device of devices) counts[toldOf(device).as]++
  return counts
}

/** How a job stands, and what to do next. */
export function standing(
  job: Job,
  devices: readonly DeviceAssessment[],
  counts: Counts,
): { sentence: string; next: string } {
  if (counts.devices === 0)
    return {
      sentence: 'No devices yet.',
      next: 'Add the first one: camera, mount, surface, exposure, cable.',
    }
  if (counts.pending > 0)
    return {
      sentence: `${counts.devices - counts.pending} of ${counts.devices} devices are computed…`,
      next: 'What is shown already can be worked with.',
    }
  const parts = [
    counts.done > 0 ? `${counts.done} ${counts.done === 1 ? 'is' : 'are'} done` : null,
    counts.ready > 0 ? `${counts.ready} can be installed` : null,
    counts.going > 0 ? `${counts.going} ${counts.going === 1 ? 'is' : 'are'} to be taken away` : null,
    counts.stopped > 0 ? `${counts.stopped} ${counts.stopped === 1 ? 'is' : 'are'} stopped` : null,
    counts.checks > 0 ? `${counts.checks} ${counts.checks === 1 ? 'wants' : 'want'} a look` : null,
    counts.unplanned > 0
      ? `${counts.unplanned} ${counts.unplanned === 1 ? 'is' : 'are'} not planned through`
      : null,
  ].filter((part) => part !== null)
  const sentence = `${counts.devices} device${counts.devices === 1 ? '' : 's'}. ${parts.join(', ')}.`
  const isOpen = (device: DeviceAssessment) => toldOf(device).open
  const first =
    devices.find((device) => isOpen(device) && toldOf(device).begun) ??
    devices.find(isOpen) ??
    devices.find((device) => toldOf(device).as !== 'done')
  if (!first) return { sentence, next: 'Everything is recorded: hand over.' }
  const heightM = job.devices.find(({ id }) => id === first.deviceId)?.sight?.heightM
  const climb =
    heightM === undefined
      ? ''
      : `, ladder ${print({ value: ladder(heightM).workingLengthM, kind: 'length' }, job.units)}`
  return { sentence, next: `Next: ${first.mark} ${first.name}${climb}. ${first.sentence}` }
}
