import type { Job } from '../job/job'
import { calledPlace, roundOf, spotsOf, type Here, type Round, type Unfinished } from '../round'
import { inSentence } from '../units'
import { isPlanned, type Assessment } from './board'
import type { MarkedAssessment } from './marked'

/** Something that is not in the round, and why. */
export interface NotInRound {
  readonly id: string
  readonly mark: string
  readonly why: string
}

export interface JobRound extends Round {
  readonly sentence: string
  readonly next: string
  readonly left: readonly NotInRound[]
}

type Of = Pick<Assessment, 'devices' | 'equipment' | 'runs'>
type Sited = Pick<Job, 'devices' | 'equipment' | 'runs'>

/**
 * What is left to do on a job, going by going. What is stopped, not planned through or not computed yet is
 * left out, and named: its steps may become others.
 */
export function jobRound(job: Sited, { devices, equipment, runs }: Of, here: Here | null = null): JobRound {
  const left: NotInRound[] = []
  const things: Unfinished[] = []
  const take = (one: Pick<MarkedAssessment, 'deviceId' | 'mark' | 'name' | 'steps'>, why: string | null) => {
    const { deviceId: id, mark, name, steps } = one
    const open = steps.flatMap(({ step, record }) => (record === null ? [step] : []))
    if (why !== null) left.push({ id, mark, why })
    else if (open.length > 0) things.push({ id, mark, name, left: open })
  }
  for (const device of devices) take(device, whyNotDevice(device))
  for (const one of [...equipment, ...runs]) take(one, one.verdict === 'stop' ? STOPPED : null)
  const round = roundOf(things, spotsOf(job), here)
  return { ...round, left, ...told(round, things.length) }
}

const STOPPED = 'stopped'

function whyNotDevice(device: Assessment['devices'][number]): string | null {
  if (device.pending) return 'not computed yet'
  if (device.verdict === 'stop') return STOPPED
  return isPlanned(device) ? null : 'not planned through'
}

function told({ visits, climbs, steps }: Round, things: number): Pick<JobRound, 'sentence' | 'next'> {
  if (steps === 0) return { sentence: 'Nothing is left to do.', next: 'What is done stands in the record.' }
  const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
  const up = climbs === 0 ? 'none' : climbs
  const gone = `${many(visits.length, 'visit')}, ${up} of them at devices`
  const sentence = `${many(steps, 'step')} on ${many(things, 'thing')}: ${gone}.`
  const { stints } = visits[0]!
  const first = stints.reduce((sum, one) => sum + one.steps.length, 0)
  return { sentence, next: `First: ${inSentence(calledPlace(visits[0]!))}, ${many(first, 'step')}.` }
}
