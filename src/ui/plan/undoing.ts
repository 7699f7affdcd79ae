import type { Change, Job, Sight } from '@/core/job'
import { nameOf, wordOf, type PlanThing } from '@/core/plan'

/** What undo says that it takes back: "moving Boat on its cradle". Given the job before it. */
export function doingOf(job: Job, changes: readonly Change[]): string {
  const [first] = changes
  if (!first) return 'nothing'
  const words = wordsOf(job, first)
  const more = changes.length - 1
  return more === 0 ? words : `${words} and ${more} more`
}

function wordsOf(job: Job, change: Change): string {
  switch (change.type) {
    case 'putThing': {
      const before = job.things.find(({ id }) => id === change.thing.id)
      if (!before) return `drawing ${called(change.thing)}`
      return `${sameButPoints(before, change.thing) ? 'moving' : 'changing'} ${called(change.thing)}`
    }
    case 'editThing': {
      const before = job.things.find(({ id }) => id === change.thingId)
      return before ? `changing ${called(before)}` : 'a change'
    }
    case 'removeThing': {
      const before = job.things.find(({ id }) => id === change.thingId)
      return before ? `removing ${called(before)}` : 'a removal'
    }
    case 'setPlan': {
      const device = job.devices.find(({ id }) => id === change.deviceId)
      const sight = change.plan.sight
      return device ? `${sightWords(device.sight, sight)} ${device.mark}` : 'a change'
    }
    case 'setSite':
      return 'where it lies'
    case 'setBackground':
      return 'the drawing under it'
    default:
      return 'a change'
  }
}

const called = (thing: PlanThing) => (thing.name === '' ? wordOf(thing).toLowerCase() : nameOf(thing))

/** What a thing is but for where it lies. */
function sameButPoints(a: PlanThing, b: PlanThing): boolean {
  const rest = (thing: PlanThing) =>
    JSON.stringify(thing, (key, value: unknown) => (PLACES.has(key) ? undefined : value))
  return rest(a) === rest(b)
}
const PLACES: ReadonlySet<string> = new Set(['x', 'y', 'radiusM'])

function sightWords(before: Sight | null, after: Partial<Sight> | undefined): string {
  const [from, to] = [before?.place ?? null, after?.place]
  if (to === null && from) return 'taking off the plan'
  if (to && !from) return 'placing'
  if (to && from && (to.x !== from.x || to.y !== from.y)) return 'moving'
  if (to && from && to.panDeg !== from.panDeg) return 'turning'
  return 'changing'
}
