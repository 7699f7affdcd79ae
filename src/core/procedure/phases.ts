import type { Place } from '../order'

/**
 * The phases of the work on one device: where each is done, and, by their order, how early it usually comes
 * there among what nothing forces. What is forced is said by the tasks themselves.
 */
export const PHASES = {
  'unpack': 'bench',
  'bench': 'bench',
  'lock off': 'head end',
  'place': 'at the device',
  'reach': 'at the device',
  'prove dead': 'at the device',
  'take down': 'at the device',
  'height': 'at the device',
  'drill': 'at the device',
  'pull': 'on the way',
  'head end': 'head end',
  'cable across': 'at the device',
  'thread on': 'at the device',
  'camera end': 'at the device',
  'map': 'at the device',
  'entry': 'at the device',
  'fix': 'at the device',
  'join': 'at the device',
  'seal': 'at the device',
  'connect': 'at the device',
  'seal joint': 'at the device',
  'look before closing': 'at the device',
  'hang': 'at the device',
  'aim': 'at the device',
  'close': 'at the device',
  'desk': 'at the desk',
  'prove': 'at the desk',
} as const satisfies Record<string, Place>

export type Phase = keyof typeof PHASES

const RANKS = Object.fromEntries(Object.keys(PHASES).map((phase, i) => [phase, i])) as Record<Phase, number>

export const rankOf = (phase: Phase): number => RANKS[phase]
