import { ladder } from './hold'
import { MOUNT_LIMITS } from './limits'

/** Getting up there: lengths in metres. */
export interface Climb {
  readonly workingLengthM: number
  readonly footM: number
  /** Top support above which the rails stand on, and the rail length that takes: for stepping off onto a landing. */
  readonly railsM: number
  /** An extension ladder that reaches: its sections' length together, overlap included. */
  readonly extensionM: number
  readonly tower: boolean
}

/** A ladder at 4 to 1 for work at a height: the person stands below it, the top support near it. */
export function climb(heightM: number): Climb {
  const { railsAboveM, overlapM, ladderM } = MOUNT_LIMITS
  const { workingLengthM, footM } = ladder(heightM)
  return { workingLengthM, footM, railsM: workingLengthM + railsAboveM.value, extensionM: workingLengthM + railsAboveM.value + overlapM.value, tower: heightM > ladderM.value }
}
