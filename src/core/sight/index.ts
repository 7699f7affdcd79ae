export { assessSight, proposeSight, type Elevation } from './sight'
export { tiltRangeDeg } from './joint'
export { levelReached, levelsOf } from './levels'
export {
  project,
  densityAt,
  imagerOf,
  inFrame,
  fieldOfViewDeg,
  rayThrough,
  type Imager,
  type Pose,
} from './projection'
export { nearestGroundM, farthestGroundM, nearestFaceM } from './elevation'
export { firstBetween, settingOf, type Setting } from './occluders'
export { FLOORS_UP, riseM, type World } from './floors'
export { cellAt, cellMiddle, gridOver, type Grid } from './grid'
export type { Eye, SurveyCamera } from './eye'
export { eachSeen, nearEdge } from './footprint'
export { scratchFor } from './look'
export { backgroundCorners, SOLID } from './ground'
export type { BlindSpot } from './rings'
export { survey, SurveyMemory, surveySteps, type Survey, type SurveyRequest } from './survey'
export type { AreaResult } from './watched'
export { camerasOn, floorsStoodOn, notLooking, notLookingWords, pictureOf, type Apart } from './onPlan'
export { judgeArea } from './judge'
export { whoSees, walk, levelName, type Asked, type WalkCamera, type Walked } from './ask'
export { lensFor, lensesFor, lensQuestion, aimAt, type LensAnswer } from './lens'
export { positionSteps, STAND_OFF_M, type Position, type PositionQuestion } from './positions'
export { aheadOf } from './ahead'
export { placeFigures, type PlaceFigures } from './compare'
export { focalFor, tiltFor } from './byHand'
export { sunAt, sunInPicture, type SunInPicture } from './sun'
export { seenPolygons, type SeenPolygon } from './seenPolygons'
export { sunOnPlan, type SunOnPlan } from './sunNow'
export { nearSurfaces, lipClearanceM } from './surroundings'
export { simulate, type SimulatedPicture, type Patch } from './scene'
export { SIGHT_LIMITS } from './limits'
export { judgeSurvey, surveyReport, surveyRequest, type SurveyVerdict } from './report'
export { sightStage } from './stage'
export { touchedBy } from './matters'
