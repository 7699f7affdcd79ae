import { LEVELS } from '../job/choices'
import type { Sight } from '../job/job'
import { SIGHT_LIMITS } from './limits'

/** Smear of a walking person at the detail that the level asks for, pixels; finer detail may smear. */
export const smearPx = ({ shutterS, level }: Sight): number =>
  SIGHT_LIMITS.walkingMS.value * shutterS * LEVELS[level].densityPxM
