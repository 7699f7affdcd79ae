import { limit } from '../sources'

/** What the plan of boxes rests on. */
export const REEL_LIMITS = {
  stepM: limit('Cuts are measured out in steps of', 0.1, 'm', 'practice'),
  /** More of one cable are put into boxes without looking whether fewer boxes would do. */
  mostCuts: limit('Cuts of one cable that are looked through for the fewest boxes', 400, '', 'practice'),
} as const
