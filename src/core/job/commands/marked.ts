import type { State } from '../choices'
import type { Job } from '../job'
import type { Reason } from './kind'

/** What cameras, equipment and runs have in common: a mark, a record of their own, and what they replace. */

type Marked = Pick<Job, 'devices' | 'equipment' | 'runs'>

interface Standing {
  readonly id: string
  readonly state: State
  readonly replaces: string | null
}

/** What a run can end at: cameras, then equipment. */
export const thingsOf = ({ devices, equipment }: Pick<Job, 'devices' | 'equipment'>) => [
  ...devices,
  ...equipment,
]

/** Cameras, equipment, then runs: everything that has a mark. */
export const everyOne = (job: Marked) => [...thingsOf(job), ...job.runs]

/** True when something with a mark has this id. */
export const isMarked = (job: Marked, wanted: string): boolean =>
  [job.devices, job.equipment, job.runs].some((list) => list.some(({ id }) => id === wanted))

/** The next free mark: E1, E2 … for equipment, R1, R2 … for runs, after the highest there is. */
export function nextMark(job: Marked, letter: 'E' | 'R'): string {
  const pattern = new RegExp(`^${letter}(\\d{1,4})$`)
  const taken = everyOne(job).map(({ mark }) => Number(pattern.exec(mark)?.[1] ?? 0))
  return `${letter}${Math.max(0, ...taken) + 1}`
}

export function wrongMark(job: Marked, of: string, mark: string | undefined, under: string): Reason | null {
  const other =
    mark === undefined ? undefined : everyOne(job).find((one) => one.mark === mark && one.id !== of)
  return other ? { path: `${under}/mark`, message: `${other.name} is marked ${mark} already.` } : null
}

const isRun = ({ runs }: Marked, wanted: string): boolean => runs.some(({ id }) => id === wanted)

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
  if (isRun(job, old.id) !== isRun(job, id)) return { path, message: 'Only a run takes a run’s place.' }
  if (old.state !== 'taken away') return { path, message: `${old.mark} ${old.name} is not taken away.` }
  const other = everyOne(job).find((one) => one.replaces === replaces && one.id !== id)
  return other ? { path, message: `${other.mark} ${other.name} replaces it already.` } : null
}

/** Why something must stay in the record; null where nothing speaks against taking it out. */
export function isUsed(job: Job, wanted: string): string | null {
  const ofIt = (one: { readonly deviceId: string | null }) => one.deviceId === wanted
  if (job.records.some(ofIt) || job.photos.some(ofIt) || job.faults.some(ofIt))
    return 'Work, photos or faults are recorded on it; it stays in the record.'
  const left = job.handed.find(ofIt)
  if (left) return `A step of it is left to ${left.colleague}: take that back first.`
  const run = job.runs.find(({ fromId, toId }) => fromId === wanted || toId === wanted)
  if (run) return `Run ${run.mark} ${run.name} ends at it: give the run another end first.`
  const after = everyOne(job).find(({ replaces }) => replaces === wanted)
  return after ? `${after.mark} ${after.name} replaces it: say there first that it does not.` : null
}
