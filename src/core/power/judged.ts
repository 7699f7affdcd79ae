import type { DeviceContext } from '../parts'
import type { Power } from './plan'

/** What the power is judged by. */
export const POWER_JUDGED =
  'Kind of supply, watts, volts at the device over the whole circuit, budget, mains and its box, protectors'

/** What is not judged of the power, and why. */
export function unjudgedPower({ measured }: DeviceContext, { port }: Power): string[] {
  return [
    ...(port === null ? ['The port: none is chosen.'] : []),
    ...(measured.volts === null ? ['The volts as they are: they are reckoned until somebody measures.'] : []),
    'How good bonding and earth are, and the network behind the port.',
  ]
}
