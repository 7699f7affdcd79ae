import { inSentence } from '../units'
import { PURPOSES, type EquipmentPart, type Purpose } from './kinds/equipment'

/**
 * A port in words: those that feed or carry the network have their number alone, others say what for, a
 * camera's tail has its name.
 */
export function portWords(port: string, part: EquipmentPart | undefined): string {
  const [, purpose, number] = /^([a-z]+)-(\d+)$/.exec(port) ?? []
  if (!part || purpose === undefined || !Object.hasOwn(PURPOSES, purpose)) return port
  const fed = part.feeds !== null && part.ports[0]?.purpose === purpose
  return purpose === 'network' || fed
    ? `port ${number}`
    : `${inSentence(PURPOSES[purpose as Purpose])} ${number}`
}

/** The ports of a piece of equipment that are made for one of these purposes, as they are recorded. */
export const portsFor = (part: EquipmentPart | undefined, purposes: readonly Purpose[]): string[] =>
  (part?.ports ?? [])
    .filter(({ purpose }) => purposes.includes(purpose))
    .flatMap(({ purpose, count }) => Array.from({ length: count }, (_, i) => `${purpose}-${i + 1}`))
