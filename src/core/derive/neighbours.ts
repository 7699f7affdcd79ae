import type { Job } from '../job/job'
import { oncePer, whileSame } from '../once'
import { neighboursOf, type Catalogue, type Neighbours } from '../parts'
import { waysOn } from '../pathway'
import { leadsFirst, pulledIds, type FirstLeads } from '../route'

/** With the leads that go before all others, by the ids of their devices and runs, in order. */
type InJob = Neighbours & Pick<FirstLeads, 'first'>

const ofJob = whileSame<Job, InJob>()
const ofDevices = whileSame<Job['devices'], InJob>()

const pulledWords = oncePer((records: Job['records']) => [...pulledIds(records)].join())

/** What devices and runs of a job have of each other, its plans and its log. */
export const neighboursIn = (job: Job, catalogue: Catalogue): InJob =>
  ofJob(job, [catalogue], () => {
    const { devices, runs, things, records } = job
    const ways = waysOn(job, catalogue)
    const pathways = things.filter(({ kind }) => kind === 'pathway')
    return ofDevices(devices, [runs, ways, catalogue, pulledWords(records), ...pathways], () => {
      const beside = neighboursOf(job, catalogue, ways)
      return { ...beside, ...leadsFirst(job, catalogue, beside) }
    })
  })
