import { counted, standing, toldOf, type Assessment } from './derive/board'
import { measuredOf, pendingDevice, plannedHalf, withLog, type DeviceAssessment } from './derive/device'
import { assessEquipment } from './derive/equipment'
import { assessRun, type RunAssessment } from './derive/run'
import type { DeviceRecords } from './derive/log'
import { neighboursIn } from './derive/neighbours'
import { groupedByDevice } from './derive/grouped'
import { planning, type PlannedDevice } from './derive/planned'
import { EXPOSURES } from './job/choices'
import type { Device, Equipment, Job } from './job/job'
import type { PlanThing } from './job/plan'
import { portUses } from './equipment'
import {
  withOwn,
  wordsBefore,
  type Catalogue,
  type JobSettings,
  type Measured,
  type Neighbours,
} from './parts'
import type { Draw } from './power'
import { touchedBy } from './sight'

export {
  allAssessed,
  isDone,
  isPlanned,
  MOST_AT_ONCE,
  summarise,
  type Assessment,
  type JobSummary,
  type ListedJob,
} from './derive/board'
export type { DrawingOf } from './stages/table'
export { foundAlong, foundOfRun } from './derive/tried'
export { assessDevice, type DeviceAssessment, type DeviceStages, type StageState } from './derive/device'
export { equipmentStanding, type EquipmentAssessment } from './derive/equipment'
export { jobRound, type JobRound, type LeftStep } from './derive/round'
export type { RunAssessment }
export type { Mark } from './derive/log'

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

/** What of a job every device's plans rest on, beside what stands on its plans. */
const SETTINGS: readonly (keyof JobSettings)[] = [
  'units',
  'policies',
  'allowances',
  'site',
  'floorHeightsM',
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
  const pieces = assessing(before, job, catalogue)
  for (;;) {
    const piece = pieces.next()
    if (piece.done) return piece.value
  }
}

/** How far an assessment has come. */
export interface Piece {
  /** Devices computed anew in it so far. */
  readonly computed: number
  /** What is known up to here: devices that are not computed yet say so. */
  readonly partial: () => Assessment
}

/**
 * The same in pieces, so that whoever waits can do something else in between: it pauses after every device
 * that is computed anew. `first` is asked each time which device is looked at (its id): that comes next.
 */
export function* assessing(
  before: Assessed | null,
  job: Job,
  shipped: Catalogue,
  first: () => string | null = () => null,
): Generator<Piece, Assessment, undefined> {
  const catalogue = withOwn(shipped, job.ownParts)
  const old = before?.job
  const now = recordsOf(job, old)
  const neighbours = neighboursIn(job, catalogue)
  const take = before ? takingOver(before, job, catalogue, neighbours) : () => UNKNOWN
  const known = job.devices.map((device) => take(device, now(device.id)))
  const left = new Set([...known.keys()].filter((index) => known[index]!.whole === null))
  const devices = known.map(({ whole }) => whole)
  const plannedOf = planning(job, catalogue, neighbours)
  let computed = 0
  const partial = () =>
    together(
      job,
      devices.map((device, index) => device ?? pendingDevice(job.devices[index]!)),
      catalogue,
      now,
      neighbours,
    )
  while (left.size > 0) {
    const index = nextOf(left, job.devices, first())
    left.delete(index)
    const device = job.devices[index]!
    const recorded = now(device.id)
    const measured = measuredOf(recorded.records)
    const planned = known[index]!.half ?? plannedOf(device, measured)
    devices[index] = withLog(planned, job.units, recorded)
    computed++
    yield { computed, partial }
  }
  return together(job, devices as DeviceAssessment[], catalogue, now, neighbours)
}

/** The place of the device that is looked at while it is left, else of the first that is. */
function nextOf(left: ReadonlySet<number>, devices: readonly Device[], wanted: string | null): number {
  const at = wanted === null ? -1 : devices.findIndex(({ id }) => id === wanted)
  return left.has(at) ? at : left.values().next().value!
}

/** What an earlier assessment already holds of a device: all of it, or the half that its plans make. */
interface Known {
  readonly whole: DeviceAssessment | null
  readonly half: PlannedDevice | null
}

const UNKNOWN: Known = { whole: null, half: null }

