import { finding, type Finding } from '../findings'
import type { Connector, RunContext } from '../parts'
import { text } from '../units'

/** Across what a connector grips, mm: the jacket as measured, or the coax alone of a combined cable. */
export function grippedMm({ cable, cableMm }: Pick<RunContext, 'cable' | 'cableMm'>): number {
  return cable.fittingMm === cable.diameterMm ? cableMm : cable.fittingMm
}

/** One end of a cable: the key of its findings, and what it is called. */
export interface End {
  readonly key: string
  readonly called: string
}

/** What speaks against a connector at this end of this cable. */
export function matchFindings(
  context: Pick<RunContext, 'cable' | 'cableMm' | 'policies' | 'printed'>,
  connector: Connector,
  end: End,
): Finding[] {
  const { cable, policies, printed } = context
  const fittingMm = grippedMm(context)
  const key = (what: string) => `${what}:${end.key}`
  const stop = (
    what: string,
    title: string,
    figure: string,
    limit: string,
    reason: string,
    advice: string,
  ) => [
    finding('terminate', key(what), {
      verdict: 'stop',
      title,
      short: SHORT[what]!,
      figure: text(figure),
      limit: text(limit),
      reason: `At the ${end.called}: ${reason}`,
      source: 'catalogue',
      advice,
    }),
  ]
  if (!connector.takes.includes(cable.kind))
    return stop(
      'kind',
      'The connector is not for this cable',
      connector.name,
      cable.kind,
      `${connector.name} takes ${connector.takes.join(' or ')} cable.`,
      `Choose a connector for ${cable.kind} cable.`,
    )
  if (connector.coax !== null && connector.coax !== cable.coax)
    return stop(
      'coax',
      'Coax fitting of the other size',
      connector.coax,
      cable.coax ?? 'none',
      'RG59 and RG6 differ in diameter; the wrong one slips or splits.',
      `Take a ${cable.coax} fitting.`,
    )
  if (!connector.conductor.includes(cable.conductor))
    return stop(
      'conductor',
      'Contacts for the other conductor',
      connector.conductor.join(', '),
      cable.conductor,
      'Blades for solid wire cut strands, and the other way round.',
      `Take one for ${cable.conductor} conductors.`,
    )
  if (fittingMm < connector.jacketMm[0] || fittingMm > connector.jacketMm[1]) {
    return stop(
      'jacket',
      'The jacket does not fit the strain relief',
      printed(fittingMm, 'size'),
      `${printed(connector.jacketMm[0], 'size')} to ${printed(connector.jacketMm[1], 'size')}`,
      'The plug must hold the jacket, not the wires.',
      'Take a plug of the cable’s size.',
    )
  }
  if (connector.school !== null && connector.school !== policies.coaxSchool) {
    return [
      finding('terminate', key('school'), {
        verdict: 'check',
        title: 'Two habits in one job',
        short: 'other habit',
        figure: text(connector.school),
        limit: text(policies.coaxSchool),
        reason: `At the ${end.called}: this job makes coax ends ${policies.coaxSchool}.`,
        source: 'job',
        advice: 'Use the job’s habit, or note why not.',
      }),
    ]
  }
  return []
}

/** The board's words for a connector that does not suit. */
const SHORT: Readonly<Record<string, string>> = {
  kind: 'wrong connector',
  coax: 'wrong coax size',
  conductor: 'wrong contacts',
  jacket: 'jacket does not fit',
}
