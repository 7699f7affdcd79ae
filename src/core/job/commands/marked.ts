import type { State } from '../choices'
import type { Job } from '../job'
import type { Reason } from './kind'

/** What cameras and equipment have in common: a mark, a record of their own, and what they replace. */

type Marked = Pick<Job, 'devices' | 'equipment'>

interface Standing {
  readonly id: string
  readonly state: State
  readonly replaces: string | null
}

/** Cameras, then equipment: everything that has a mark. */
export const everyOne = ({ devices, equipment }: Marked) => [...devices, ...equipment]

/** True when something with a mark has this id. */
export const isMarked = ({ devices, equipment }: Marked, wanted: string): boolean =>
  devices.some(({ id }) => id === wanted) || equipment.some(({ id }) => id === wanted)

/** The next free mark for equipment: E1, E2 … after the highest there is. */
export function nextMark(job: Marked): string {
  const taken = everyOne(job).map(({ mark }) => Number(/^E(\d{1,4})$/.exec(mark)?.[1] ?? 0))
  return `E${Math.max(0, ...taken) + 1}`
}

export function wrongMark(job: Marked, of: string, mark: string | undefined, under: string): Reason | null {
  const other =
    mark === undefined ? undefined : everyOne(job).find((one) => one.mark === mark && one.id !== of)
  return other ? { path: `${under}/mark`, message: `${other.name} is marked ${mark} already.` } : null
}

/** What is replaced stands in the job and is taken away; nothing replaces itself or is replaced twice. */
export function wrongReplaced(job: Marked, { id, state, replaces }: Standing, under: string): Reason | null {
  const path = `${under}/replaces`
  const after = everyOne(job).find((one) => one.replaces === id)
  if (after && state !== 'taken away')
    return { path: `${under}/state`, message: `${after.mark} ${after.name} replaces it: it is taken away.` }
  if (replaces === null) return null
  if (state !== 'new') return { path, message: 'Only what is new replaces something.' }
  const old = everyOne(job).find((one) => one.id === replaces)
  if (!old || old.id === id) return { path, message: 'There is nothing with this id to replace.' }
  if (old.state !== 'taken away') return { path, message: `${old.mark} ${old.name} is not taken away.` }
  const other = everyOne(job).find((one) => one.replaces === replaces && one.id !== id)
  return other ? { path, message: `${other.mark} ${other.name} replaces it already.` } : null
}

/** Why something must stay in the record; null where nothing speaks against taking it out. */
export function isUsed(job: Job, wanted: string): string | null {
  const ofIt = (one: { readonly deviceId: string | null }) => one.deviceId === wanted
  if (job.records.some(ofIt) || job.photos.some(ofIt) || job.faults.some(ofIt))
    return 'Work, photos or faults are recorded on it; it stays in the record.'
  const after = everyOne(job).find(({ replaces }) => replaces === wanted)
  return after ? `${after.mark} ${after.name} replaces it: say there first that it does not.` : null
}
