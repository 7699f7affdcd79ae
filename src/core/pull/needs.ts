import type { Job } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import type { CableNeed, Cut } from '../reels'
import { cutsOf } from './lists'
import { pulledIn } from './pulled'

/** What of each cable is still to be cut: leads, what is kept and what is pulled already is not. */
export function cableNeeds(job: Job, shipped: Catalogue): readonly CableNeed[] {
  const catalogue = withOwn(shipped, job.ownParts)
  const done = pulledIn(job)
  const cuts = new Map<string, Cut[]>()
  for (const { mark, name, cableId, cutM } of cutsOf(job, catalogue)) {
    if (cutM === null || cutM <= 0 || done.has(mark)) continue
    cuts.set(cableId, [...(cuts.get(cableId) ?? []), { mark, name, cutM }])
  }
  return [...cuts].map(([cableId, of]) => ({
    cable: catalogue.cables.get(cableId)!,
    cuts: of,
    begun: job.boxes.filter((box) => box.cableId === cableId),
  }))
}
