import { limit } from '../sources'

export const PROCEDURE_LIMITS = {
  heightTolerance: limit('Height as measured against planned', 5, '%', 'practice'),
  tiltToleranceDeg: limit('Tilt as set against planned', 3, '°', 'practice'),
  pictureRollDeg: limit('A picture stands level within', 2, '°', 'practice'),
} as const
