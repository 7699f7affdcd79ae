import { z } from 'zod'
import { PlanThing } from '@/core/plan'

/** Things that were copied: kept on this device, so that they can be put into another job too. */
const KEY = 'neat-bracket-copied'
const Copied = z.array(PlanThing)

export function copy(things: readonly PlanThing[]): void {
  window.localStorage.setItem(KEY, JSON.stringify(things))
}

/** What was copied last; nothing where it is not readable any more. */
export function copied(): readonly PlanThing[] {
  try {
    return Copied.parse(JSON.parse(window.localStorage.getItem(KEY) ?? '[]'))
  } catch {
    return []
  }
}