function takingOver({ job: old, assessment }: Assessed, job: Job, catalogue: Catalogue, are: Neighbours) {
  if (!SETTINGS.every((name) => old[name] === job[name])) return () => UNKNOWN
  if (!sameOwn(old.ownParts, job.ownParts)) return () => UNKNOWN
  if (!sameEquipment(old.equipment, job.equipment)) return () => UNKNOWN
  // Own parts are the same, so the old cables are looked up as the new ones are.
  const were = neighboursIn(old, catalogue)
  if (!sameNeighbours(were, are)) return () => UNKNOWN
  const sameCable = cablesCompared(were, are)
  const was = recordsOf(old)
  const earlier = new Map(old.devices.map((device, i) => [device, assessment.devices[i]!]))
  const changed = differing(old.things, job.things)
  return (device: Device, recorded: DeviceRecords): Known => {
    const before = earlier.get(device)
    if (!before || before.pending || touched(device, changed, job)) return UNKNOWN
    if (!sameCable(device.id)) return UNKNOWN
    if (sameRecords(was(device.id), recorded)) return { whole: before, half: null }
    const half = plannedHalf(before)
    return half && sameMeasured(half.measured, measuredOf(recorded.records)) ? { whole: null, half } : UNKNOWN
  }
}

/** What two lists do not share. */
function differing<T>(before: readonly T[], after: readonly T[]): readonly T[] {
  if (before === after) return NONE
  const [was, is] = [new Set(before), new Set(after)]
  return [...before.filter((one) => !is.has(one)), ...after.filter((one) => !was.has(one))]
}

const touched = (device: Device, changed: readonly PlanThing[], job: Job): boolean =>
  changed.length > 0 &&
  touchedBy(changed, { sight: device.sight, outdoors: EXPOSURES[device.exposure].outdoors }, job.site, job)

/** Devices and supplies put together to what the job comes to. */
function together(
  job: Job,
  devices: readonly DeviceAssessment[],
  catalogue: Catalogue,
  recorded: (id: string) => DeviceRecords,
  neighbours: Neighbours,
): Assessment {
  const counts = counted(devices)
  const runs = job.runs.map((one) => assessRun(one, job, catalogue, neighbours, recorded(one.id)))
  const draws = counts.pending > 0 ? null : drawsOf(devices, runs)
  const uses = portUses(job, catalogue)
  return {
    jobId: job.id,
    ...standing(job, devices, counts),
    devices,
    equipment: job.equipment.map((equipment) =>
      assessEquipment({
        equipment,
        job,
        catalogue,
        uses: uses.get(equipment.id) ?? NONE,
        draws: draws && (draws.get(equipment.id) ?? NONE),
        recorded: recorded(equipment.id),
      }),
    ),
    runs,
    counts,
  }
}

/** What devices and low-voltage runs draw, by what feeds them. */
function drawsOf(
  devices: readonly DeviceAssessment[],
  runs: readonly RunAssessment[],
): ReadonlyMap<string, readonly Draw[]> {
  const draws = new Map<string, Draw[]>()
  for (const draw of [...devices.map((device) => toldOf(device).draw), ...runs.map((run) => run.draw)]) {
    if (!draw) continue
    const known = draws.get(draw.supplyId)
    if (known) known.push(draw)
    else draws.set(draw.supplyId, [draw])
  }
  return draws
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

/** Whether a cable's way on the plan, and what lies there before it, are the same. */
function cablesCompared(were: Neighbours, are: Neighbours): (id: string) => boolean {
  if (were === are) return () => true
  const sameWay = (id: string) =>
    were.ways.get(id) === are.ways.get(id) ||
    JSON.stringify(were.ways.get(id)) === JSON.stringify(are.ways.get(id))
  const sameBefore = (id: string) => wordsBefore(were.before?.get(id)) === wordsBefore(are.before?.get(id))
  return (id) => sameWay(id) && sameBefore(id)
}

const sameMeasured = (a: Measured, b: Measured): boolean =>
  a.installedM === b.installedM &&
  a.cableMm === b.cableMm &&
  a.volts === b.volts &&
  a.pinScheme === b.pinScheme

/** True when own parts are the same, whether or not they are the very same objects. */
const sameOwn = (before: Job['ownParts'], after: Job['ownParts']): boolean =>
  before === after || JSON.stringify(before) === JSON.stringify(after)

/** True when devices are fed by the same: what is written on a recorder feeds nobody. */
function sameEquipment(before: readonly Equipment[], after: readonly Equipment[]): boolean {
  if (before === after) return true
  const words = (list: readonly Equipment[]) =>
    JSON.stringify(list.map(({ id, name, partId, state }) => [id, name, partId, state]))
  return words(before) === words(after)
}

/**
 * True when shared conduits hold the same cables, the same tails are in use, the same devices go, and the
 * same stays of them.
 */
function sameNeighbours(were: Neighbours, are: Neighbours): boolean {
  if (were === are) return true
  const words = ({ conduits, gone, staying, tails }: Neighbours) =>
    JSON.stringify([...conduits, ...gone, ...staying, ...tails])
  return words(were) === words(are)
}
