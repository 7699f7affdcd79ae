import { z } from 'zod'
import { Id } from '../fields'
import { FaultFacts, Fix, Outcome, type Fault, type Job } from '../job'
import { isMarked } from './marked'
import { changed, fieldsOf, kind, put, refuse, type Applied } from './kind'

/** Commands of the punch list. */

const strangeDevice = (job: Job, deviceId: string | null | undefined): boolean =>
  deviceId != null && !isMarked(job, deviceId)

export const raiseFault = kind({
  shape: { faultId: Id, facts: FaultFacts },
  called: 'a fault',
  apply: (job, { faultId, facts, at, by }) => {
    if (job.faults.some(({ id }) => id === faultId)) return refuse('/faultId', 'This fault exists already.')
    if (strangeDevice(job, facts.deviceId)) {
      return refuse('/facts/deviceId', 'There is no device with this id.')
    }
    const fault: Fault = { id: faultId, ...facts, state: 'open', raisedAt: at, raisedBy: by, events: [] }
    return changed(job, { faults: [...job.faults, fault] })
  },
})

function onFault(job: Job, faultId: string, change: (fault: Fault) => Partial<Fault> | Applied): Applied {
  const fault = job.faults.find(({ id }) => id === faultId)
  if (!fault) return refuse('/faultId', 'There is no fault with this id.')
  const made = change(fault)
  return 'ok' in made ? made : changed(job, { faults: put(job.faults, { ...fault, ...made }) })
}

export const editFault = kind({
  shape: { faultId: Id, change: FaultFacts.partial() },
  called: 'a changed fault',
  apply: (job, { faultId, change }) =>
    strangeDevice(job, change.deviceId)
      ? refuse('/change/deviceId', 'There is no device with this id.')
      : onFault(job, faultId, () => change),
  touches: ({ faultId, change }) => fieldsOf(`fault/${faultId}`, change),
})

export const fixFault = kind({
  shape: { faultId: Id, fix: Fix },
  called: 'a fix',
  apply: (job, { faultId, fix, at, by }) =>
    onFault(job, faultId, ({ state, events }) => {
      if (state === 'closed') return refuse('/faultId', 'This fault is closed; raise a new one.')
      return {
        state: fix.kind === 'temporary' ? 'temporary fix' : 'fixed',
        events: [...events, { event: 'fix', at, by, fix }],
      }
    }),
})

export const recheckFault = kind({
  shape: { faultId: Id, passed: z.boolean(), note: Outcome.shape.note },
  called: 'a re-check',
  apply: (job, { faultId, passed, note, at, by }) =>
    onFault(job, faultId, ({ state, events }) => {
      if (state !== 'fixed') {
        return refuse('/faultId', 'Only a lasting fix can be re-checked; record the fix first.')
      }
      return {
        state: passed ? 'closed' : 'open',
        events: [...events, { event: 're-check', at, by, passed, note }],
      }
    }),
})
