import { touchedBy, type Change, type Command } from './command'
import type { Conflict, Job } from './job'

const words = (value: unknown): string => JSON.stringify(value) ?? 'null'

/**
 * The fields that a command sets and that somebody else, unknown to whoever said it, has set to something
 * else: `since` are the commands that the job took after the command's base.
 */
export function conflictsOf(command: Command, since: readonly Command[]): Conflict[] {
  const touched = touchedBy(command)
  if (touched.length === 0) return []
  const last = new Map<string, { value: unknown; command: Command }>()
  for (const other of since)
    for (const [path, value] of touchedBy(other)) last.set(path, { value, command: other })
  return touched.flatMap(([path, value], index): Conflict[] => {
    const other = last.get(path)
    if (!other || other.command.madeOn === command.madeOn || words(other.value) === words(value)) return []
    return [
      {
        id: `${command.id}-${index}`,
        path,
        newer: { value: value ?? null, by: command.by, at: command.at },
        older: { value: other.value ?? null, by: other.command.by, at: other.command.at },
      },
    ]
  })
}

/** The change that gives a field of a job a value, by the way to it; null where the way leads nowhere. */
export function changeAt(job: Job, path: string, value: unknown): Change | null {
  const [what, id = '', ...rest] = path.split('/')
  const [first, second] = rest
  const change = { [first ?? id]: value }
  switch (what) {
    case 'job':
      return { type: 'editJob', change }
    case 'site':
      return { type: 'setSite', site: value } as Change
    case 'background':
      return { type: 'setBackground', floor: id, background: value } as Change
    case 'equipment':
      return { type: 'putEquipment', equipmentId: id, change }
    case 'run':
      return { type: 'putRun', runId: id, change }
    case 'thing':
      return { type: 'editThing', thingId: id, change }
    case 'fault':
      return { type: 'editFault', faultId: id, change }
    case 'step':
      return stepAt(job, id, rest.join('/'), value)
    case 'handed': {
      const [deviceId, stepId] = [id, rest.join('/')]
      const title = job.handed.find((one) => one.deviceId === deviceId && one.stepId === stepId)?.title ?? ''
      return { type: 'handStep', deviceId, stepId, title, ...(value as object) } as Change
    }
    case 'photo':
      return { type: 'markPhoto', photoId: id, ...change } as Change
    case 'box':
      return { type: 'putBox', box: value } as Change
    case 'part':
      return { type: 'putPart', part: value } as Change
    case 'device':
      if (second === undefined) return { type: 'editDevice', deviceId: id, change }
      if (first === 'details') {
        return { type: 'editDetails', deviceId: id, change: { [second]: value } }
      }
      return { type: 'setPlan', deviceId: id, plan: { [first!]: { [second]: value } } }
    default:
      return null
  }
}

/** A step with another outcome: it asked what it asked. */
function stepAt({ records }: Job, deviceId: string, stepId: string, outcome: unknown): Change {
  const record = records.find((one) => one.deviceId === deviceId && one.stepId === stepId)
  return { type: 'recordStep', deviceId, stepId, title: record?.title ?? '', outcome } as Change
}
