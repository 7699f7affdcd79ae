import type { Change } from './command'
import type { Job } from './job'

/**
 * The change that takes an edit of the plan back, given the job before it; null for what undo does not
 * cover.
 */
export function inverseOf(job: Job, change: Change): Change | null {
  switch (change.type) {
    case 'putThing': {
      const before = job.things.find(({ id }) => id === change.thing.id)
      return before ? { type: 'putThing', thing: before } : { type: 'removeThing', thingId: change.thing.id }
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
    case 'setSight': {
      const before = job.devices.find(({ id }) => id === change.deviceId)?.sight
      // A sight plan is not taken away again: off the plan is as far back as it goes.
      return {
        type: 'setSight',
        deviceId: change.deviceId,
        sight: before ?? { ...change.sight, place: null },
      }
    }
    default:
      return null
  }
}
