import type { z } from 'zod'
import { PLANNED_STAGES } from '../findings'
import type { PlanChange } from '../stages/plans'
import type { Change, Command } from './command'
import { DeviceChoice, EquipmentChoice, JobFacts, type Device, type Equipment, type Job } from './job'
import { RECORD_VERSION } from './version'

interface Said {
  readonly change: Change
  readonly at: string
  readonly by: string
}

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
  for (const part of job.ownParts) plan({ type: 'putPart', part })
  for (const equipment of job.equipment) putEquipment(equipment, plan)
  for (const thing of job.things) plan({ type: 'putThing', thing })
  for (const device of job.devices) planDevice(device, plan)
  for (const { id: runId, ...change } of job.runs)
    plan({ type: 'putRun', runId, change: { ...change, replaces: null } })
  for (const box of job.boxes) plan({ type: 'putBox', box })
  // What is replaced must be there: said once everything is.
  for (const { id: equipmentId, replaces } of job.equipment)
    if (replaces !== null) plan({ type: 'putEquipment', equipmentId, change: { replaces } })
  for (const { id: deviceId, replaces } of job.devices)
    if (replaces !== null) plan({ type: 'editDevice', deviceId, change: { replaces } })
  for (const { id: runId, replaces } of job.runs)
    if (replaces !== null) plan({ type: 'putRun', runId, change: { replaces } })
  for (const { deviceId, stepId, title, at, by, ...outcome } of job.records) {
    said.push({ change: { type: 'recordStep', deviceId, stepId, title, outcome }, at, by })
  }
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
  for (const { at, by, ...step } of job.handed) said.push({ change: { type: 'handStep', ...step }, at, by })
  for (const { id: photoId, at, by, marks, ...facts } of job.photos) {
    said.push({ change: { type: 'addPhoto', photoId, facts }, at, by })
    if (marks.length > 0) plan({ type: 'markPhoto', photoId, marks })
  }
  for (const conflict of job.conflicts) plan({ type: 'noteConflict', conflict })
  for (const { id: recordId, at, by, ...facts } of job.signed) {
    said.push({ change: { type: 'signRecord', recordId, facts }, at, by })
  }
  const envelope = { jobId, version: RECORD_VERSION, madeOn: '', base: null } as const
  return said.map(({ change, at, by }) => ({ ...change, ...envelope, id: nextId(), at, by }))
}

/** The facts of a job that `createJob` and `editJob` carry. */
export const factsOf = (job: Job): JobFacts => only(JobFacts, job)

/** The properties of an item that a schema names. */
function only<S extends z.ZodObject>(schema: S, item: z.infer<S>): z.infer<S> {
  const all = item as Record<string, unknown>
  return Object.fromEntries(Object.keys(schema.shape).map((key) => [key, all[key]])) as z.infer<S>
}

function putEquipment(equipment: Equipment, plan: (change: Change) => void): void {
  const { id: equipmentId, details } = equipment
  const change = { ...only(EquipmentChoice, equipment), replaces: null }
  plan({ type: 'putEquipment', equipmentId, change })
  plan({ type: 'editDetails', deviceId: equipmentId, change: details })
}

function planDevice(device: Device, plan: (change: Change) => void): void {
  const { id: deviceId, details } = device
  plan({ type: 'addDevice', deviceId, choice: { ...only(DeviceChoice, device), replaces: null } })
  const planned = PLANNED_STAGES.filter((stage) => device[stage] !== null)
  if (planned.length > 0) {
    const plans = Object.fromEntries(planned.map((stage) => [stage, device[stage]])) as PlanChange
    plan({ type: 'setPlan', deviceId, plan: plans })
  }
  plan({ type: 'editDetails', deviceId, change: details })
}
