import { Id } from '../fields'
import { Conflict } from '../job'
import { changed, kind, refuse } from './kind'

/** Commands about fields that two people set without knowing of each other. */

export const noteConflict = kind({
  shape: { conflict: Conflict },
  called: 'a field that two people changed',
  apply: (job, { conflict }) =>
    changed(job, {
      conflicts: [...job.conflicts.filter(({ path }) => path !== conflict.path), conflict],
    }),
})

/** Keeps the newer value. Setting the field again, to the older value or another, settles it as well. */
export const settleConflict = kind({
  shape: { conflictId: Id },
  called: 'a choice between two values',
  apply: (job, { conflictId }) =>
    job.conflicts.some(({ id }) => id === conflictId)
      ? changed(job, { conflicts: job.conflicts.filter(({ id }) => id !== conflictId) })
      : refuse('/conflictId', 'This is settled already.'),
})
