import { z } from 'zod'
import { FLOORS } from '../choices'
import type { Catalogue } from '../../parts'
import { Id, keysOf } from '../fields'
import { JobFacts, MOST_THINGS, type Job } from '../job'
import { Background, PlanThing, Site } from '../plan'
import {
  changed,
  fieldsOf,
  kind,
  put,
  reasonsOf,
  refuse,
  unknownPart,
  type Applied,
  type Envelope,
} from './kind'

/** Commands about the job as a whole and what stands on its plans. */

export const createJob = kind({
  shape: { facts: JobFacts },
  called: 'a new job',
  apply: () => refuse('/jobId', 'This job exists already.'),
})

/** The job that `createJob` makes. */
export function jobMade({ jobId, at, by, facts }: Envelope & { facts: JobFacts }): Job {
  return {
    id: jobId,
    ...facts,
    createdAt: at,
    createdBy: by,
    site: null,
    backgrounds: [],
    things: [],
    ownParts: [],
    equipment: [],
    runs: [],
    devices: [],
    boxes: [],
    records: [],
    handed: [],
    photos: [],
    faults: [],
    conflicts: [],
    signed: [],
  }
}

export const editJob = kind({
  shape: { change: JobFacts.partial() },
  called: 'the job’s facts',
  apply: (job, { change }) => changed(job, change),
  touches: ({ change }) => fieldsOf('job', change),
})

export const setSite = kind({
  shape: { site: Site.nullable() },
  called: 'where the site lies',
  apply: (job, { site }) => changed(job, { site }),
  touches: ({ site }) => [['site', site]],
})

export const setBackground = kind({
  shape: { floor: keysOf(FLOORS), background: Background.nullable() },
  called: 'the drawing under the plan',
  apply: (job, { floor, background }) => {
    const others = job.backgrounds.filter((other) => other.floor !== floor)
    return changed(job, { backgrounds: background ? [...others, { floor, ...background }] : others })
  },
  touches: ({ floor, background }) => [[`background/${floor}`, background]],
})

/** What a thing names and cannot be: an unknown conduit, equipment that is not there or elsewhere. */
function wrongIn(thing: PlanThing, job: Job, { conduits }: Catalogue, under: string): Applied | null {
  if (thing.kind === 'pathway' && thing.conduitId !== null && !conduits.has(thing.conduitId))
    return unknownPart(`${under}/conduitId`, thing.conduitId)
  if (thing.kind !== 'equipment' || thing.equipmentId === null) return null
  const piece = job.equipment.find(({ id }) => id === thing.equipmentId)
  if (!piece) return refuse(`${under}/equipmentId`, 'The job has no equipment with this id.')
  const there = job.things.some(
    (one) => one.kind === 'equipment' && one.equipmentId === piece.id && one.id !== thing.id,
  )
  return there
    ? refuse(`${under}/equipmentId`, `${piece.mark} ${piece.name} stands on the plan already: move it.`)
    : null
}

export const putThing = kind({
  shape: { thing: PlanThing },
  called: 'something on the plan',
  apply: (job, { thing }, catalogue) => {
    const wrong = wrongIn(thing, job, catalogue, '/thing')
    if (wrong) return wrong
    if (job.things.length >= MOST_THINGS && !job.things.some(({ id }) => id === thing.id)) {
      return refuse('/thing', `A job holds at most ${MOST_THINGS} things on its plans.`)
    }
    return changed(job, { things: put(job.things, thing) })
  },
})

export const editThing = kind({
  shape: { thingId: Id, change: z.record(z.string().max(40), z.unknown()) },
  called: 'something on the plan',
  apply: (job, { thingId, change }, catalogue) => {
    const thing = job.things.find(({ id }) => id === thingId)
    if (!thing) return refuse('/thingId', 'There is nothing with this id on the plans.')
    const made = PlanThing.safeParse({ ...thing, ...change, id: thing.id, kind: thing.kind })
    if (!made.success) return { ok: false, reasons: reasonsOf(made.error, '/change') }
    const wrong = wrongIn(made.data, job, catalogue, '/change')
    if (wrong) return wrong
    return changed(job, { things: put(job.things, made.data) })
  },
  touches: ({ thingId, change }) => fieldsOf(`thing/${thingId}`, change),
})

export const removeThing = kind({
  shape: { thingId: Id },
  called: 'something taken off the plan',
  apply: (job, { thingId }) => changed(job, { things: job.things.filter(({ id }) => id !== thingId) }),
})
