import type { Change, Command } from './command'
import type { Device, Job, JobFacts } from './job'

type Said = { change: Change; at: string; by: string }

/**
 * The commands that make a job from nothing, each with its own moment and author; importers and the demo go
 * through them. Applying them in order gives back the same job. `nextId` supplies command ids (UUIDs);
 * `jobId` may rename the copy.
 */
export function commandsOf(job: Job, nextId: () => string, jobId: string = job.id): Command[] {
  const { createdAt: at, createdBy: by } = job
  const said: Said[] = []
  const plan = (change: Change) => said.push({ change, at, by })

  plan({ type: 'createJob', facts: factsOf(job) })
  if (job.site) plan({ type: 'setSite', site: job.site })
  for (const { floor, ...background } of job.backgrounds) plan({ type: 'setBackground', floor, background })
  for (const thing of job.things) plan({ type: 'putThing', thing })
  for (const supply of job.supplies) plan({ type: 'putSupply', supply })
  for (const device of job.devices) planDevice(device, plan)
  for (const { deviceId, stepId, at, by, ...outcome } of job.records)
    said.push({ change: { type: 'recordStep', deviceId, stepId, outcome }, at, by })
  for (const { id: faultId, raisedAt, raisedBy, events, state: _, ...facts } of job.faults) {
    said.push({ change: { type: 'raiseFault', faultId, facts }, at: raisedAt, by: raisedBy })
    for (const event of events) {
      const change: Change =
        event.event === 'fix'
          ? { type: 'fixFault', faultId, fix: event.fix }
          : { type: 'recheckFault', faultId, passed: event.passed, note: event.note }
      said.push({ change, at: event.at, by: event.by })
    }
  }
  for (const { id: photoId, at, by, ...facts } of job.photos)
    said.push({ change: { type: 'addPhoto', photoId, facts }, at, by })
  return said.map(({ change, at, by }) => ({ ...change, id: nextId(), jobId, at, by }))
}

/** The facts of a job that `createJob` and `editJob` carry. */
export function factsOf({
  name,
  address,
  units,
  headEnd,
  windMS,
  terrain,
  mainsV,
  keepPhotoPlace,
  policies,
  allowances,
}: Job): JobFacts {
  return { name, address, units, headEnd, windMS, terrain, mainsV, keepPhotoPlace, policies, allowances }
}

function planDevice(device: Device, plan: (change: Change) => void): void {
  const { id: deviceId, sight, mount, route, terminate, seal, power, details, ...choice } = device
  plan({ type: 'addDevice', deviceId, choice })
  if (sight) plan({ type: 'setSight', deviceId, sight })
  if (mount) plan({ type: 'setMount', deviceId, mount })
  if (route) plan({ type: 'setRoute', deviceId, route })
  if (terminate) plan({ type: 'setTerminate', deviceId, terminate })
  if (seal) plan({ type: 'setSeal', deviceId, seal })
  if (power) plan({ type: 'setPower', deviceId, power })
  plan({ type: 'setDetails', deviceId, details })
}
