import type { Finding, PlannedStage, Stage } from '../findings'
import type { Cause, SeverityId } from '../job/choices'
import type { Fault, FaultFacts, Job } from '../job/job'
import type { StepState } from '../procedure'
import { STAGE_TABLE } from '../stages'
import { printReading, type UnitSystem } from '../units'

/** A fault that the computation would raise; a person confirms it. */
export type FaultProposal = Pick<
  FaultFacts,
  'deviceId' | 'stage' | 'title' | 'severity' | 'cause' | 'note'
> & { readonly origin: string }

/** What trouble in a stage without a plan of its own comes from. */
const CAUSE_UNPLANNED: Record<Exclude<Stage, PlannedStage>, Cause> = {
  aim: 'picture not as promised',
  test: 'other',
  handover: 'default password',
}

function causeOfStage(stage: Stage | null): Cause {
  if (stage === null) return 'other'
  return stage in CAUSE_UNPLANNED
    ? CAUSE_UNPLANNED[stage as keyof typeof CAUSE_UNPLANNED]
    : STAGE_TABLE[stage as PlannedStage].cause
}

/**
 * The cause that a step out of limits points to: by what was answered or measured, else by the step, else
 * by its stage.
 */
function causeOf({ step, record }: StepState): Cause {
  const { entry, causes, stage } = step
  const answered = record?.choice == null ? undefined : causes.answered?.[record.choice]
  const beyond = entry.kind === 'measure' && entry.most !== null && (record?.value ?? -Infinity) > entry.most
  return answered ?? (beyond ? causes.above : undefined) ?? causes.failed ?? causeOfStage(stage)
}

/** The origin that a fault raised from a finding keeps. */
export const findingOrigin = (finding: Pick<Finding, 'id'>): string => `finding:${finding.id}`

/** A proposal made from any finding of a device, for when a person raises it. */
export function proposalOf(deviceId: string | null, finding: Finding, units: UnitSystem): FaultProposal {
  const severity: SeverityId = finding.verdict === 'stop' ? 'will fail' : 'below standard'
  const limit = finding.limit === null ? '' : ` of ${printReading(finding.limit, units)}`
  return {
    deviceId,
    stage: finding.stage,
    origin: findingOrigin(finding),
    title: finding.title,
    severity,
    cause: causeOfStage(finding.stage),
    note: `${printReading(finding.figure, units)}${limit}. ${finding.reason} ${finding.advice ?? ''}`.trim(),
  }
}

/** What measured steps out of limits would raise; nothing that stands on the punch list open already. */
export function proposedFaults(
  deviceId: string,
  steps: readonly StepState[],
  faults: readonly Fault[],
): FaultProposal[] {
  const standing = new Set(
    faults
      .filter((fault) => fault.deviceId === deviceId && fault.state !== 'closed')
      .map(({ origin }) => origin),
  )
  return steps.flatMap((state) => {
    const { step, verdict, says, record } = state
    const origin = `step:${step.id}`
    if (verdict !== 'stop' || standing.has(origin)) return []
    return [
      {
        deviceId,
        stage: step.stage,
        origin,
        title: `${step.title}: out of limits`,
        severity: 'will fail' as const,
        cause: causeOf(state),
        note: [says, record?.note].filter(Boolean).join(' '),
      },
    ]
  })
}

/**
 * The day by which something must happen to a fault: its due date, or the end of a temporary fix when that
 * is sooner.
 */
export function dueDay(fault: Fault): string | null {
  const last = fault.events[fault.events.length - 1]
  const until =
    fault.state === 'temporary fix' && last?.event === 'fix' && last.fix.kind === 'temporary'
      ? last.fix.until
      : null
  if (fault.due === null || until === null) return fault.due ?? until
  return fault.due < until ? fault.due : until
}

/** Where the punch list stands on a day (ISO date): how much is open, overdue, waiting for a re-check. */
export function punchListState(faults: Job['faults'], today: string) {
  const standing = faults.filter(({ state }) => state !== 'closed')
  const overdue = standing.filter((fault) => (dueDay(fault) ?? '9999') < today)
  const toRecheck = standing.filter(({ state }) => state === 'fixed').length
  const temporary = standing.filter(({ state }) => state === 'temporary fix').length
  return {
    open: standing.length,
    overdue: overdue.map(({ id }) => id),
    toRecheck,
    temporary,
    closed: faults.length - standing.length,
  }
}
