import { counted, standing, type Assessment } from './derive/board'
import { measuredOf, plannedHalf, withLog, type DeviceAssessment, type DeviceRecords } from './derive/device'
import { groupedByDevice } from './derive/grouped'
import { plannedFromScratch } from './derive/planned'
import type { Device, Job } from './job/job'
import { neighboursOf, type Catalogue, type JobSettings, type Measured } from './parts'
import { assessSupplies } from './power'

export { summarise, type Assessment, type JobSummary } from './derive/board'
export type { DrawingOf } from './stages/table'
export {
  assessDevice,
  type DeviceAssessment,
  type DeviceStages,
  type Mark,
  type StageState,
} from './derive/device'

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

/** What of a job every device's plans rest on. */
const SETTINGS: readonly (keyof JobSettings)[] = [
  'units',
  'policies',
  'allowances',
  'supplies',
  'site',
  'things',
  'windMS',
  'terrain',
  'mainsV',
]

const NONE: readonly never[] = []

/**
 * The same as `assess`, taking over from an earlier assessment what rests on the very same objects: a whole
 * device, or its plans when only its log has grown.
 */
export function assessAgain(before: Assessed | null, job: Job, catalogue: Catalogue): Assessment {
  const old = before?.job
  const sameSettings =
    old !== undefined &&
    SETTINGS.every((name) => old[name] === job[name]) &&
    sameConduits(old.devices, job.devices, catalogue)
  const was = old && recordsOf(old)
  const now = recordsOf(job, old)
  const known = new Map(
    sameSettings ? old.devices.map((device, i) => [device, before!.assessment.devices[i]!]) : [],
  )
  const neighbours = neighboursOf(job.devices, catalogue)
  const devices = job.devices.map((device): DeviceAssessment => {
    const on = now(device.id)
    const earlier = known.get(device)
    if (earlier && was && sameRecords(was(device.id), on)) return earlier
    const measured = measuredOf(on.records)
    const half = earlier && plannedHalf(earlier)
    const planned =
      half && sameMeasured(half.measured, measured)
        ? half
        : plannedFromScratch(device, job, catalogue, measured, neighbours)
    return withLog(planned, job.units, on)
  })
  const draws = job.devices.flatMap((device, index) => {
    const power = devices[index]!.stages?.power
    if (!power?.planned) return []
    const { supplyId, port } = power.input
    return [{ supplyId, mark: device.mark, port, drawW: power.result.drawing.drawW }]
  })
  const counts = counted(devices)
  return {
    jobId: job.id,
    ...standing(job, devices, counts),
    devices,
    supplies: assessSupplies(job.supplies, draws, catalogue),
    counts,
  }
}

/** What is recorded on each device of a job. */
function recordsOf(job: Job, earlier?: Job): (deviceId: string) => DeviceRecords {
  const records = groupedByDevice(job.records, earlier?.records)
  const photos = groupedByDevice(job.photos, earlier?.photos)
  const faults = groupedByDevice(job.faults, earlier?.faults)
  return (id) => ({
    records: records.get(id) ?? NONE,
    photos: photos.get(id) ?? NONE,
    faults: faults.get(id) ?? NONE,
  })
}

const sameRecords = (a: DeviceRecords, b: DeviceRecords): boolean =>
  a.records === b.records && a.photos === b.photos && a.faults === b.faults

const sameMeasured = (a: Measured, b: Measured): boolean =>
  a.installedM === b.installedM && a.cableMm === b.cableMm && a.volts === b.volts

/** True when every conduit that runs share holds the same cables. */
function sameConduits(before: readonly Device[], after: readonly Device[], catalogue: Catalogue): boolean {
  if (before === after) return true
  const words = (devices: readonly Device[]) => JSON.stringify([...neighboursOf(devices, catalogue).conduits])
  return words(before) === words(after)
}
