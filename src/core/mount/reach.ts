import { ladder } from './hold'
import { EXTENSION_OVERLAPS, MOUNT_LIMITS } from './limits'

/** Getting up there: lengths in metres. */
export interface Climb {
  /** A ladder at 4 to 1 to the height of the work: along it, and how far out its foot stands. */
  readonly workingLengthM: number
  readonly footM: number
  /** Along a ladder whose rails stand upright 0.9 m above a landing at that height, for stepping off. */
  readonly railsM: number
  /**
   * An extension ladder that reaches: its sections' length together, overlap included; null where none is
   * made.
   */
  readonly extensionM: number | null
  /** Too high for two-handed work from any ladder: none is named. */
  readonly tower: boolean
}

/** A ladder at 4 to 1 for work at a height: the person stands below it, the top support near it. */
export function climb(heightM: number): Climb {
  const { railsAboveM, ladderM } = MOUNT_LIMITS
  const railsM = ladder(heightM + railsAboveM.value).workingLengthM
  const made = EXTENSION_OVERLAPS.find(({ upToM, overlapM }) => railsM + overlapM <= upToM + 1e-9)
  return {
    ...ladder(heightM),
    railsM,
    extensionM: made ? railsM + made.overlapM : null,
    tower: heightM > ladderM.value,
  }
}
