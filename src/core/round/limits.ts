import { limit } from '../sources'

export const ROUND_LIMITS = {
  /** The navel stays between the stiles: what is farther away wants the ladder set again. */
  armsReachM: limit('Reach to either side from one stand of the ladder', 0.6, 'm', 'practice'),
} as const
