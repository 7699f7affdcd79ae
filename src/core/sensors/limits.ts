import { limit } from '../sources'

export const SENSOR_LIMITS = {
  /** Near steel, cables and a drill, whatever the phone says of itself. */
  compassDeg: limit('Least uncertainty of a phone’s compass', 10, '°', 'practice'),
  /** Held more upright than this, its upper edge points nowhere on the map. */
  flatDeg: limit('Tilt up to which a phone’s compass is read', 40, '°', 'practice'),
} as const
