import { finding, type Finding } from '../findings'
import type { Supply } from '../parts'
import { quantity, text } from '../units'
import { POWER_LIMITS } from './limits'

const RESERVES = 'its ports do not signal, so each reserves its whole class'

/** A device's draw on a supply, as the budget sees it. */
export interface Draw {
  readonly supplyId: string
  readonly mark: string
  readonly port: number | null
  readonly drawW: number | null
}

/** What hangs on a supply, and what is left. */
export interface SupplyLoad {
  readonly loadW: number
  readonly budgetW: number
  readonly portsUsed: number
  readonly ports: number
}

/** Adds up the worst hour of what hangs on a supply, called by its name in the job. */
export function supplyLoad(
  name: string,
  part: Supply,
  on: readonly Draw[],
): SupplyLoad & { readonly findings: readonly Finding[] } {
  const loadW = on.reduce((sum, { drawW }) => sum + (drawW ?? 0), 0)
  const findings: Finding[] = []
  const common = { figure: quantity(loadW, 'power'), limit: quantity(part.budgetW, 'power') } as const
  if (loadW > part.budgetW) {
    findings.push(
      finding('power', 'budget', {
        ...common,
        verdict: 'stop',
        title: `${name} is overloaded`,
        short: 'overloaded',
        reason:
          'All that hangs on it, in its worst hour, ' +
          `together${part.signals || part.poeClass === null ? '' : `; ${RESERVES}`}.`,
        source: 'catalogue',
        advice: 'Move some to another supply, or take a larger one.',
      }),
    )
  } else if (loadW > (part.budgetW * POWER_LIMITS.supplyLoad.value) / 100) {
    findings.push(
      finding('power', 'budget', {
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
      finding('power', 'ports', {
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
        finding('power', `port-${port}`, {
          verdict: 'stop',
          title: `Port ${port} of ${name} is given twice`,
          short: 'port given twice',
          figure: text(marks.join(' and ')),
          limit: quantity(1, 'count'),
          reason: 'One camera a port, on a cable of its own: one that is split for two serves neither.',
          source: 'job',
          advice: 'Give one of them another port.',
        }),
      )
    if (port > part.ports)
      findings.push(
        finding('power', `no-port-${port}`, {
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
  return { loadW, budgetW: part.budgetW, portsUsed: on.length, ports: part.ports, findings }
}
