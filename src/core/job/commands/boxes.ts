import { Id } from '../fields'
import { CableBox, MOST_BOXES } from '../job'
import { changed, kind, put, refuse, unknownPart } from './kind'

/** Commands about the boxes and drums of cable that are begun. */

export const putBox = kind({
  shape: { box: CableBox },
  called: 'a box of cable',
  apply: (job, { box }, { cables }) => {
    if (!cables.has(box.cableId)) return unknownPart('/box/cableId', box.cableId)
    if (job.boxes.length >= MOST_BOXES && !job.boxes.some(({ id }) => id === box.id))
      return refuse('/box', `A job holds at most ${MOST_BOXES} boxes.`)
    return changed(job, { boxes: put(job.boxes, box) })
  },
  touches: ({ box }) => [[`box/${box.id}`, box]],
})

export const removeBox = kind({
  shape: { boxId: Id },
  called: 'a box of cable taken out',
  apply: (job, { boxId }) => changed(job, { boxes: job.boxes.filter(({ id }) => id !== boxId) }),
})
