import { z } from 'zod'
import { MOST_OWN_PARTS, ownIdsIn, OwnPart } from '../../parts'
import type { Job } from '../job'
import { changed, kind, put, refuse } from './kind'
import { everyOne } from './marked'

/** Commands about parts that are entered from a maker's sheet. */

/** Whatever is made with an own part. */
export const usersOf = (job: Pick<Job, 'devices' | 'equipment' | 'runs'>, partId: string) =>
  everyOne(job).filter((one) => ownIdsIn(one).has(partId))

export const putPart = kind({
  shape: { part: OwnPart },
  called: 'an own part',
  apply: (job, { part }) => {
    const before = job.ownParts.find(({ id }) => id === part.id)
    if (!before && job.ownParts.length >= MOST_OWN_PARTS)
      return refuse('/part', `A job holds at most ${MOST_OWN_PARTS} own parts.`)
    if (before && before.table !== part.table)
      return refuse('/part/table', 'A part stays of its kind: enter another.')
    const namesake = job.ownParts.find(
      (one) => one.id !== part.id && one.table === part.table && one.part.name === part.part.name,
    )
    if (namesake) return refuse('/part/part/name', 'There is an own part of this name already.')
    return changed(job, { ownParts: put(job.ownParts, part) })
  },
  touches: ({ part }) => [[`part/${part.id}`, part]],
})

export const removePart = kind({
  shape: { partId: z.string() },
  called: 'an own part taken out',
  apply: (job, { partId }) => {
    const user = usersOf(job, partId)[0]
    if (user)
      return refuse('/partId', `${user.mark} ${user.name} is made with it: choose another part there first.`)
    if (job.boxes.some(({ cableId }) => cableId === partId))
      return refuse('/partId', 'A box of it is on the van: take that out first.')
    if (job.things.some((thing) => thing.kind === 'pathway' && thing.conduitId === partId))
      return refuse('/partId', 'A pathway on the plan is of it: choose another there first.')
    return changed(job, { ownParts: job.ownParts.filter(({ id }) => id !== partId) })
  },
})
