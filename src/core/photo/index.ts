export { hasPlace, withoutPlaceAndTime } from './place'
export {
  bothMarks,
  measuredLength,
  MOST_MARKS,
  PhotoMarks,
  type MeasuredLength,
  type PhotoMark,
  type Spot,
} from './marks'
export { KNOWN_LENGTHS, PHOTO_FORMULAS, PHOTO_LIMITS, type KnownThing } from './limits'
