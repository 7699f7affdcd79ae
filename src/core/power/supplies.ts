import { finding, type Finding } from '../findings'
import type { JobSupply } from '../job/job'
import type { Catalogue } from '../parts'
import { quantity, text } from '../units'
import { POWER_LIMITS } from './limits'

/** A device's draw on a supply, as the budget sees it. */
export interface Draw {
  readonly supplyId: string
  readonly mark: string
  readonly port: number | null
  readonly drawW: number | null
}

/** One supply of the job: what hangs on it and what is left. */
export interface SupplyAssessment {
  readonly supplyId: string
  readonly name: string
  readonly partName: string
  readonly loadW: number
  readonly budgetW: number
  readonly portsUsed: number
  readonly ports: number
  readonly marks: readonly string[]
  readonly findings: readonly Finding[]
}

/** Adds up the worst hour on every supply of a job. Finding ids carry the supply's id. */
export function assessSupplies(
  supplies: readonly JobSupply[],
  draws: readonly Draw[],
  catalogue: Catalogue,
): SupplyAssessment[] {
  return supplies.flatMap(({ id, name, partId }) => {
    const part = catalogue.supplies.get(partId)
    if (!part) return []
    const on = draws.filter(({ supplyId }) => supplyId === id)
    const loadW = on.reduce((sum, { drawW }) => sum + (drawW ?? 0), 0)
    const findings: Finding[] = []
    const common = { figure: quantity(loadW, 'power'), limit: quantity(part.budgetW, 'power') } as const
    if (loadW > part.budgetW) {
      findings.push(
        finding('power', `budget:${id}`, {
          ...common,
          verdict: 'stop',
          title: `${name} is overloaded`,
          short: 'overloaded',
          reason: `All cameras in their worst hour together${part.signals || part.poeClass === null ? '' : '; its ports do not signal, so each reserves its whole class'}.`,
          source: 'catalogue',
          advice: 'Move some to another supply, or take a larger one.',
        }),
      )
    } else if (loadW > (part.budgetW * POWER_LIMITS.supplyLoad.value) / 100) {
      findings.push(
        finding('power', `budget:${id}`, {
          ...common,
          verdict: 'check',
          title: `${name} is nearly full`,
          short: 'nearly full',
          reason: `Over ${POWER_LIMITS.supplyLoad.value} % in the worst hour.`,
          source: POWER_LIMITS.supplyLoad.source,
          advice: 'Leave room for heat and for the next camera.',
        }),
      )
    }
    if (on.length > part.ports) {
      findings.push(
        finding('power', `ports:${id}`, {
          verdict: 'stop',
          title: `${name} has too few ports`,
          short: 'too few ports',
          figure: quantity(on.length, 'count'),
          limit: quantity(part.ports, 'count'),
          reason: 'One camera a port.',
          source: 'catalogue',
          advice: 'Take a larger one or a second.',
        }),
      )
    }
    const byPort = new Map<number, string[]>()
    for (const { port, mark } of on) if (port !== null) byPort.set(port, [...(byPort.get(port) ?? []), mark])
    for (const [port, marks] of byPort) {
      if (marks.length > 1)
        findings.push(
          finding('power', `port-${port}:${id}`, {
            verdict: 'stop',
            title: `Port ${port} of ${name} is given twice`,
            short: 'port given twice',
            figure: text(marks.join(' and ')),
            limit: quantity(1, 'count'),
            reason: 'One camera a port.',
            source: 'job',
            advice: 'Give one of them another port.',
          }),
        )
      if (port > part.ports)
        findings.push(
          finding('power', `no-port-${port}:${id}`, {
            verdict: 'stop',
            title: `${name} has no port ${port}`,
            short: 'no such port',
            figure: quantity(port, 'count'),
            limit: quantity(part.ports, 'count'),
            reason: `Device ${marks.join(', ')}.`,
            source: 'catalogue',
            advice: 'Give a port that it has.',
          }),
        )
    }
    return [
      {
        supplyId: id,
        name,
        partName: part.name,
        loadW,
        budgetW: part.budgetW,
        portsUsed: on.length,
        ports: part.ports,
        marks: on.map(({ mark }) => mark),
        findings,
      },
    ]
  })
}
