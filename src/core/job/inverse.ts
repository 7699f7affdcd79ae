import type { Change } from './command'
import type { Job } from './job'

/**
 * The change that takes an edit of the plan back, given the job before it; null for what undo does not
 * cover.
 */
export function inverseOf(job: Job, change: Change): Change | null {
  switch (change.type) {
    case 'putThing':
    case 'editThing': {
      const thingId = change.type === 'putThing' ? change.thing.id : change.thingId
      const before = job.things.find(({ id }) => id === thingId)
      return before ? { type: 'putThing', thing: before } : { type: 'removeThing', thingId }
    }
    case 'removeThing': {
      const before = job.things.find(({ id }) => id === change.thingId)
      return before ? { type: 'putThing', thing: before } : null
    }
    case 'setSite':
      return { type: 'setSite', site: job.site }
    case 'setBackground': {
      const before = job.backgrounds.find(({ floor }) => floor === change.floor)
      if (!before) return { type: 'setBackground', floor: change.floor, background: null }
      const { floor, ...background } = before
      return { type: 'setBackground', floor, background }
    }
    case 'setPlan': {
      const { deviceId, plan } = change
      if (!plan.sight) return null
      const before = job.devices.find(({ id }) => id === deviceId)?.sight
      // A sight plan is not taken away again: off the plan is as far back as it goes.
      return { type: 'setPlan', deviceId, plan: { sight: before ?? { place: null } } }
    }
    default:
      return null
  }
}
