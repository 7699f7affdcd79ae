import { PLANNED_STAGES } from '../findings'
import type { PlanChange } from '../stages/plans'
import type { Change } from './command'
import type { Job } from './job'

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

/** The fields of a change that differ from what stands. */
function differing<T extends object>(change: T, before: object): Partial<T> {
  const stands = before as Record<string, unknown>
  return Object.fromEntries(
    Object.entries(change).filter(([field, value]) => !same(value, stands[field])),
  ) as Partial<T>
}

const isEmpty = (change: object): boolean => Object.keys(change).length === 0

/**
 * A change reduced to what it changes, so that two people's changes to different fields of one thing both
 * stand. A change that changes nothing stays as it is.
 */
export function narrowed(job: Job, change: Change): Change {
  const device = 'deviceId' in change ? job.devices.find(({ id }) => id === change.deviceId) : undefined
  const less = <T extends object>(of: T, before: object | undefined): T => {
    const fields = before ? differing(of, before) : of
    return isEmpty(fields) ? of : (fields as T)
  }
  switch (change.type) {
    case 'editJob':
      return { ...change, change: less(change.change, job) }
    case 'editDevice':
      return { ...change, change: less(change.change, device) }
    case 'editDetails':
      return { ...change, change: less(change.change, device?.details) }
    case 'putEquipment': {
      const before = job.equipment.find(({ id }) => id === change.equipmentId)
      return { ...change, change: less(change.change, before) }
    }
    case 'putRun': {
      const before = job.runs.find(({ id }) => id === change.runId)
      return { ...change, change: less(change.change, before) }
    }
    case 'editFault':
      return {
        ...change,
        change: less(
          change.change,
          job.faults.find(({ id }) => id === change.faultId),
        ),
      }
    case 'putThing': {
      const before = job.things.find(({ id }) => id === change.thing.id)
      if (!before || before.kind !== change.thing.kind) return change
      const fields = differing(change.thing, before)
      return isEmpty(fields) ? change : { type: 'editThing', thingId: before.id, change: fields }
    }
    case 'setPlan': {
      if (!device) return change
      const plan = Object.fromEntries(
        PLANNED_STAGES.flatMap((stage) => {
          const said = change.plan[stage]
          const before = device[stage]
          if (!said) return []
          const fields = before ? differing(said, before) : said
          return isEmpty(fields) ? [] : [[stage, fields]]
        }),
      ) as PlanChange
      return isEmpty(plan) ? change : { ...change, plan }
    }
    default:
      return change
  }
}
