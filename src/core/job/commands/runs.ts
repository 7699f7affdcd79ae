import { CARRIES } from '../../run/carries'
import { Id } from '../fields'
import { MOST_RUNS, Run, RunChoice, type Job } from '../job'
import { USUAL_RUN } from '../usual'
import { changed, fieldsOf, kind, put, reasonsOf, refuse, type Reason } from './kind'
import { isMarked, isUsed, nextMark, thingsOf, wrongMark, wrongReplaced } from './marked'
import { known, wrongWay } from './planned'

/** Commands about cables that are no camera's own. */

export const putRun = kind({
  shape: {
    runId: Id,
    /** The fields that change; what is new says at least name, what it carries, cable and both ends. */
    change: RunChoice.partial(),
  },
  called: 'a run',
  apply: (job, { runId, change }, catalogue) => {
    const before = job.runs.find(({ id }) => id === runId)
    if (!before && isMarked(job, runId)) return refuse('/runId', 'Something else has this id already.')
    if (!before && job.runs.length >= MOST_RUNS)
      return refuse('/runId', `A job holds at most ${MOST_RUNS} runs.`)
    const start = before ?? { ...USUAL_RUN, mark: nextMark(job, 'R') }
    const made = Run.safeParse({ ...start, ...change, id: runId })
    if (!made.success) return { ok: false, reasons: reasonsOf(made.error, '/change') }
    const { cables, connectors } = catalogue
    const { cableId, fromEndId, toEndId } = made.data
    const wrong =
      known('/cableId', cableId, cables) ??
      known('/fromEndId', fromEndId, connectors) ??
      known('/toEndId', toEndId, connectors) ??
      wrongWay(made.data, catalogue) ??
      wrongEnds(job, made.data)
    if (wrong) return refuse(`/change${wrong.path}`, wrong.message)
    const mark = wrongMark(job, runId, change.mark, '/change') ?? wrongReplaced(job, made.data, '/change')
    if (mark) return { ok: false, reasons: [mark] }
    return changed(job, { runs: put(job.runs, made.data) })
  },
  touches: ({ runId, change }) => fieldsOf(`run/${runId}`, change),
})

/** A run joins two different things that are there. */
function wrongEnds(job: Job, { fromId, toId, carries }: Run): Reason | null {
  const things = thingsOf(job)
  if (!things.some(({ id }) => id === fromId))
    return { path: '/fromId', message: 'There is nothing with this id to end at.' }
  if (!things.some(({ id }) => id === toId))
    return { path: '/toId', message: 'There is nothing with this id to end at.' }
  return fromId === toId
    ? {
        path: '/toId',
        message: `${CARRIES[carries].name} goes from one thing to another: choose another end.`,
      }
    : null
}

export const removeRun = kind({
  shape: { runId: Id },
  called: 'a run taken out',
  apply: (job, { runId }) => {
    if (!job.runs.some(({ id }) => id === runId)) return refuse('/runId', 'There is no run with this id.')
    const used = isUsed(job, runId)
    if (used) return refuse('/runId', used)
    return changed(job, { runs: job.runs.filter(({ id }) => id !== runId) })
  },
})
