export { assessSight, proposeSight, levelReached, tiltRangeDeg, targetDensityPxM, type Elevation } from './sight'
export { project, inFrame, densityAt, imagerOf, fieldOfViewDeg, type Imager, type Pose, type Point } from './projection'
export { nearestGroundM, farthestGroundM, nearestFaceM, depressionDeg, tiltsThatShow, type Reach } from './elevation'
export { SIGHT_LIMITS, SIGHT_FORMULAS } from './limits'
