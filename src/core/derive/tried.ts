import { byGravity, type Finding, type Stage } from '../findings'
import type { Device, Job, Route, Run } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import type { Way } from '../route/plan'
import { assessDevice, NOTHING } from './device'
import { neighboursIn } from './neighbours'
import { assessRun } from './run'

/**
 * What would be found of the route of a device and of its power, the gravest first, were its cable to go
 * another way: Checks and Stops alone. What was measured on the way that it has does not count.
 */
export function foundAlong(device: Device, route: Route, job: Job, shipped: Catalogue): readonly Finding[] {
  const tried = { ...device, route }
  const devices = job.devices.map((one) => (one.id === device.id ? tried : one))
  const [as, catalogue, neighbours] = standingAs({ ...job, devices }, device, shipped)
  return ofWay(assessDevice(tried, as, catalogue, NOTHING, neighbours).findings)
}

/** The same of a run. */
export function foundOfRun(
  run: Run,
  way: Pick<Way, 'segments' | 'forced'>,
  job: Job,
  shipped: Catalogue,
): readonly Finding[] {
  const tried = { ...run, ...way }
  const runs = job.runs.map((one) => (one.id === run.id ? tried : one))
  const [as, catalogue, neighbours] = standingAs({ ...job, runs }, run, shipped)
  return ofWay(assessRun(tried, as, catalogue, neighbours, NOTHING).findings)
}

function standingAs(job: Job, { id }: Device | Run, shipped: Catalogue) {
  const catalogue = withOwn(shipped, job.ownParts)
  const records = job.records.filter(({ deviceId }) => deviceId !== id)
  return [job, catalogue, neighboursIn({ ...job, records }, catalogue)] as const
}

const OF_WAY: ReadonlySet<Stage> = new Set<Stage>(['route', 'power'])

const ofWay = (findings: readonly Finding[]) =>
  byGravity(findings.filter(({ stage, verdict }) => OF_WAY.has(stage) && verdict !== 'good'))
