import type { Task } from './task'

/**
 * The phases of the work on one device, in the order in which they are done: cable first, everything
 * threaded before the plug, seals looked at before closing, the outer film off last. This list is the only
 * place that orders.
 */
export const PHASES = [
  'unpack',
  'bench',
  'place',
  'reach',
  'height',
  'drill',
  'pull',
  'cable across',
  'thread on',
  'ends',
  'fix',
  'seal',
  'connect',
  'aim',
  'look before closing',
  'close',
  'prove',
] as const

export type Phase = (typeof PHASES)[number]

const PLACE = Object.fromEntries(PHASES.map((phase, place) => [phase, place])) as Record<Phase, number>

/** Tasks in the order of their phases; within a phase as their stages gave them. */
export const inOrder = (tasks: readonly Task[]): Task[] =>
  [...tasks].sort((a, b) => PLACE[a.phase] - PLACE[b.phase])
