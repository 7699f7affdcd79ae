import type { Job } from '../job/job'
import { neighboursOf, type Catalogue, type Neighbours } from '../parts'
import { waysOn } from '../pathway'
import { leadsFirst, type FirstLeads } from '../route'

/** With the leads that go before all others, by the ids of their devices and runs, in order. */
type InJob = Neighbours & Pick<FirstLeads, 'first'>

const KNOWN = new WeakMap<Job, { readonly catalogue: Catalogue; readonly neighbours: InJob }>()

/** What devices and runs of a job have of each other, its plans and its log. */
export function neighboursIn(job: Job, catalogue: Catalogue): InJob {
  const known = KNOWN.get(job)
  if (known?.catalogue === catalogue) return known.neighbours
  const beside = neighboursOf(job, catalogue, waysOn(job, catalogue))
  const neighbours = { ...beside, ...leadsFirst(job, catalogue, beside) }
  KNOWN.set(job, { catalogue, neighbours })
  return neighbours
}
