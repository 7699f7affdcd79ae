export { hasPlace, withoutPlace } from './place'
export {
  AIM,
  KNOWN_LENGTHS,
  measuredLength,
  MOST_MARKS,
  PhotoMarks,
  type KnownThing,
  type MeasuredLength,
  type PhotoMark,
  type Spot,
} from './marks'
