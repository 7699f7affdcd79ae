import { gravest, worstOf, type Finding, type Verdict } from '../findings'
import type { State } from '../job/choices'
import type { EarlierStep, Step, StepState } from '../procedure'
import { proposedFaults, type FaultProposal } from '../test'
import { inSentence, type UnitSystem } from '../units'
import { logOf, oldSentence, type DeviceRecords, type Log } from './log'

/** What equipment and runs come to alike: what is wrong, what is to do and how far it has come. */
export interface MarkedAssessment {
  /** Its id: steps, photos and faults name it as they name a device. */
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  readonly findings: readonly Finding[]
  readonly unjudged: readonly string[]
  readonly steps: readonly StepState[]
  /** Recorded for an older plan: what the plan as it stands no longer asks for. */
  readonly earlier: readonly EarlierStep[]
  readonly log: Log
  readonly proposedFaults: readonly FaultProposal[]
  readonly verdict: Verdict
  readonly sentence: string
}

interface Marked {
  readonly id: string
  readonly mark: string
  readonly name: string
  readonly state: State
}

/** Of something planned: `what` it is stands in the sentence while nothing is wrong with it. */
export function markedAssessment(
  { id, mark, name, state }: Marked,
  planned: {
    readonly findings: readonly Finding[]
    readonly steps: readonly Step[]
    readonly unjudged: readonly string[]
  },
  what: string,
  recorded: DeviceRecords,
  units: UnitSystem,
): MarkedAssessment {
  const { findings, unjudged } = planned
  const { steps, earlier, log } = logOf(planned.steps, recorded, units)
  const next = steps.find(({ step }) => step.id === log.nextStepId)?.step.title ?? null
  const worst = worstOf(findings)
  const lead = {
    'new': `${what}.`,
    'kept': 'Was there and stays.',
    'taken away': 'Was there; is taken away.',
  }[state]
  return {
    deviceId: id,
    mark,
    name,
    findings,
    unjudged,
    steps,
    earlier,
    log,
    proposedFaults: proposedFaults(id, steps, recorded.faults),
    verdict: gravest(findings),
    sentence: worst
      ? `${worst.verdict === 'stop' ? 'Stopped' : 'One look first'}: ${inSentence(worst.title)}. ${worst.advice}`
      : oldSentence(lead, log, next),
  }
}

/** Of something whose parts the catalogue lacks. */
export const lacking = (
  { id, mark, name }: Omit<Marked, 'state'>,
  missing: readonly string[],
  recorded: DeviceRecords,
  units: UnitSystem,
): MarkedAssessment => ({
  deviceId: id,
  mark,
  name,
  findings: [],
  unjudged: [],
  ...logOf([], recorded, units),
  proposedFaults: [],
  verdict: 'stop',
  sentence: lacks(missing),
})

const lacks = (missing: readonly string[]): string =>
  `The catalogue lacks ${missing.join(', ')}. Choose ${missing.length === 1 ? 'another part' : 'other parts'}.`
