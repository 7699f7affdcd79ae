import type { Sight } from '../../job/job'
import type { PlaceContext } from '../../parts'
import type { Ahead } from '../ahead'
import type { Around } from '../around'

/** Whether a change of a sight takes a finding away and brings no other. */
export type Cured = (id: string, change: Partial<Sight>) => boolean

/** What a finding of a sight is judged from. */
export interface Asked {
  readonly context: PlaceContext
  readonly sight: Sight
  readonly ahead: Ahead
  /** Tilts (degrees below level) that the joint allows. */
  readonly range: readonly [least: number, most: number]
  /** What the plan says of it; null while it stands on none. */
  readonly around: Around | null
  /** Tries advice before it is given; null where the sight is itself only tried, and no advice is wanted. */
  readonly cured: Cured | null
}
