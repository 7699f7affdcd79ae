import type { HandedStep, Job } from '../job/job'
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

/** A step that is left to somebody, as the round shows it. */
export interface LeftStep extends HandedStep {
  readonly mark: string
  readonly name: string
  /** Steps of the same thing that wait for it; null where it is no longer among its steps. */
  readonly holdsUp: number | null
}

export interface JobRound extends Round {
  readonly sentence: string
  readonly next: string
  readonly left: readonly NotInRound[]
  /** Steps that are left to whoever goes the round, and to others. */
  readonly leftToMe: readonly LeftStep[]
  readonly leftToOthers: readonly LeftStep[]
}

type Of = Pick<Assessment, 'devices' | 'equipment' | 'runs'>
type Sited = Pick<Job, 'devices' | 'equipment' | 'runs' | 'handed'>

/**
 * What is left to do on a job, going by going. What is stopped, not planned through or not computed yet is
 * left out, and named: its steps may become others. `me` is who goes: what others are left with, and what
 * comes after it, is theirs; null for everybody's work.
 */
export function jobRound(
  job: Sited,
  { devices, equipment, runs }: Of,
  here: Here | null = null,
  me: string | null = null,
): JobRound {
  const left: NotInRound[] = []
  const things: Unfinished[] = []
  const leftSteps: LeftStep[] = []
  const handed = byDevice(job.handed)
  const isOthers = ({ colleague }: HandedStep) => me !== null && colleague !== me
  const take = (one: Pick<MarkedAssessment, 'deviceId' | 'mark' | 'name' | 'steps'>, why: string | null) => {
    const { deviceId: id, mark, name, steps } = one
    const open = steps.flatMap(({ step, record }) => (record === null ? [step] : []))
    const indexOf = ({ stepId }: HandedStep) => open.findIndex((step) => step.id === stepId)
    const ofIt = handed.get(id) ?? []
    for (const step of ofIt) {
      const at = indexOf(step)
      leftSteps.push({ ...step, mark, name, holdsUp: at < 0 ? null : open.length - at - 1 })
    }
    // From the first that is another's on, everything waits.
    const theirs = ofIt.filter(isOthers).map(indexOf)
    const mine = open.slice(0, Math.min(open.length, ...theirs.filter((at) => at >= 0)))
    if (why !== null) left.push({ id, mark, why })
    else if (mine.length > 0) things.push({ id, mark, name, left: mine })
  }
  for (const device of devices) take(device, whyNotDevice(device))
  for (const one of [...equipment, ...runs]) take(one, one.verdict === 'stop' ? STOPPED : null)
  const round = roundOf(things, spotsOf(job), here)
  const leftToOthers = leftSteps.filter(({ colleague }) => colleague !== me)
  const waits = leftToOthers.some(({ holdsUp }) => holdsUp !== null)
  return {
    ...round,
    left,
    leftToMe: leftSteps.filter(({ colleague }) => colleague === me),
    leftToOthers,
    ...told(round, things.length, waits),
  }
}

function byDevice(handed: readonly HandedStep[]): Map<string, HandedStep[]> {
  const of = new Map<string, HandedStep[]>()
  for (const one of handed) of.set(one.deviceId, [...(of.get(one.deviceId) ?? []), one])
  return of
}

const STOPPED = 'stopped'

function whyNotDevice(device: Assessment['devices'][number]): string | null {
  if (device.pending) return 'not computed yet'
  if (device.verdict === 'stop') return STOPPED
  return isPlanned(device) ? null : 'not planned through'
}

function told(
  { visits, climbs, steps }: Round,
  things: number,
  waitsForOthers: boolean,
): Pick<JobRound, 'sentence' | 'next'> {
  if (steps === 0 && waitsForOthers)
    return {
      sentence: 'Nothing is left for you to do.',
      next: 'What is left is with others, or waits for them.',
    }
  if (steps === 0) return { sentence: 'Nothing is left to do.', next: 'What is done stands in the record.' }
  const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
  const up = climbs === 0 ? 'none' : climbs
  const gone = `${many(visits.length, 'visit')}, ${up} of them at devices`
  const sentence = `${many(steps, 'step')} on ${many(things, 'thing')}: ${gone}.`
  const { stints } = visits[0]!
  const first = stints.reduce((sum, one) => sum + one.steps.length, 0)
  return { sentence, next: `First: ${inSentence(calledPlace(visits[0]!))}, ${many(first, 'step')}.` }
}
